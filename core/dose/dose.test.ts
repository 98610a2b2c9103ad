import fc from 'fast-check';
import { bandArea, splitPasses, waterDepth } from '../basin/basin';
import { trainingLabels } from '@/knowledge';
import { perDiameter, rate, relative, testLabel } from '../testing';
import { CM_PER_IN, ML_PER_FL_OZ, toBase } from '../../lib/units/units';
import type { Label } from '../label/schema';
import { dose, type Dose, type DoseInput } from './dose';

const work = (label: Label, input: Partial<DoseInput>): Dose => {
  const d = dose({ label, useKey: 'use', diameters: [40], vessels: [], ...input });
  if (!d.ok) throw new Error(d.issues[0]!.message);
  return d;
};
const near = (a: number, b: number) => expect(relative(a, b)).toBeLessThan(1e-9);
const single = (value: number, unit = 'mL') => ({ kind: 'single', value, unit });
const classes = (boundary: string, bands: [number, number | null, number][]) => ({
  by: 'diameter',
  unit: 'cm',
  boundary,
  bands: bands.map(([over, upTo, value]) => ({ over, upTo, entry: single(value) })),
});
const table = (boundary: string) =>
  testLabel({
    rate: {
      ...rate({ per: 'tree' }, single(1)),
      dose: {
        form: 'classes',
        classes: classes(boundary, [
          [20, 30, 40],
          [30, 40, 60],
        ]),
      },
    },
  });

describe('the worked figures of label rates', () => {
  it('per diameter, in a class above 15 in: 0.30 fl oz/in', () => {
    const label = testLabel({
      rate: {
        ...perDiameter(0.3, 'fl oz', 1, 'in'),
        dose: {
          form: 'classes',
          classes: {
            by: 'diameter',
            unit: 'in',
            boundary: 'smaller-class',
            bands: [
              { over: 0, upTo: 15, entry: single(0.2, 'fl oz') },
              { over: 15, upTo: null, entry: single(0.3, 'fl oz') },
            ],
          },
        },
      },
    });
    const d = work(label, { diameters: [17.3 * CM_PER_IN] });
    near(d.exact, 153.486618429375);
    near(d.exact / ML_PER_FL_OZ, 5.19);
  });
  it('per girth: 14 mL per 10 cm', () =>
    near(
      work(testLabel({ rate: rate({ per: 'girth', each: { value: 10, unit: 'cm' } }, single(14)) }), {
        diameters: [137 / Math.PI],
      }).exact,
      191.8,
    ));
  it('stock solution: 9 mL/cm of 250 in 1,500 mL', () => {
    const label = testLabel(
      { rate: rate({ per: 'diameter', each: { value: 1, unit: 'cm' } }, single(9), { of: 'stock' }) },
      { stock: { concentrate: { value: 250, unit: 'mL' }, madeUpTo: { value: 1500, unit: 'mL' }, text: 'Make up.' } },
    );
    const d = work(label, { diameters: [31.2] });
    near(d.stockMl!, 280.8);
    near(d.exact, 46.8);
    near(d.actives[0]!.grams, 11.232);
  });
  it('class table: the class of the size, and the lower dose on an unanswered boundary', () => {
    expect(work(table('smaller-class'), { diameters: [25] }).exact).toBe(40);
    expect(work(table('larger-class'), { diameters: [30] }).exact).toBe(60);
    expect(work(table('smaller-class'), { diameters: [30] }).exact).toBe(40);
    const open = work(table('unanswered'), { diameters: [30] });
    expect(open.exact).toBe(40);
    expect(open.notes.join()).toMatch(/lower dose holds/);
    expect(dose({ label: table('smaller-class'), useKey: 'use', diameters: [41], vessels: [] }).ok).toBe(false);
  });
  it('per site, and g of active', () => {
    const sites = {
      count: { rule: 'per-diameter', each: { value: 2, unit: 'in' } },
      drillMm: 6,
      depthMm: 20,
      heightCm: 20,
      minSpacingCm: 8,
      text: 'Every 2 in.',
    };
    const injected = work(testLabel({ method: 'trunk-injection', sites, rate: rate({ per: 'site' }, single(12)) }), {
      diameters: [46.2],
    });
    expect(injected.sites!.count).toBe(10);
    near(injected.exact, 120);
    near(
      work(
        testLabel({
          rate: rate({ per: 'diameter', each: { value: 1, unit: 'cm' } }, single(0.12, 'g'), { of: 'active' }),
        }),
        { diameters: [40] },
      ).exact,
      (0.12 * 40) / 0.24,
    );
  });
  it('per area, per hole and by spray volume', () => {
    near(
      work(
        testLabel({ rate: rate({ per: 'area', each: { value: 1, unit: 'ha' }, ground: 'treated' }, single(2, 'L')) }),
        { areaM2: 500 },
      ).exact,
      100,
    );
    near(
      work(testLabel({ method: 'soil-injection', rootzone: { text: 'x' }, rate: rate({ per: 'hole' }, single(250)) }), {
        holes: 12,
      }).exact,
      3000,
    );
    near(
      work(
        testLabel({
          method: 'foliar-spray',
          rate: rate({ per: 'spray-volume', each: { value: 100, unit: 'gal' } }, single(16, 'fl oz')),
        }),
        {
          sprayVolumeMl: toBase(25, 'gal'),
        },
      ).exact,
      4 * ML_PER_FL_OZ,
    );
  });
  it('pour band, water depth, passes', () => {
    near(bandArea(46.2, 15, 45), 1.00091141943371);
    near(waterDepth(8000, bandArea(46.2, 15, 45)), 7.9927152839621);
    expect(splitPasses(7.99, 13)).toMatchObject({ passes: 2 });
    expect(splitPasses(7.99, 30)).toMatchObject({ passes: 1, waitMinutes: 0 });
  });
  it('per-area cap: 279 g on 0.62 ha is the 24th tree, not the 25th', () => {
    const label = testLabel({
      rate: perDiameter(46.8, 'mL', 31.2, 'cm'),
      limits: [
        {
          limit: 'per-area-year',
          active: 'testide',
          amount: { value: 450, unit: 'g' },
          each: { value: 1, unit: 'ha' },
          text: 'Cap.',
        },
      ],
    });
    const given = (trees: number) =>
      work(label, { diameters: [31.2], siteAreaM2: 6200, siteYearActive: { testide: 11.232 * trees } });
    expect(given(23).binding).toBeNull();
    expect(given(24).binding?.limit).toBe('per-area-year');
    expect(dose({ label, useKey: 'use', diameters: [31.2], vessels: [] })).toMatchObject({
      ok: false,
      issues: [{ path: 'siteAreaM2' }],
    });
  });
  it('several stems by the label’s rule, each as a tree or as one', () => {
    const by = (stems: string) =>
      work(testLabel({ rate: { ...perDiameter(1, 'mL', 1, 'cm'), stems } }), { diameters: [18.4, 22.1, 9.7] }).exact;
    near(by('sum'), 50.2);
    near(by('basal-area'), 30.3489703284971);
    near(by('each'), 50.2);
  });
});

// Any rate, any limits, any vessels, in either unit system.
const anyUnit = fc.constantFrom('mL', 'L', 'fl oz', 'tsp', 'gal');
const anyLabel = fc
  .record({
    basis: fc.constantFrom(
      { per: 'diameter', each: { value: 1, unit: 'in' } },
      { per: 'girth', each: { value: 10, unit: 'cm' } },
      { per: 'tree' },
      { per: 'site' },
      { per: 'area', each: { value: 1000, unit: 'm²' }, ground: 'treated' },
    ),
    value: fc.double({ min: 0.01, max: 40, noNaN: true }),
    unit: anyUnit,
    range: fc.option(fc.double({ min: 1.01, max: 4, noNaN: true }), { nil: null }),
    of: fc.constantFrom('product', 'stock'),
    limit: fc.double({ min: 0.5, max: 3000, noNaN: true }),
    kind: fc.constantFrom('per-tree', 'per-application', 'per-tree-year'),
  })
  .map((x) => {
    const area = x.basis.per === 'area';
    const basis = area ? { per: 'area', each: { value: 1, unit: 'ha' }, ground: 'treated' } : x.basis;
    const point = x.range
      ? { kind: 'range', low: x.value, high: x.value * x.range, unit: x.unit }
      : { kind: 'single', value: x.value, unit: x.unit };
    const sites = {
      count: { rule: 'per-girth', each: { value: 15, unit: 'cm' } },
      drillMm: 6,
      depthMm: 20,
      heightCm: 20,
      minSpacingCm: 5,
      text: 'Every 15 cm.',
    };
    return testLabel(
      {
        method: x.basis.per === 'site' ? 'trunk-injection' : 'soil-drench',
        ...(x.basis.per === 'site' ? { sites } : {}),
        rate: rate(basis, point, { of: x.of }),
        limits: [{ limit: x.kind, of: 'product', amount: { value: x.limit, unit: 'mL' }, text: 'Limit.' }],
      },
      { stock: { concentrate: { value: 1, unit: 'L' }, madeUpTo: { value: 5, unit: 'L' }, text: 'One to five.' } },
    );
  });
const anyVessels = fc
  .array(
    fc.record({
      capacity: fc.double({ min: 1, max: 20_000, noNaN: true }),
      share: fc.double({ min: 0.001, max: 1, noNaN: true }),
    }),
    { maxLength: 5 },
  )
  .map((vs) =>
    vs.map((v, i) => ({
      id: String(i),
      name: `vessel ${i}`,
      dimension: 'volume' as const,
      capacity: v.capacity,
      graduation: v.capacity * v.share,
    })),
  );
const anyInput = fc.record({
  d: fc.double({ min: 1, max: 250, noNaN: true }),
  at: fc.double({ min: 0, max: 1, noNaN: true }),
  before: fc.double({ min: 0, max: 3000, noNaN: true }),
  vessels: anyVessels,
});

describe('for any label, tree and vessel', () => {
  it('nothing yields more than the label’s maximum, after rounding, in either unit system', () => {
    fc.assert(
      fc.property(anyLabel, anyInput, (label, x) => {
        const input: DoseInput = {
          label,
          useKey: 'use',
          diameters: [x.d],
          rangePoint: x.at,
          vessels: x.vessels,
          areaM2: 300,
          treeYearProduct: x.before,
          applicationProduct: x.before,
        };
        const d = dose({ ...input, system: 'metric' });
        const us = dose({ ...input, system: 'us' });
        expect(us.ok).toBe(d.ok);
        const l = label.uses[0]!.limits[0]! as { limit: string; amount: { value: number } };
        const left = l.amount.value - (l.limit === 'per-tree' ? 0 : x.before);
        if (!d.ok || !us.ok) return expect(left).toBeLessThanOrEqual(0);
        expect(us.product).toBe(d.product);
        expect(d.product).toBeGreaterThan(0);
        expect(d.product).toBeLessThanOrEqual(left * (1 + 1e-9));
        expect(d.product).toBeLessThanOrEqual(d.range.high * (1 + 1e-9));
        // What is poured adds up to what is booked.
        const poured =
          d.pour.amount * (d.pour.per === 'site' ? d.sites!.count : 1) * (d.pour.what === 'stock' ? 0.2 : 1);
        expect(poured).toBeLessThanOrEqual(left * (1 + 1e-9));
        expect(relative(d.product, poured)).toBeLessThan(1e-9);
        if (d.pour.vessel) {
          const { vessel, fullFills, lastMark, amount } = d.pour;
          const full = Math.floor(vessel.capacity / vessel.graduation + 1e-9) * vessel.graduation;
          expect(amount).toBeCloseTo(Math.min(amount, fullFills * full + lastMark), 6);
          expect(Math.abs(lastMark / vessel.graduation - Math.round(lastMark / vessel.graduation))).toBeLessThan(1e-6);
        }
        if (d.binding) expect(d.bounds.filter((b) => b.bound)).toHaveLength(1);
      }),
      { numRuns: 600 },
    );
  });

  it('grows with the trunk within a class', () => {
    fc.assert(
      fc.property(
        anyLabel,
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        (label, d, more) => {
          const of = (diameter: number) => {
            const r = dose({ label, useKey: 'use', diameters: [diameter], vessels: [], areaM2: 300 });
            return r.ok ? r.limited : Infinity;
          };
          expect(of(d + more)).toBeGreaterThanOrEqual(of(d) * (1 - 1e-9));
        },
      ),
    );
  });

  it.each([[[]], [[-3]], [[NaN]], [[3e9]], [[Infinity]]])('refuses stems %p with a sentence', (diameters) =>
    expect(dose({ label: testLabel({}), useKey: 'use', diameters, vessels: [] })).toMatchObject({
      ok: false,
      issues: [{ path: 'diameters' }],
    }),
  );
});

describe('what is not a number', () => {
  const label = testLabel({ rate: perDiameter(3, 'mL', 1, 'cm') });
  it.each([
    ['a year’s product', { treeYearProduct: NaN }],
    ['a job’s product', { applicationProduct: Infinity }],
    ['the site’s area', { siteAreaM2: NaN }],
    ['the ground', { areaM2: NaN }],
    ['what others put down', { siteYearActive: { testide: NaN } }],
    ['what the tree has had', { treeYearActive: { testide: -Infinity } }],
    ['a place in a range', { rangePoint: NaN }],
  ])('%s: nothing is dosed', (_, more) => {
    expect(dose({ label, useKey: 'use', diameters: [40], vessels: [], ...more })).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringMatching(/not a number/) }],
    });
  });
  it('a name that every record has is no amount', () => {
    expect(() => testLabel({ key: 'constructor' })).toThrow(/this name cannot be used/);
    const odd = testLabel(
      {
        rate: perDiameter(3, 'mL', 1, 'cm'),
        limits: [
          {
            limit: 'per-area-year',
            active: 'constructor',
            amount: { value: 1, unit: 'kg' },
            each: { value: 1, unit: 'ha' },
            text: 'x',
          },
        ],
      },
      { actives: [{ name: 'constructor', gPerL: 100, group: { scheme: 'none', code: '' }, family: 'x' }] },
    );
    const d = dose({ label: odd, useKey: 'use', diameters: [40], vessels: [], siteAreaM2: 10_000, siteYearActive: {} });
    expect(d).toMatchObject({ ok: true });
    if (d.ok) expect(d.product).toBeGreaterThan(0);
  });
});

describe('the rest of a dose that did not go in', () => {
  it('is its part of everything, on every shipped use; with what went in it never comes to more than the whole', () => {
    for (const label of trainingLabels)
      for (const use of label.uses)
        fc.assert(
          fc.property(fc.integer({ min: 8, max: 90 }), fc.double({ min: 0.1, max: 0.9, noNaN: true }), (cm, part) => {
            const input = {
              label,
              useKey: use.key,
              diameters: [cm],
              vessels: [],
              areaM2: 4,
              holes: 20,
              sprayVolumeMl: 9000,
            };
            const common = { ...input, siteAreaM2: 1e6 };
            const [whole, rest] = [dose(common), dose({ ...common, part })];
            if (!whole.ok) return;
            if (!rest.ok) throw new Error(`${label.key} ${use.key}: ${rest.issues[0]!.message}`);
            expect(relative(rest.exact, whole.exact * part)).toBeLessThan(1e-9);
            expect(rest.limited).toBeLessThanOrEqual(whole.limited * (1 + 1e-9));
            // What the whole was capped to, the rest may reach only in part of the uncapped.
            if (relative(whole.limited, whole.exact) < 1e-9)
              expect(rest.product).toBeLessThanOrEqual(whole.product * (1 + 1e-9));
            if (rest.carrier && whole.carrier && !('sites' in use && use.sites?.count.rule === 'volume-per-device'))
              expect(rest.carrier.totalMl).toBeLessThanOrEqual(whole.carrier.totalMl * (1 + 1e-9));
          }),
          { numRuns: 20 },
        );
  });
  it.each([0, -0.5, 1.01, Number.NaN, Infinity])('a part of %p is no rest', (part) => {
    const label = trainingLabels[0]!;
    expect(dose({ label, useKey: label.uses[0]!.key, diameters: [40], vessels: [], part })).toMatchObject({
      ok: false,
    });
  });
});
