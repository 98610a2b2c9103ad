import { exactMoney, inMajor, inMinor, minorPer, money, removalOf, USUAL_PRICES } from './prices';
import fc from 'fast-check';
import { choose, type Candidate } from './choose';
import { every, outlook, presentValue } from './value';

it('discounts: 310 every second year for ten years, first now, at 4 %', () => {
  expect(presentValue(every(310, 2, 10), 0.04)).toBeCloseTo(1333.11319178168, 8);
});

it('an outlook without failure is its plan, and a certain failure is lost in the first year', () => {
  const course = { name: 'treat', payments: every(310, 2, 10), failsEachYear: 0 };
  expect(outlook(course, 10, 0.04, 900).expected).toBeCloseTo(1333.11319178168, 8);
  expect(outlook({ ...course, failsEachYear: 1 }, 10, 0, 900)).toMatchObject({ expected: 310 + 900, stands: 0 });
});

const candidate = (max: number) =>
  fc.record({ takes: fc.integer({ min: 1, max }), worth: fc.integer({ min: -3, max: 60 }) });
const named = (list: { takes: number; worth: number }[]): Candidate[] => list.map((c, i) => ({ ...c, id: String(i) }));

it('chooses the best set there is: as an exhaustive search finds it', () => {
  fc.assert(
    fc.property(fc.array(candidate(30), { maxLength: 11 }), fc.integer({ min: 0, max: 120 }), (list, limit) => {
      let best = 0;
      for (let mask = 0; mask < 1 << list.length; mask++) {
        let takes = 0;
        let worth = 0;
        list.forEach((c, i) => {
          if (mask & (1 << i)) {
            takes += c.takes;
            worth += c.worth;
          }
        });
        if (takes <= limit) best = Math.max(best, worth);
      }
      const got = choose(named(list), limit);
      expect(got.worth).toBe(best);
      expect(got.gap).toBe(0);
      expect(got.takes).toBeLessThanOrEqual(limit);
    }),
    { numRuns: 200 },
  );
});

it('a cap of 279 g at 11.232 g a tree covers 24 trees, not 25', () => {
  const trees = named(Array.from({ length: 30 }, () => ({ takes: 11.232, worth: 1 })));
  const got = choose(trees, 450 * 0.62);
  expect(got.chosen).toHaveLength(24);
  expect(got.left).toBeCloseTo(279 - 24 * 11.232, 9);
});

it('500 trees whose worth goes with their size are within half a percent of the best, and proven so', () => {
  const trees = named(
    Array.from({ length: 500 }, (_, i) => ({ takes: 5 + ((i * 37) % 97) / 3, worth: 10 + ((i * 53) % 89) / 2 })),
  );
  const got = choose(trees, 3000);
  expect(got.gap).toBeLessThanOrEqual(0.005);
  expect(got.firstLeft!.perUnit).toBeLessThanOrEqual(1.2 * got.lastTaken!.perUnit + 1);
});

describe('money', () => {
  it.each([
    ['GBP', 100, '£123', '£123.45'],
    ['JPY', 1, 'JP¥12,345', 'JP¥12,345'],
    ['KWD', 1000, 'KWD 12', 'KWD 12.345'],
  ])('%s has its own minor unit: %i to the unit', (currency, per, estimate, exact) => {
    const p = { currency };
    const spaced = (s: string) => s.replace(/\u00a0/g, ' ');
    expect(minorPer(p)).toBe(per);
    expect(spaced(money(12_345, p))).toBe(estimate);
    expect(spaced(exactMoney(12_345, p))).toBe(exact);
  });
  it('what is typed comes back as it was typed, to the last minor unit', () => {
    fc.assert(
      fc.property(fc.constantFrom('GBP', 'JPY', 'KWD', 'USD'), fc.integer({ min: 0, max: 1e8 }), (currency, minor) => {
        expect(inMinor(inMajor(minor, { currency }), { currency })).toBe(minor);
      }),
    );
  });
});

describe('removing a tree', () => {
  it.each([
    [50, 1],
    [4.5, 0.27],
    [16, 0.386],
    [73, 1.573],
    [120, 3.039],
  ])('of %d cm costs %d of the price that was named', (cm, share) =>
    expect(removalOf(USUAL_PRICES, cm) / USUAL_PRICES.removeAndReplant).toBeCloseTo(share, 3),
  );
  it('that nobody measured costs what was named; a thicker one never less', () => {
    expect(removalOf(USUAL_PRICES, null)).toBe(USUAL_PRICES.removeAndReplant);
    for (let cm = 2; cm < 200; cm++)
      expect(removalOf(USUAL_PRICES, cm + 1)).toBeGreaterThanOrEqual(removalOf(USUAL_PRICES, cm));
  });
});
