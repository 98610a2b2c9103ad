import fc from 'fast-check';
import { relative, testLabel } from '../testing';
import { CM_PER_IN, ML_PER_FL_OZ, AREA } from '../../lib/units/units';
import { dose, type Dose } from './dose';

const vessels = [
  { id: 'a', name: 'syringe', dimension: 'volume' as const, capacity: 60, graduation: 1 },
  { id: 'b', name: 'jug', dimension: 'volume' as const, capacity: 2000, graduation: 20 },
];
const BASES = ['diameter', 'girth', 'tree', 'site', 'area', 'hole', 'spray-volume'] as const;
const anyForm = fc.record({
  per: fc.constantFrom(...BASES),
  form: fc.constantFrom('flat' as const, 'classes' as const),
  of: fc.constantFrom('product' as const, 'stock' as const),
  ranged: fc.boolean(),
  value: fc.double({ min: 0.05, max: 20, noNaN: true }),
  each: fc.double({ min: 1, max: 12, noNaN: true }),
  point: fc.double({ min: 0, max: 1, noNaN: true }),
  limit: fc.constantFrom(
    'none' as const,
    'per-tree' as const,
    'per-application' as const,
    'per-tree-year' as const,
    'per-area-year' as const,
  ),
  limitValue: fc.double({ min: 1, max: 400, noNaN: true }),
  used: fc.double({ min: 0, max: 30, noNaN: true }),
  boundary: fc.constantFrom('smaller-class' as const, 'larger-class' as const, 'unanswered' as const),
});
type Form = typeof anyForm extends fc.Arbitrary<infer T> ? T : never;

/** The same label written in metric or in US customary units. */
function labelOf(f: Form, us: boolean) {
  const length = (cm: number) => (us ? { value: cm / CM_PER_IN, unit: 'in' } : { value: cm, unit: 'cm' });
  const volume = (ml: number) => (us ? { value: ml / ML_PER_FL_OZ, unit: 'fl oz' } : { value: ml, unit: 'mL' });
  const point = (ml: number) => {
    const v = volume(ml);
    return f.ranged
      ? { kind: 'range', low: v.value, high: v.value * 1.7, unit: v.unit }
      : { kind: 'single', value: v.value, unit: v.unit };
  };
  const basis = {
    diameter: { per: 'diameter', each: length(f.each) },
    girth: { per: 'girth', each: length(f.each) },
    tree: { per: 'tree' },
    site: { per: 'site' },
    area: {
      per: 'area',
      each: us ? { value: f.each / AREA['ft²'], unit: 'ft²' } : { value: f.each, unit: 'm²' },
      ground: 'treated',
    },
    hole: { per: 'hole' },
    'spray-volume': {
      per: 'spray-volume',
      each: us ? { value: (f.each * 1000) / ML_PER_FL_OZ, unit: 'fl oz' } : { value: f.each, unit: 'L' },
    },
  }[f.per];
  const mark = length(40).value;
  const limit =
    f.limit === 'none'
      ? []
      : f.limit === 'per-area-year'
        ? [
            {
              limit: f.limit,
              active: 'testide',
              amount: { value: f.limitValue, unit: 'g' },
              each: us ? { value: 10_000 / AREA.acre, unit: 'acre' } : { value: 1, unit: 'ha' },
              text: 'x',
            },
          ]
        : [{ limit: f.limit, of: 'product', amount: volume(f.limitValue), text: 'x' }];
  return testLabel(
    {
      method: f.per === 'spray-volume' ? 'foliar-spray' : f.per === 'hole' ? 'soil-injection' : 'trunk-injection',
      rootzone: { text: 'x' },
      sites: {
        count: { rule: 'per-girth', each: length(12) },
        drillMm: 6,
        depthMm: 20,
        heightCm: 20,
        minSpacingCm: 5,
        text: 'x',
      },
      rate: {
        of: f.of,
        basis,
        dose:
          f.form === 'flat'
            ? { form: 'flat', point: point(f.value) }
            : {
                form: 'classes',
                classes: {
                  by: 'diameter',
                  unit: us ? 'in' : 'cm',
                  boundary: f.boundary,
                  bands: [
                    { over: 0, upTo: mark, entry: point(f.value) },
                    { over: mark, upTo: null, entry: point(f.value * 1.5) },
                  ],
                },
              },
        stems: 'sum',
        measuredAt: 'breast-height',
        text: 'x',
      },
      limits: limit,
    },
    { stock: { concentrate: volume(250), madeUpTo: volume(1500), text: 'x' } },
  );
}
const work = (f: Form, d: number, us: boolean, marks = vessels) =>
  dose({
    label: labelOf(f, us),
    useKey: 'use',
    diameters: [d],
    rangePoint: f.point,
    vessels: marks,
    areaM2: 3,
    holes: 40,
    sprayVolumeMl: 14_190,
    siteAreaM2: 6200,
    siteYearActive: { testide: f.used },
    treeYearProduct: f.used,
    applicationProduct: f.used,
    system: us ? 'us' : 'metric',
  });
const size = fc.double({ min: 6, max: 160, noNaN: true });
const ok = (r: ReturnType<typeof work>): r is Dose => r.ok;

it('never above the rate nor any limit once it is rounded to marks, whatever the form', () => {
  fc.assert(
    fc.property(anyForm, size, fc.boolean(), (f, d, us) => {
      const r = work(f, d, us);
      if (!ok(r)) return;
      expect(r.product).toBeLessThanOrEqual(r.range.high * (1 + 1e-12));
      for (const b of r.bounds) expect(r.product).toBeLessThanOrEqual(b.allows * (1 + 1e-12));
      if (!f.ranged) expect(r.product).toBeLessThanOrEqual(r.exact * (1 + 1e-12));
      expect(r.limited).toBeLessThanOrEqual(r.exact * (1 + 1e-12));
    }),
    { numRuns: 400 },
  );
});

it('comes out the same in metric and in US units', () => {
  fc.assert(
    fc.property(anyForm, size, (f, d) => {
      // On the very boundary of a class the last bit of a conversion decides; that is tested by itself.
      fc.pre(Math.abs(d - 40) > 1e-6);
      const [a, b] = [work(f, d, false, []), work(f, d, true, [])];
      expect(a.ok).toBe(b.ok);
      if (!ok(a) || !ok(b)) return;
      expect(relative(a.exact, b.exact)).toBeLessThan(1e-9);
      expect(relative(a.product, b.product)).toBeLessThan(1e-9);
      expect(a.sites?.count).toBe(b.sites?.count);
    }),
    { numRuns: 300 },
  );
});

it('never falls as the trunk grows within its class', () => {
  fc.assert(
    fc.property(anyForm, size, size, (f, d1, d2) => {
      const [small, large] = [Math.min(d1, d2), Math.max(d1, d2)];
      fc.pre(f.form === 'flat' || small > 40 || large < 40);
      const [a, b] = [work(f, small, false, []), work(f, large, false, [])];
      if (!ok(a) || !ok(b)) return;
      expect(b.exact).toBeGreaterThanOrEqual(a.exact * (1 - 1e-12));
    }),
    { numRuns: 300 },
  );
});

it('its parts add up: sites to the product, actives to their share, spray to water and product', () => {
  fc.assert(
    fc.property(anyForm, size, (f, d) => {
      const r = work(f, d, false);
      if (!ok(r)) return;
      if (r.perSite) expect(relative(r.perSite.product * r.sites!.count, r.product)).toBeLessThan(1e-12);
      expect(relative(r.actives[0]!.grams, r.product * 0.24)).toBeLessThan(1e-12);
      if (f.per === 'spray-volume' && f.of === 'product' && r.carrier!.waterMl > 0)
        expect(relative(r.carrier!.waterMl + r.product, r.carrier!.totalMl)).toBeLessThan(1e-12);
    }),
    { numRuns: 200 },
  );
});

/** A second, plain reckoning in millilitres, written from the label's own sentences and sharing nothing with the core. */
function plainly(f: Form, d: number): number | null {
  if (f.form === 'classes' && f.boundary === 'unanswered' && Math.abs(d - 40) < 1e-9) return null;
  const low = f.form === 'classes' && d > 40 ? 1.5 * f.value : f.value;
  const value = f.ranged ? low + f.point * (1.7 * low - low) : low;
  const girth = Math.PI * d;
  if (f.per === 'diameter') return (d / f.each) * value;
  if (f.per === 'girth') return (girth / f.each) * value;
  if (f.per === 'tree') return value;
  // One site for each 12 cm of girth begun.
  if (f.per === 'site') return Math.ceil(girth / 12 - 1e-9) * value;
  if (f.per === 'area') return (3 / f.each) * value;
  if (f.per === 'hole') return 40 * value;
  return (14_190 / (1000 * f.each)) * value;
}

it('agrees with a second, plain reckoning of every rate form, limits and actives included', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyForm, size, (f, d) => {
      const r = work(f, d, false, []);
      const rate = plainly(f, d);
      if (!ok(r) || rate === null) return;
      compared++;
      // A rate in stock holds 250 mL of concentrate in 1,500; limits are said of the product.
      const product = f.of === 'stock' ? rate / 6 : rate;
      expect(relative(r.exact, product)).toBeLessThan(1e-9);
      const most =
        f.limit === 'none'
          ? Infinity
          : f.limit === 'per-area-year'
            ? (0.62 * f.limitValue - f.used) / 0.24
            : f.limit === 'per-tree'
              ? f.limitValue
              : f.limitValue - f.used;
      expect(r.product).toBeLessThanOrEqual(Math.min(product, most) * (1 + 1e-9));
      expect(relative(r.product, Math.min(product, most))).toBeLessThan(1e-6);
      expect(relative(r.actives[0]!.grams, 0.24 * r.product)).toBeLessThan(1e-9);
    }),
    { numRuns: 2000 },
  );
  expect(compared).toBeGreaterThan(1000);
});
