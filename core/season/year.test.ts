import { findHost, heatModelsFor } from '@/knowledge';
import { heatModels } from '@/knowledge/heat';
import { CHILL_DAYS, type Range, type SeasonWeather } from './growth';
import { heatCurve, heatDate } from './year';

const model = {
  ...heatModels.find((m) => m.from === 'new year')!,
  baseC: 10,
  ceilingC: undefined,
  method: 'single-sine' as const,
  sum: 100,
};
/** A season of which so many days since the new year are measured at 15 to 25 °C, ten degree-days each; then by courses. */
const season = (measured: number, courses: Range[]): SeasonWeather => ({
  start: '2027-01-01',
  measured: Array.from({ length: CHILL_DAYS + measured }, () => ({ min: 15, max: 25 })),
  courses: courses.map((c) => Array.from({ length: 300 }, () => c)),
  forecastDays: 0,
});
const warm = { min: 15, max: 25 };
const cool = { min: 10, max: 20 };

describe('a sum of heat as it grows', () => {
  it('ends on the day on which it is reached, in even steps where the days are even', () => {
    const curve = heatCurve(model, season(30, [warm]), '2027-01-01');
    expect(curve.map((p) => [p.day, Math.round(p.share * 100)])).toEqual([
      ['2027-01-01', 0],
      ['2027-01-05', 40],
      ['2027-01-09', 80],
      ['2027-01-11', 100],
    ]);
    // The day before the end of the curve is the one on which the sum is there.
    expect(heatDate(model, season(30, [warm]), null)?.day).toBe('2027-01-10');
  });

  it('goes on by the mean of the courses, and ends with the season where it is never reached', () => {
    const halves = heatCurve(model, season(0, [warm, cool]), '2027-01-01');
    expect(halves.at(-1)).toEqual({ day: '2027-01-15', share: 1 });
    const never = heatCurve({ ...model, sum: 1e6 }, season(10, [cool]), '2027-01-01');
    expect(never.at(-1)!.share).toBeLessThan(1);
    expect(never.at(-1)!.day > '2027-10-01').toBe(true);
  });

  it('counts from what was seen, also where that lies ahead of what is measured', () => {
    expect(heatCurve(model, season(5, [warm]), '2027-01-20')[0]).toEqual({ day: '2027-01-20', share: 0 });
    expect(heatCurve(model, season(5, [warm]), '2027-01-20').at(-1)!.day).toBe('2027-01-30');
  });

  it('never falls, for every model of every host', () => {
    for (const m of heatModelsFor(findHost('cider-apple')!, [])) {
      const curve = heatCurve(m, season(40, [warm, cool]), '2027-01-01');
      for (const [i, p] of curve.entries()) expect(p.share).toBeGreaterThanOrEqual(curve[i - 1]?.share ?? 0);
    }
  });
});
