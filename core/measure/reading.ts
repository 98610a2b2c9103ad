import type { Issue } from '../../lib/result';
import { z } from 'zod';
import { uuid } from '@/lib/ids';
import type { Flare } from './trunk-marks';
import type { Arc } from './trunk-marks';
import { numberAt, typed } from '../../lib/units/typed';
import { LENGTH } from '../../lib/units/units';
import { combinedDiameter, stemDiameters, type StemReading } from './trunk';

const lengthUnits = Object.keys(LENGTH) as [keyof typeof LENGTH];

/** A reading as it was typed at the trunk: every stem, the height it was read at, what was in the way. */
export const typedReading = z.object({
  id: uuid,
  treeId: uuid,
  stems: z
    .array(z.object({ kind: z.enum(['girth', 'diameter']), value: typed, unit: z.enum(lengthUnits) }))
    .min(1, 'Measure at least one stem.')
    .max(12, 'More than twelve stems: measure the largest twelve.'),
  atHeight: typed,
  height: typed,
  heightUnit: z.enum(['m', 'ft']),
  /** In the unit of the height. */
  crownWidth: typed,
  crownBase: typed,
  flares: z
    .array(z.strictObject({ bearing: z.number().min(0).max(360), strength: z.number().min(0).max(1) }))
    .max(24, 'At most 24 flares.'),
  atHeightUnit: z.enum(['cm', 'in']),
  /** Empty for a straight grain. */
  grain: typed,
  obstacles: z.string().max(500, 'At most 500 characters.'),
  arcs: z
    .array(z.object({ kind: z.enum(['wound', 'dead-bark', 'canker', 'valley', 'inclusion']), from: typed, to: typed }))
    .max(24),
  method: z.enum(['tape', 'diameter tape', 'sent by tape']),
});
export type TypedReading = z.output<typeof typedReading>;

/** A reading in the units of the house. */
export interface ReadReading {
  diameterCm: number;
  atHeightCm: number;
  stems: StemReading[];
  treeHeightM: number | null;
  crownWidthM: number | null;
  crownBaseM: number | null;
  obstacles: string;
  arcs: Arc[];
  flares: Flare[];
  grainDeg: number;
  method: string;
}

/** Reads what was typed at the trunk; every fault with its place. */
export function readReading(m: TypedReading): { ok: true; value: ReadReading } | { ok: false; issues: Issue[] } {
  const issues: Issue[] = [];
  const stems = m.stems.map((s, i) => {
    const max = Math.round((s.kind === 'girth' ? 3000 : 1000) / LENGTH[s.unit]);
    const value = numberAt(issues, `stems.${i}`, s.value, {
      name: s.kind === 'girth' ? 'The girth' : 'The diameter',
      above: 0,
      max,
      unit: s.unit,
    });
    return { kind: s.kind, typed: { value: value ?? 0, unit: s.unit } };
  });
  const atHeight = numberAt(
    issues,
    'atHeight',
    m.atHeight,
    m.atHeightUnit === 'cm'
      ? { name: 'The height of measurement', min: 0, max: 300, unit: 'cm' }
      : { name: 'The height of measurement', min: 0, max: 118, unit: 'in' },
  );
  const height = numberAt(
    issues,
    'height',
    m.height,
    m.heightUnit === 'm'
      ? { name: 'The tree’s height', above: 0, max: 130, unit: 'm' }
      : { name: 'The tree’s height', above: 0, max: 426, unit: 'ft' },
    true,
  );
  const large = m.heightUnit === 'm' ? 1 : 100 / LENGTH.ft;
  const crownWidth = numberAt(
    issues,
    'crownWidth',
    m.crownWidth,
    { name: 'The crown’s width', above: 0, max: Math.round(60 * large), unit: m.heightUnit },
    true,
  );
  const crownBase = numberAt(
    issues,
    'crownBase',
    m.crownBase,
    { name: 'The height of the lowest leaves', min: 0, max: Math.round(100 * large), unit: m.heightUnit },
    true,
  );
  const grainDeg = numberAt(
    issues,
    'grain',
    m.grain,
    { name: 'The spiral of the grain', min: -180, max: 180, unit: '°', whole: true },
    true,
  );
  if (height !== null && crownBase !== null && crownBase >= height)
    issues.push({ path: 'crownBase', message: 'The lowest leaves hang below the top of the tree.' });
  const arcs = m.arcs.map((a, i) => {
    const rule = { name: 'A bearing', min: 0, max: 360, unit: '°' };
    return {
      kind: a.kind,
      from: numberAt(issues, `arcs.${i}`, a.from, rule) ?? 0,
      to: numberAt(issues, `arcs.${i}`, a.to, rule) ?? 0,
    };
  });
  if (issues.length) return { ok: false, issues };
  return {
    ok: true,
    value: {
      diameterCm: combinedDiameter(stemDiameters(stems), 'basal-area'),
      atHeightCm: atHeight! * LENGTH[m.atHeightUnit],
      stems,
      treeHeightM: height === null ? null : (height * LENGTH[m.heightUnit]) / 100,
      crownWidthM: crownWidth === null ? null : crownWidth / large,
      crownBaseM: crownBase === null ? null : crownBase / large,
      obstacles: m.obstacles,
      arcs,
      flares: m.flares,
      grainDeg: grainDeg ?? 0,
      method: m.method,
    },
  };
}
