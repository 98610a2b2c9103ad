import { hoursOfDay } from './by-hour';
import type { Hour } from './station';

const course = (temperatureC: number, rainMm: number, windMs?: number): Hour[] =>
  Array.from({ length: 48 }, (_, h) => ({
    at: new Date(Date.parse('2026-06-01T00:00:00Z') + h * 3_600_000).toISOString(),
    temperatureC: temperatureC + h / 100,
    rainMm: h === 14 ? rainMm : 0,
    humidity: 70,
    windMs,
  }));

it('an hour has the middle of the courses, and rain in as many of them as have it, by the clock of the place', () => {
  const members = [course(10, 0, 2), course(12, 1.2, 4), course(20, 0.05, 9)];
  const hours = hoursOfDay(members, '2026-06-01', 'Europe/London');
  // Summer time: the day begins at 23:00 UTC of the day before, which the forecast does not have.
  expect(hours.map((h) => h.hour)).toEqual(Array.from({ length: 23 }, (_, i) => i + 1));
  const at = hours.find((h) => h.hour === 15)!;
  expect(at.temperatureC).toBeCloseTo(12.14, 9);
  expect(at.windMs).toBe(4);
  expect(at.rain).toBeCloseTo(1 / 3, 9);
  expect(hours.find((h) => h.hour === 9)!.rain).toBe(0);
});
it('beyond the forecast there are no hours, and where nobody measures wind none is told', () => {
  expect(hoursOfDay([course(10, 0)], '2026-07-01', 'Europe/London')).toEqual([]);
  expect(hoursOfDay([], '2026-06-01', 'Europe/London')).toEqual([]);
  expect(hoursOfDay([course(10, 0)], '2026-06-01', 'UTC')[3]!.windMs).toBeNull();
});
