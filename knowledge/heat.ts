import { z } from 'zod';
import { heatModelSchema, type HeatModel } from '@/core/season/heat-schema';

const SINE = 'extension services, single sine; confirm with what is seen on the place';
const LESS_SURE = 'extension services, single sine; their figures lie a tenth apart: watch for it on the place';
const model = (
  id: string,
  what: string,
  condition: string | null,
  base: number | [number, number],
  from: string,
  sum: number,
  hosts: string[] = [],
): z.input<typeof heatModelSchema> => ({
  id,
  what,
  condition,
  hosts,
  baseC: Array.isArray(base) ? base[0] : base,
  ...(Array.isArray(base) ? { ceilingC: base[1] } : {}),
  method: 'single-sine',
  from,
  sum,
  basis: SINE,
});

export const heatModels: readonly HeatModel[] = z.array(heatModelSchema).parse([
  model('codling-moth-hatch', 'codling moth, egg hatch begins', 'codling-moth', [10, 31], 'first steady catch', 139),
  model('san-jose-crawlers', 'San José scale, crawlers', 'san-jose-scale', [10.6, 32], 'first males caught', 225),
  model('ash-borer-first', 'emerald ash borer, first adults', 'emerald-ash-borer', 10, 'new year', 250),
  model('ash-borer-peak', 'emerald ash borer, peak of adults', 'emerald-ash-borer', 10, 'new year', 556),
  model('birch-borer-first', 'bronze birch borer, first adults', 'bronze-birch-borer', 10, 'new year', 306),
  model('spongy-moth-hatch', 'spongy moth, egg hatch', 'spongy-moth', 10, 'new year', 107),
  model('tent-caterpillar-hatch', 'eastern tent caterpillar, egg hatch', 'web-tent-caterpillars', 10, 'new year', 51, [
    'apple',
    'cherry',
    'plum',
    'hawthorn',
  ]),
  model('pine-sawfly-hatch', 'European pine sawfly, egg hatch', 'sawflies', 10, 'new year', 80, ['pine']),
  model('pine-needle-scale-crawlers', 'pine needle scale, first crawlers', 'pine-needle-scale', 10, 'new year', 166),
  model('oystershell-crawlers', 'oystershell scale, crawlers', 'oystershell-scale', 10, 'new year', 202),
  model('euonymus-scale-crawlers', 'euonymus scale, first crawlers', 'euonymus-scale', 10, 'new year', 296),
  model('red-scale-generation', 'California red scale, a generation', 'citrus-red-scale', 11.7, 'male flight', 611),
  {
    ...model('ash-clearwing-first', 'ash clearwing, first moths', 'ash-clearwing', 10, 'new year', 183),
    basis: LESS_SURE,
  },
  { ...model('bagworm-hatch', 'bagworm, egg hatch', 'bagworm', 10, 'new year', 333), basis: LESS_SURE },
  {
    ...model('apple-maggot-first', 'apple maggot, first flies', 'apple-maggot', 10, 'new year', 500),
    basis: LESS_SURE,
  },
]);
