import type { OptionMethod } from '@/core/diagnose/knowledge';
import type { Timed } from '@/core/season/timed-schema';
import type { Bbch } from '@/core/season/bbch';

const stages = (from: Bbch, to: Bbch): Timed => ({ by: 'stage', from, to });
const heat = (model: string, days: number): Timed => ({ by: 'heat', model, days });

/**
 * Ways whose time is told by a stage of the host or by heat, by condition and method; the months that stand beside them are for
 * hosts and places of which nobody can say more.
 */
export const WINDOWS: Readonly<Record<string, Partial<Record<OptionMethod, Timed>>>> = {
  'apple-scab': { 'foliar spray': stages(7, 71) },
  'cedar-apple-rust': { 'foliar spray': stages(57, 71) },
  'brown-rot': { 'foliar spray': stages(57, 69) },
  'black-knot': { 'foliar spray': stages(7, 69) },
  'plane-anthracnose': { 'foliar spray': stages(9, 11) },
  'fire-blight': { 'foliar spray': stages(60, 69), 'dormant spray': stages(7, 10) },
  'peach-leaf-curl': { 'dormant spray': stages(97, 1) },
  'leaf-curl-aphid': { 'dormant spray': stages(1, 7) },
  'winter-moth': { 'foliar spray': stages(7, 19) },
  'spongy-moth': { 'foliar spray': heat('spongy-moth-hatch', 21) },
  'web-tent-caterpillars': { 'foliar spray': heat('tent-caterpillar-hatch', 35) },
  'codling-moth': { 'foliar spray': heat('codling-moth-hatch', 21) },
  'san-jose-scale': { 'dormant spray': stages(1, 7), 'foliar spray': heat('san-jose-crawlers', 21) },
  'oystershell-scale': { 'foliar spray': heat('oystershell-crawlers', 14) },
  'euonymus-scale': { 'foliar spray': heat('euonymus-scale-crawlers', 14) },
};
