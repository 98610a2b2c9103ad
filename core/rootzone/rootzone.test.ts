import fc from 'fast-check';
import { feed, feedingDoubts } from './feeding';
import { covers, inside, probeGrid, ringArea } from './probe-grid';
import { irrigate, nextWater, wateringOf, WATER_TO_CM } from './water';
import { anchorage, girdlingCut, mulchRing, rootZoneRadius, trenches } from './zone';

it('the worked ring and its fertiliser', () => {
  expect(ringArea(0.6, 5.5)).toBeCloseTo(93.9022044157989, 9);
  expect(feed(ringArea(0.6, 5.5), 10, { n: 0.18, p2o5: 0, k2o: 0 }).fertiliser).toBeCloseTo(5216.7891231, 4);
  const f = feed(100, 10, { n: 0.1, p2o5: 0.05, k2o: 0.08 });
  expect(f.phosphorus * 2.2915).toBeCloseTo(500, 9);
  expect(f.potassium * 1.2046).toBeCloseTo(800, 9);
});

const box = (x: number, y: number, w: number, h: number) => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];
it('probe holes never lie on paving, outside the grounds, in the trunk or nearer than the spacing', () => {
  const at = fc.double({ min: -6, max: 6, noNaN: true });
  const size = fc.double({ min: 0.5, max: 6, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(at, at, size, size), { maxLength: 4 }),
      fc.tuple(at, at, size, size),
      fc.double({ min: 0.6, max: 0.9, noNaN: true }),
      fc.constantFrom('square' as const, 'triangular' as const),
      (paved, [ox, oy, ow, oh], spacingM, pattern) => {
        const kept = paved.map((p) => ({ corners: box(...p) }));
        const outline = box(ox - 3, oy - 3, ow + 6, oh + 6);
        const g = probeGrid({ trunk: { x: 0, y: 0 }, innerM: 0.6, outerM: 5, spacingM, pattern, outline, kept });
        for (const h of g.holes) {
          expect(inside(h, outline)).toBe(true);
          expect(kept.some((k) => covers(k, h))).toBe(false);
          expect(Math.hypot(h.x, h.y)).toBeGreaterThanOrEqual(0.6 - 1e-9);
          expect(Math.hypot(h.x, h.y)).toBeLessThanOrEqual(5 + 1e-9);
        }
        for (let i = 1; i < g.holes.length; i++)
          for (let j = 0; j < i; j++)
            expect(Math.hypot(g.holes[i]!.x - g.holes[j]!.x, g.holes[i]!.y - g.holes[j]!.y)).toBeGreaterThan(
              spacingM - 1e-6,
            );
        const whole = probeGrid({ trunk: { x: 0, y: 0 }, innerM: 0.6, outerM: 5, spacingM, pattern, kept: [] });
        expect(g.holes.length + g.dropped.reduce((a, d) => a + d.count, 0)).toBe(whole.holes.length);
      },
    ),
    { numRuns: 60 },
  );
});
it('a triangular pattern covers its ring', () => {
  const g = probeGrid({
    trunk: { x: 3, y: 4 },
    innerM: 0.6,
    outerM: 5.5,
    spacingM: 0.75,
    pattern: 'triangular',
    kept: [],
  });
  expect(g.coveredM2 / ringArea(0.6, 5.5)).toBeGreaterThan(0.93);
  expect(g.coveredM2 / ringArea(0.6, 5.5)).toBeLessThan(1.07);
});

it('feeding waits for water, season and age', () => {
  const fair = {
    release: 'quick',
    month: 4,
    young: false,
    drought: false,
    hot: false,
    soilDry: false,
    tested: true,
  } as const;
  expect(feedingDoubts(fair)).toEqual([]);
  const first = (f: object) => feedingDoubts({ ...fair, ...f })[0]?.sentence ?? '';
  expect(first({ month: 7 })).toMatch(/spring or autumn/);
  expect(first({ month: 7, release: 'slow' })).toBe('');
  expect(first({ month: 10, southern: true })).toBe('');
  expect(first({ month: 10, young: true, release: 'slow' })).toMatch(/spring only/);
  expect(first({ drought: true })).toMatch(/drought/);
  expect(first({ soilDry: true })).toMatch(/dry soil/);
  expect(first({ tested: false })).toMatch(/guess/);
});

it('root zone, trenches, collar and mulch', () => {
  expect(rootZoneRadius(50, '12')).toBe(6);
  expect(rootZoneRadius(50, '18')).toBe(9);
  const t = trenches({ count: 6, startM: 1.5, endM: 6, widthM: 0.2, depthM: 0.3, zoneM: 6 })!;
  expect(t.totalLengthM).toBeCloseTo(27, 9);
  expect(t.backfillM3).toBeCloseTo(1.62, 9);
  expect(t.shareOfZone).toBeCloseTo(5.4 / (Math.PI * 36), 9);
  expect(trenches({ count: 40, startM: 1.5, endM: 6, widthM: 0.2, depthM: 0.3, zoneM: 6 })!.sentence).toMatch(
    /quarter/,
  );
  expect(trenches({ count: 6, startM: 6, endM: 6, widthM: 1, depthM: 1, zoneM: 6 })).toBeNull();
  expect(mulchRing({ diameter: 40, outerM: 1.5, depth: 12 })).toBeNull();
  expect(mulchRing({ diameter: 40, outerM: 1.5, depth: 8 })!.m3).toBeCloseTo(Math.PI * (1.5 ** 2 - 0.3 ** 2) * 0.08, 9);
  expect(
    anchorage([
      { bearing: 0, state: 'decayed' },
      { bearing: 90, state: 'sound' },
    ]).callAssessor,
  ).toBe(true);
  expect(anchorage([{ bearing: 0, state: 'sound' }]).callAssessor).toBe(false);
  expect(girdlingCut({ diameter: 4, shareOfGirth: 0.2, grownIn: false }, 40).when).toBe('now');
  expect(girdlingCut({ diameter: 4, shareOfGirth: 0.2, grownIn: true }, 40).when).toBe('in stages');
  expect(girdlingCut({ diameter: 15, shareOfGirth: 0.2, grownIn: true }, 40).when).toBe('leave');
});

it('irrigation: litres over the wetted ground are millimetres, and the pipe carries so many emitters', () => {
  const i = irrigate({ emitters: 8, flowLh: 4, hours: 3, wettedM2: 6, texture: 'loam', supplyLh: 30 });
  expect(i).toMatchObject({ litres: 96, mm: 16, flowLh: 32, carried: 7, fits: false, runs: 1 });
  expect(irrigate({ emitters: 8, flowLh: 4, hours: 3, wettedM2: 6, texture: 'clay', supplyLh: 40 })).toMatchObject({
    fits: true,
    runs: 2,
  });
  expect(nextWater('2026-07-01', 16, 4).day).toBe('2026-07-09');
});

it('water is for the size of the tree: its ball while it is young, half the ground below the crown later', () => {
  expect(wateringOf(5, null)).toEqual({ wettedM2: 0.3, emitters: 1 });
  expect(wateringOf(40, 12)).toEqual({ wettedM2: 56.5, emitters: 76 });
  // A crown says nothing of the roots of a tree that was just planted.
  expect(wateringOf(5, 4)).toEqual(wateringOf(5, null));
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 200, noNaN: true }),
      fc.double({ min: 1, max: 50, noNaN: true }),
      (cm, more) => {
        const [small, large] = [wateringOf(cm, null), wateringOf(cm + more, null)];
        expect(large.wettedM2).toBeGreaterThanOrEqual(small.wettedM2);
        expect(small.emitters).toBeGreaterThanOrEqual(1);
        // Young trees get the 10 to 25 L for each cm of trunk that planters give.
        if (cm > 3 && cm <= 10) {
          const litres = (WATER_TO_CM / 10) * 15 * small.wettedM2;
          expect(litres / cm).toBeLessThan(25);
        }
      },
    ),
  );
});
