import fc from 'fast-check';
import { heatModels } from '@/knowledge/heat';
import { findCondition } from '@/knowledge';
import { degreeDays } from './degree-days';
import { dayAfter } from '../../lib/calendar/days';
import { expectedOn, heatOf, reachedOn, type DayRange, type HeatTarget } from './heat';

const target: HeatTarget = { baseC: 10, method: 'single-sine', sum: 50 };
const dayOf = (n: number) => dayAfter('2026-01-01', n, 'days');
const days = (ranges: [number, number][]): DayRange[] => ranges.map(([min, max], i) => ({ day: dayOf(i), min, max }));
const steady = (n: number, min: number, max: number) => days(Array.from({ length: n }, () => [min, max]));

it('counts as its target was counted: the worked figure under a ceiling, and by the mean', () => {
  const hot = days([[14, 36]]);
  expect(heatOf({ baseC: 10, ceilingC: 31, method: 'single-sine' }, hot).total).toBeCloseTo(13.963470148104236, 9);
  expect(heatOf({ baseC: 10, method: 'average' }, days([[4, 17]])).total).toBeCloseTo(0.5, 12);
  expect(heatOf({ baseC: 10, method: 'single-sine' }, days([[4, 17]])).total).toBeCloseTo(2.32513862794623, 12);
});

it('is reached on the first day on which the sum is there, or not', () => {
  // 15 to 25: ten degree-days a day.
  expect(reachedOn(target, steady(9, 15, 25))).toBe(dayOf(4));
  expect(reachedOn(target, steady(4, 15, 25))).toBeNull();
});

it('what is measured goes on by each of the years that are known', () => {
  const warm = steady(40, 15, 25);
  const cool = steady(40, 10, 20);
  const cold = steady(40, 0, 8);
  expect(expectedOn(target, [], [cool, warm, cool], dayOf)).toEqual({
    day: dayOf(9),
    earliest: dayOf(4),
    latest: dayOf(9),
    rests: 'past',
    reached: { years: 3, of: 3 },
  });
  // A year that stays too cold has no day, and is told.
  expect(expectedOn(target, [], [cool, cold], dayOf)).toMatchObject({ day: dayOf(9), reached: { years: 1, of: 2 } });
  // Three warm days are thirty: in a cool year the rest takes four more.
  expect(expectedOn(target, steady(3, 15, 25), [cool], dayOf)).toMatchObject({
    day: dayOf(6),
    rests: 'measured-and-past',
  });
  expect(expectedOn(target, steady(9, 15, 25), [cool], dayOf)).toMatchObject({ day: dayOf(4), rests: 'measured' });
  expect(expectedOn(target, [], [cold], dayOf)).toBeNull();
});

it('the more heat has been measured, the earlier and the surer the day', () => {
  const range = fc.tuple(fc.integer({ min: -5, max: 18 }), fc.integer({ min: 0, max: 15 }));
  const year = fc.array(
    range.map(([min, more]) => ({ min, max: min + more })),
    { minLength: 80, maxLength: 80 },
  );
  fc.assert(
    fc.property(fc.array(year, { minLength: 3, maxLength: 6 }), fc.integer({ min: 1, max: 30 }), (years, n) => {
      const asMeasured = years[0]!.slice(0, n).map((d, i) => ({ ...d, day: dayOf(i) }));
      const hotter = asMeasured.map((d) => ({ ...d, min: d.min + 3, max: d.max + 3 }));
      const [one, two] = [asMeasured, hotter].map((m) => expectedOn(target, m, years, dayOf));
      if (one && two) expect(two.day <= one.day).toBe(true);
      if (one) expect(one.earliest <= one.day && one.day <= one.latest).toBe(true);
    }),
  );
});

it('the models that ship: a sum each that a temperate year reaches, and a condition that there is', () => {
  const temperate = days(
    Array.from({ length: 365 }, (_, i) => {
      const mean = 11 - 9 * Math.cos((2 * Math.PI * (i - 20)) / 365);
      return [mean - 5, mean + 6] as [number, number];
    }),
  );
  for (const m of heatModels) {
    expect([m.id, reachedOn(m, temperate) !== null]).toEqual([m.id, true]);
    if (m.condition) expect([m.id, findCondition(m.condition)?.id]).toEqual([m.id, m.condition]);
  }
  expect(new Set(heatModels.map((m) => m.id)).size).toBe(heatModels.length);
  expect(degreeDays(14, 36, 10, 31)).toBeCloseTo(13.963470148104236, 9);
});
