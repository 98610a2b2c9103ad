import fc from 'fast-check';
import { perDiameter, rate, relative, testLabel } from '../testing';
import type { Label } from '../label/schema';
import { dose, type Dose, type DoseInput } from './dose';

const work = (label: Label, input: Partial<DoseInput> = {}): Dose => {
  const d = dose({ label, useKey: 'use', diameters: [40], vessels: [], ...input });
  if (!d.ok) throw new Error(d.issues[0]!.message);
  return d;
};
const refused = (label: Label, input: Partial<DoseInput> = {}) => {
  const d = dose({ label, useKey: 'use', diameters: [40], vessels: [], ...input });
  return d.ok ? [] : d.issues;
};
const cm = (value: number) => ({ value, unit: 'cm' });
const mL = (value: number) => ({ value, unit: 'mL' });
const litres = (value: number) => ({ value, unit: 'L' });
const oneMlPerCm = perDiameter(1, 'mL', 1, 'cm');

describe('carrier', () => {
  const withCarrier = (carrier: object) => work(testLabel({ rate: oneMlPerCm, carrier })).carrier;

  it('none: poured as it is', () => expect(withCarrier({ kind: 'none' })).toBeNull());
  it('fixed: the water is what is missing to the mark', () =>
    expect(withCarrier({ kind: 'fixed', volume: litres(5), text: 'Five litres.' })).toMatchObject({
      totalMl: 5000,
      waterMl: 4960,
    }));
  it('per size: half a litre for each 10 cm of girth', () =>
    expect(
      withCarrier({ kind: 'per-size', by: 'girth', each: cm(10), volume: litres(0.5), text: 'x' })!.totalMl,
    ).toBeCloseTo(Math.PI * 40 * 50, 9));
  it('by size class', () => {
    const classes = {
      by: 'diameter',
      unit: 'cm',
      boundary: 'smaller-class',
      bands: [
        { over: 0, upTo: 30, entry: litres(2) },
        { over: 30, upTo: null, entry: litres(4) },
      ],
    };
    expect(withCarrier({ kind: 'by-size', classes, text: 'x' })!.totalMl).toBe(4000);
  });
  it('enough to wet the basin: 10 mm on the band', () => {
    const c = withCarrier({ kind: 'wet-basin', mm: 10, innerCm: 15, outerCm: 45, text: 'x' })!;
    expect(c.mm).toBeCloseTo(10, 9);
    expect(c.totalMl).toBeCloseTo(Math.PI * (65 ** 2 - 35 ** 2), 6);
  });
  it('never less than the product itself', () => {
    const d = work(
      testLabel({ rate: perDiameter(1, 'L', 1, 'cm'), carrier: { kind: 'fixed', volume: litres(5), text: 'x' } }),
    );
    expect(d.carrier).toMatchObject({ totalMl: 40_000, waterMl: 0 });
  });
});

describe('limits', () => {
  const limits = (...list: object[]) =>
    testLabel({ rate: oneMlPerCm, limits: list.map((l) => ({ text: 'The label says so.', ...l })) });

  it('says which of several bound, and by its own words', () => {
    const d = work(
      limits(
        { limit: 'per-tree', of: 'product', amount: mL(30) },
        { limit: 'per-application', of: 'product', amount: mL(35) },
      ),
    );
    expect(d).toMatchObject({
      exact: 40,
      limited: 30,
      product: 30,
      binding: { limit: 'per-tree', bound: true, text: 'The label says so.' },
    });
    expect(d.bounds.map((b) => b.bound)).toEqual([true, false]);
  });
  it.each([
    ['per-tree', { treeYearProduct: 25, applicationProduct: 25 }, 30],
    ['per-tree-year', { treeYearProduct: 25 }, 5],
    ['per-application', { applicationProduct: 25 }, 5],
  ])('%s counts what it should', (limit, used, left) =>
    expect(work(limits({ limit, of: 'product', amount: mL(30) }), used).product).toBe(left),
  );
  it('used up is a refusal, not a zero', () =>
    expect(
      refused(limits({ limit: 'per-tree-year', of: 'product', amount: mL(30) }), { treeYearProduct: 30 })[0]!.path,
    ).toBe('limits.per-tree-year'));
  it('as active: 4.8 g of a 240 g/L product are 20 mL', () =>
    expect(work(limits({ limit: 'per-tree', of: 'active', amount: { value: 4.8, unit: 'g' } })).product).toBeCloseTo(
      20,
      9,
    ));
  it.each([
    ['min-size', 40.1, 'diameter', false],
    ['min-size', 40, 'diameter', true],
    ['max-size', 39.9, 'diameter', false],
    ['max-size', 40, 'diameter', true],
    ['min-size', 126, 'girth', false],
    ['max-size', 126, 'girth', true],
  ])('%s %d cm by %s: dosed %s', (limit, value, by, good) =>
    expect(refused(limits({ limit, by, size: cm(value) })).length === 0).toBe(good),
  );
  it('hand on from stem to stem when each is a tree of its own', () => {
    const label = testLabel({
      rate: { ...oneMlPerCm, stems: 'each' },
      limits: [{ limit: 'per-tree-year', of: 'product', amount: mL(50), text: 'x' }],
    });
    const d = work(label, { diameters: [30, 30] });
    expect(d.product).toBeCloseTo(50, 9);
    expect(d.steps.some((s) => s.what.startsWith('Stem 2'))).toBe(true);
  });
});

describe('a range', () => {
  const label = testLabel({
    rate: rate(
      { per: 'tree' },
      { kind: 'range', low: 10, high: 20, unit: 'mL', lowFor: 'young trees', highFor: 'old trees' },
    ),
  });
  it.each([
    [undefined, 10],
    [0.5, 15],
    [1, 20],
    [7, 20],
    [-1, 10],
  ])('at %s gives %d mL', (rangePoint, amount) => expect(work(label, { rangePoint }).exact).toBe(amount));
  it('keeps the reason for the point chosen', () =>
    expect(work(label, { rangePoint: 1, rangeReason: 'heavy attack' }).notes.join()).toContain(
      'High end of the label’s range: heavy attack',
    ));
});

describe('what is measured out', () => {
  const jug = { id: 'j', name: 'jug', dimension: 'volume' as const, capacity: 500, graduation: 25 };
  const syringe = { id: 's', name: 'syringe', dimension: 'volume' as const, capacity: 60, graduation: 1 };
  it('a single rate is rounded down to a mark of the vessel that reads it best', () => {
    const d = work(testLabel({ rate: oneMlPerCm }), { diameters: [46.2], vessels: [jug, syringe] });
    expect(d.pour).toMatchObject({ amount: 46, vessel: { id: 's' }, fullFills: 0, lastMark: 46 });
    expect(d.pour.differencePercent).toBeCloseTo((100 * -0.2) / 46.2, 9);
  });
  it('a larger amount fills the vessel several times', () =>
    expect(
      work(testLabel({ rate: perDiameter(4, 'mL', 1, 'cm') }), { diameters: [46.2], vessels: [syringe] }).pour,
    ).toMatchObject({ fullFills: 3, lastMark: 4, amount: 184 }));
  it('says so when no vessel reads it, and names a better one', () =>
    expect(work(testLabel({ rate: oneMlPerCm }), { diameters: [46.2], vessels: [jug] }).pour.advice).toMatch(
      /within 5 %: take one marked every \d/,
    ));
  it('a powder goes onto the scale, never into a jug', () => {
    const powder = testLabel(
      { rate: rate({ per: 'tree' }, { kind: 'single', value: 12.34, unit: 'g' }) },
      { actives: [{ name: 'testide', massFraction: 0.2, group: { scheme: 'none', code: '' }, family: 'test' }] },
    );
    const d = work(powder, {
      vessels: [jug, { id: 'b', name: 'scale', dimension: 'mass', capacity: 200, graduation: 0.1 }],
    });
    expect(d.pour).toMatchObject({ vessel: { id: 'b' } });
    expect(d.pour.amount).toBeCloseTo(12.3, 9);
    expect(d.actives[0]!.grams).toBeCloseTo(2.46, 9);
  });
  it('an injection without carrier is measured for one site', () => {
    const sites = {
      count: { rule: 'volume-per-device', volume: mL(10) },
      drillMm: 6,
      depthMm: 20,
      heightCm: 20,
      minSpacingCm: 5,
      text: 'x',
    };
    const d = work(testLabel({ method: 'trunk-injection', sites, rate: oneMlPerCm }), {
      diameters: [46.2],
      vessels: [{ ...syringe, capacity: 10, graduation: 0.5 }],
    });
    expect(d.sites!.count).toBe(5);
    expect(d.pour).toMatchObject({ per: 'site', amount: 9 });
    expect(d.product).toBe(45);
    expect(d.perSite!.product).toBe(9);
  });
});

describe('what cannot be worked out names what is missing', () => {
  it.each([
    [
      'the treated area',
      rate({ per: 'area', each: { value: 1, unit: 'ha' }, ground: 'treated' }, { kind: 'single', value: 1, unit: 'L' }),
      'areaM2',
    ],
    ['the holes', rate({ per: 'hole' }, { kind: 'single', value: 1, unit: 'mL' }), 'holes'],
    [
      'the spray volume',
      rate({ per: 'spray-volume', each: litres(100) }, { kind: 'single', value: 1, unit: 'L' }),
      'sprayVolumeMl',
    ],
  ])('%s', (_, r, path) =>
    expect(
      refused(
        testLabel({ method: path === 'holes' ? 'soil-injection' : 'foliar-spray', rootzone: { text: 'x' }, rate: r }),
      )[0],
    ).toMatchObject({ path, message: expect.stringMatching(/\.$/) }),
  );
  it('an unknown use', () =>
    expect(dose({ label: testLabel({}), useKey: 'other', diameters: [40], vessels: [] })).toMatchObject({
      ok: false,
      issues: [{ path: 'useKey' }],
    }));
});

it('the steps add up: from the diameter to what is measured, each with its own result', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 6, max: 200, noNaN: true }),
      fc.double({ min: 0.1, max: 20, noNaN: true }),
      (d, each) => {
        const r = work(
          testLabel({
            rate: perDiameter(each, 'mL', 1, 'cm'),
            carrier: { kind: 'fixed', volume: litres(50), text: 'x' },
          }),
          {
            diameters: [d],
            vessels: [{ id: 'c', name: 'can', dimension: 'volume', capacity: 10_000, graduation: 0.01 }],
          },
        );
        const step = (what: string) => r.steps.find((s) => s.what === what)!.value;
        expect(relative(step('Diameter') * each, step('Product'))).toBeLessThan(1e-9);
        expect(step('Measured')).toBeLessThanOrEqual(step('Product'));
        expect(relative(step('Active, testide'), r.product * 0.24)).toBeLessThan(1e-9);
      },
    ),
  );
});
