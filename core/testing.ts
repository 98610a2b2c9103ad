import { labelSchema, type Label } from './label/schema';
import type { RingInput } from './ring/ring';

/** Parts for tests: a label built from what a test is about, everything else harmless. */
export const relative = (a: number, b: number) => Math.abs(a - b) / Math.max(1e-300, Math.abs(b));

type LabelInput = Parameters<typeof labelSchema.parse>[0] & object;

/** A one-use label; `use` and `rest` overwrite the harmless defaults. Goes through the schema like any other. */
export function testLabel(use: object, rest: object = {}): Label {
  const input: LabelInput = {
    format: 'elmhorn-label',
    formatVersion: 1,
    key: 'test',
    version: 1,
    name: 'Test label',
    training: true,
    registration: 'T-1',
    formulation: 'SL',
    signalWord: 'none',
    restricted: false,
    beeHazard: 'none',
    systemic: true,
    actives: [{ name: 'testide', gPerL: 240, group: { scheme: 'IRAC', code: '4A' }, family: 'test' }],
    uses: [
      {
        key: 'use',
        title: 'Test use',
        method: 'soil-drench',
        hosts: ['elm'],
        targets: ['elm-leaf-beetle'],
        purpose: 'both',
        rate: perDiameter(1, 'mL', 1, 'cm'),
        carrier: { kind: 'none' },
        intervals: { reEntryHours: 0, text: 'none' },
        protection: ['Gloves'],
        ...use,
      },
    ],
    ...rest,
  };
  return labelSchema.parse(input);
}

export const rate = (basis: object, point: object, more: object = {}) => ({
  of: 'product',
  basis,
  dose: { form: 'flat', point },
  stems: 'sum',
  measuredAt: 'breast-height',
  text: 'As the test says.',
  ...more,
});
export const perDiameter = (value: number, unit: string, each: number, eachUnit: string) =>
  rate({ per: 'diameter', each: { value: each, unit: eachUnit } }, { kind: 'single', value, unit });

/** Ten sites on sound bark of a trunk of 145 cm girth. */
export const soundRing: RingInput = {
  girthCm: 145,
  count: 10,
  heightCm: 20,
  year: 2026,
  minSpacingCm: 5,
  arcClearanceCm: 5,
  oldSiteClearanceCm: 5,
  oldSiteVerticalCm: 30,
  oldSiteYears: 5,
  arcs: [],
  oldSites: [],
};
