import fc from 'fast-check';
import { soundRing } from '../testing';
import { barredAt, placeRing, type RingInput } from './ring';

const bearing = fc.integer({ min: 0, max: 359 });
const anyRing = fc
  .record({
    girthCm: fc.double({ min: 20, max: 500, noNaN: true }),
    count: fc.integer({ min: 1, max: 40 }),
    minSpacingCm: fc.double({ min: 2, max: 15, noNaN: true }),
    arcs: fc.array(
      fc.record({
        kind: fc.constantFrom('wound' as const, 'valley' as const, 'dead-bark' as const),
        from: bearing,
        to: bearing,
      }),
      { maxLength: 4 },
    ),
    oldSites: fc.array(
      fc.record({ bearing, heightCm: fc.integer({ min: 0, max: 120 }), year: fc.integer({ min: 2015, max: 2026 }) }),
      { maxLength: 20 },
    ),
  })
  .map((x): RingInput => ({ ...soundRing, ...x }));
const gaps = (sites: number[]) => sites.map((s, i) => (i + 1 < sites.length ? sites[i + 1]! - s : sites[0]! + 360 - s));

describe('the ring', () => {
  it('is perfectly even on sound bark, to the degree', () => {
    const r = placeRing(soundRing);
    expect(r.sites).toHaveLength(10);
    expect(gaps(r.sites).every((g) => g === 36)).toBe(true);
    expect(r.unevenness).toBeCloseTo(0, 9);
  });

  it('never places an illegal site, and says so when fewer fit', () => {
    fc.assert(
      fc.property(anyRing, (input) => {
        const r = placeRing(input);
        const cmPerDegree = input.girthCm / 360;
        for (const s of r.sites) expect(barredAt(s, input)).toBeNull();
        if (r.sites.length > 1)
          for (const g of gaps(r.sites)) expect(g * cmPerDegree).toBeGreaterThanOrEqual(input.minSpacingCm - 1e-9);
        expect(r.sites.length).toBeLessThanOrEqual(input.count);
        if (r.sites.length < input.count) expect(r.sentence).toMatch(/fit/);
        expect([...r.sites].sort((a, b) => a - b)).toEqual(r.sites);
      }),
      { numRuns: 150 },
    );
  });

  it('is the best there is on small rings', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ kind: fc.constant('wound' as const), from: bearing, to: bearing }), {
          minLength: 1,
          maxLength: 2,
        }),
        fc.integer({ min: 2, max: 3 }),
        (arcs, count) => {
          const input = {
            ...soundRing,
            girthCm: 72,
            count,
            arcs: arcs.map((a) => ({ ...a, to: (a.from + 1 + ((a.to - a.from + 360) % 90)) % 360 })),
          };
          const r = placeRing(input);
          if (r.sites.length < count) return;
          const legal = Array.from({ length: 90 }, (_, i) => i * 4).filter((b) => barredAt(b, input) === null);
          const cost = (sites: number[]) =>
            gaps([...sites].sort((a, b) => a - b)).reduce((a, g) => a + ((g - 360 / count) * 0.2) ** 2, 0);
          let best = Infinity;
          for (const a of legal)
            for (const b of legal)
              if (a < b) {
                if (count === 2) best = Math.min(best, cost([a, b]));
                else
                  for (const c of legal)
                    if (b < c && Math.min(...gaps([a, b, c])) * 0.2 >= 5) best = Math.min(best, cost([a, b, c]));
              }
          // The exhaustive search goes in steps of four degrees, the ring in single ones.
          expect(r.unevenness).toBeLessThanOrEqual(best + 1e-9);
        },
      ),
      { numRuns: 25 },
    );
  });

  it.each([
    ['old enough', { bearing: 0, heightCm: 20, year: 2021 }, true],
    ['young, same height', { bearing: 0, heightCm: 20, year: 2022 }, false],
    ['young, 30 cm above', { bearing: 0, heightCm: 50, year: 2025 }, true],
    ['young, beside it by the clearance', { bearing: 13, heightCm: 20, year: 2025 }, true],
  ])('an old hole: %s', (_, old, free) => expect(barredAt(0, { ...soundRing, oldSites: [old] }) === null).toBe(free));
});
