import { monthOf } from '../../lib/calendar/months';
import fc from 'fast-check';
import { usualStation } from './usual';

const mild = { meanC: 10, swingC: 6, dailyC: 4, rainMm: 730 };
const station = usualStation(mild, 51);
const anyDay = fc.date({ min: new Date('2020-01-01'), max: new Date('2039-12-31'), noInvalidDate: true });

it('nothing of an hour is known where nothing measures', () => {
  fc.assert(
    fc.property(anyDay, (at) => {
      const { at: hour, ...air } = station.at(at);
      expect(Date.parse(hour)).toBeLessThanOrEqual(+at);
      expect(Object.values(air).every((x) => x === null)).toBe(true);
      expect(station.hours(at, new Date(+at + 864e5))).toEqual([]);
      expect(station.forecast(at).members).toEqual([]);
    }),
  );
});

it('each day of a year is the usual one of its climate, warmest in the summer of its half of the earth', () => {
  for (const lat of [51, -38]) {
    const year = usualStation(mild, lat).days('2027-01-01', '2027-12-31', 'UTC');
    expect(year).toHaveLength(365);
    const mean = year.reduce((a, d) => a + (d.min + d.max) / 2, 0) / 365;
    expect(mean).toBeCloseTo(mild.meanC, 1);
    expect(year.reduce((a, d) => a + d.rainMm, 0)).toBeCloseTo(mild.rainMm, -1);
    const [warmest] = [...year].sort((a, b) => b.max - a.max);
    expect(monthOf(warmest!.day)).toBe(lat > 0 ? 7 : 1);
    expect(year.every((d) => Math.abs(d.max - d.min - 8) < 0.2)).toBe(true);
  }
});

it('other years lie to both sides of the usual one', () => {
  const [first, ...more] = station.years('2027-01-01', '2027-01-10', 'UTC', 10);
  expect(more).toHaveLength(9);
  const usual = station.days('2027-01-01', '2027-01-01', 'UTC')[0]!.max;
  expect(first![0]!.max).toBeLessThan(usual);
  expect(more.at(-1)![0]!.max).toBeGreaterThan(usual);
  expect(more.at(-1)).toHaveLength(10);
});
