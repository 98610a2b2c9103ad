import fc from 'fast-check';
import { soundRing } from '../testing';
import { woundBudget, yearsToClose } from './budget';
import { barredAt, moved, placeRing, sitesWithHeights, whyNotAt, type RingInput } from './ring';
import { uptake } from './uptake';

const bearing = fc.integer({ min: 0, max: 359 });
const apart = (a: number, b: number) => Math.min((a - b + 360) % 360, (b - a + 360) % 360);

it('is the best there is with flares and a suffering sector in the balance, found by trying every pair', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ bearing, strength: fc.constantFrom(0.5, 1) }), { minLength: 1, maxLength: 3 }),
      fc.record({ from: bearing, to: bearing, severity: fc.integer({ min: 1, max: 4 }) }),
      fc.integer({ min: 0, max: 90 }),
      (flares, sector, grainDeg) => {
        const input = {
          ...soundRing,
          girthCm: 60,
          count: 2,
          flares,
          sectors: [sector],
          grainDeg,
          weights: { flare: 0.4, sector: 0.3 },
        };
        const cost = (a: number, b: number) =>
          [a, b].reduce((sum, x) => sum + node(x), 0) +
          [apart(a, b), 360 - apart(a, b)].reduce((sum, g) => sum + (((g - 180) * 60) / 360) ** 2, 0);
        const half = 15;
        const node = (x: number) => {
          const cm = Math.min(...flares.map((f) => (apart(x, f.bearing) * 60) / 360 + (1 - f.strength) * half * 0.5));
          const width = sector.from === sector.to ? 360 : (sector.to - sector.from + 360) % 360;
          const suffers = (x - grainDeg - sector.from + 720) % 360 <= width;
          return 0.4 * Math.min(cm, half) ** 2 + (suffers ? 0 : 0.3 * half ** 2);
        };
        let best = Infinity;
        for (let a = 0; a < 360; a++)
          for (let b = a + 30; b <= a + 330 && b < 360; b++) best = Math.min(best, cost(a, b));
        const [a, b] = placeRing(input).sites;
        expect(cost(a!, b!)).toBeLessThanOrEqual(best + 1e-6);
      },
    ),
    { numRuns: 12 },
  );
});

it('takes its sites onto flares where that costs little evenness', () => {
  const flares = [10, 80, 150, 230, 310].map((b) => ({ bearing: b, strength: 1 }));
  const plain = placeRing({ ...soundRing, count: 5 });
  const drawn = placeRing({ ...soundRing, count: 5, flares });
  const off = (sites: number[]) => sites.reduce((s, b) => s + Math.min(...flares.map((f) => apart(b, f.bearing))), 0);
  expect(off(drawn.sites)).toBeLessThan(off(plain.sites) / 2);
});

it('a site moved by hand is refused on barred bark and beside its neighbour, and taken elsewhere', () => {
  fc.assert(
    fc.property(bearing, fc.integer({ min: 0, max: 9 }), bearing, (wound, index, to) => {
      const input: RingInput = { ...soundRing, arcs: [{ kind: 'wound', from: wound, to: (wound + 40) % 360 }] };
      const ring = placeRing(input);
      if (index >= ring.sites.length) return;
      const why = whyNotAt(ring, index, to, input);
      const near = ring.sites.some((s, i) => i !== index && (apart(s, to) * 145) / 360 < 5 - 1e-9);
      expect(why === null).toBe(barredAt(to, input) === null && !near);
      if (why === null) {
        const after = moved(ring, index, to, 145);
        expect(after.sites).toHaveLength(ring.sites.length);
        after.sites.forEach((s, i) => expect(whyNotAt(after, i, s, input)).toBeNull());
      }
    }),
    { numRuns: 60 },
  );
});

it('the other product of the day keeps its clearance, unless it stands a hand higher', () => {
  const others = (heightCm: number) => [{ bearing: 0, heightCm, clearCm: 10 }];
  expect(barredAt(20, { ...soundRing, others: others(20) })).toMatch(/other product/);
  expect(barredAt(25, { ...soundRing, others: others(20) })).toBeNull();
  expect(barredAt(20, { ...soundRing, others: others(50) })).toBeNull();
});

it('goes into a second row only where the label allows it, and only with what is left over', () => {
  const tight = { ...soundRing, girthCm: 60, count: 14 };
  expect(placeRing(tight)).toMatchObject({ wanted: 14, sentence: expect.stringMatching(/Only 12 of 14/) });
  const two = placeRing({ ...tight, rows: 2 });
  expect(two.sites).toHaveLength(14);
  expect(two.heights.filter((h) => h === 50)).toHaveLength(2);
});

it('sites stand at their own heights, else at that of their use, else at the usual one', () => {
  const ring = { sites: [10, 200] };
  const heights = (of: Parameters<typeof sitesWithHeights>[0], use?: number) =>
    sitesWithHeights(of, use).map((s) => s.heightCm);
  expect(heights({ ...ring, heights: [30, 60] }, 15)).toEqual([30, 60]);
  expect(heights(ring, 15)).toEqual([15, 15]);
  expect(heights(ring)).toEqual([20, 20]);
  expect(sitesWithHeights(null, 15)).toEqual([]);
});

describe('the wound budget', () => {
  const p = { years: 12, growthCm: 0.6, drillMm: 7, sitesPerCm: 7 / 110 };
  it('lasts longer with fewer visits, and says when it ends', () => {
    const small = { ...soundRing, girthCm: 100, count: 7, oldSiteVerticalCm: 200, oldSiteYears: 5 };
    const yearly = woundBudget(small, { ...p, everyYears: 1 });
    const third = woundBudget(small, { ...p, everyYears: 3 });
    expect(third.runsOut).toBeNull();
    expect(third.holes).toBeLessThan(yearly.holes);
    expect(yearly.runsOut).toBe(2028);
    expect(yearly.sentence).toMatch(/2028/);
    expect(third.visits.map((v) => v.year)).toEqual([2026, 2029, 2032, 2035]);
  });
  it('tells what part of the girth the holes bar at the end: their clearance on both sides, where none overlap', () => {
    const one = { ...soundRing, girthCm: 360, count: 1, oldSiteClearanceCm: 5, oldSiteYears: 5 };
    const { barred, visits } = woundBudget(one, { years: 1, everyYears: 1, growthCm: 0, drillMm: 7, sitesPerCm: 0 });
    expect(visits).toHaveLength(1);
    // At a degree a centimetre: the site itself and the four degrees on either side that are nearer than five.
    expect(barred).toBeCloseTo(9 / 360, 9);
    const late = woundBudget(one, { years: 12, everyYears: 6, growthCm: 0, drillMm: 7, sitesPerCm: 0 });
    // The hole of six years before no longer bars; one that closes slowly would.
    expect(late.barred).toBeCloseTo(9 / 360, 9);
  });
  it('a slow trunk carries its holes longer', () => {
    expect(yearsToClose(7, 0.2)).toBeGreaterThan(yearsToClose(7, 1));
    expect(yearsToClose(4, 1)).toBe(1);
  });
});

it('uptake: dry air pulls harder, bare trees hardly at all; the own log takes over with five entries', () => {
  const fair = {
    device: 'low-pressure bottle',
    mlPerSite: 10,
    temperatureC: 26,
    humidity: 48,
    soil: 'moist',
    leaf: 'full',
  } as const;
  const est = uptake(fair).minutes;
  expect(uptake({ ...fair, humidity: 90 }).minutes).toBeGreaterThan(est);
  expect(uptake({ ...fair, leaf: 'leafless' }).minutes).toBeGreaterThan(4 * est);
  expect(uptake(fair, [10, 20, 30, 40]).n).toBe(0);
  expect(uptake(fair, [10, 50, 20, 30, 40])).toMatchObject({ n: 5, minutes: 30 });
});
