import { firstFit, fitDays, fitHours, type AirLimits } from './fitness';
import type { Hour } from './station';

const spray: AirLimits = { minC: 4, maxC: 27, minWindMs: 1, maxWindMs: 4.5, dryHours: 6, dryLeaves: false };
/** Three days from midnight, UTC. */
const course = (of: (i: number) => Partial<Hour>): Hour[] =>
  Array.from({ length: 72 }, (_, i) => ({
    at: new Date(Date.UTC(2027, 4, 1, i)).toISOString(),
    temperatureC: 15,
    rainMm: 0,
    humidity: 60,
    windMs: 2,
    ...of(i),
  }));
const on = (members: Hour[][], limits = spray, zone = 'UTC') => fitDays(members, limits, 2, zone);

it('a mild dry day serves in every course, from the first working hour', () =>
  expect(on([course(() => ({}))])[0]).toEqual({ day: '2027-05-01', chance: 1, from: 6, to: 8 }));

it.each<[string, (i: number) => Partial<Hour>]>([
  ['wind', () => ({ windMs: 6 })],
  ['calm air', () => ({ windMs: 0.5 })],
  ['frost', () => ({ temperatureC: 1 })],
  ['heat', () => ({ temperatureC: 29 })],
  ['rain within the hours after', (i) => (i % 6 === 0 ? { rainMm: 1 } : {})],
  ['wind that nobody told', () => ({ windMs: undefined })],
])('%s closes it', (_, of) => expect(on([course(of)]).every((d) => d.chance === 0 && d.from === null)).toBe(true));

it('the chance is the share of the courses, and the hours are those in which most of them serve', () => {
  const morning = course((i) => (i % 24 >= 10 ? { windMs: 7 } : {}));
  const never = course(() => ({ windMs: 7 }));
  const [day] = on([morning, morning, morning, never]);
  expect(day).toEqual({ day: '2027-05-01', chance: 0.75, from: 6, to: 8 });
  expect(firstFit(on([never, never, morning]))).toBeNull();
});

it('the first day that is likely is named, past days that are not', () => {
  const wetFirst = course((i) => (i < 30 ? { rainMm: 0.5 } : {}));
  expect(firstFit(on([wetFirst, wetFirst]))).toMatchObject({ day: '2027-05-02', from: 6 });
});

it('hours are those of a clock there', () => {
  const [first] = on([course((i) => (i >= 20 ? { windMs: 9 } : {}))], spray, 'Pacific/Auckland');
  // Noon of the first of May there is midnight in UTC.
  expect(first).toEqual({ day: '2027-05-01', chance: 1, from: 12, to: 14 });
});

it('what rain does not harm is not closed by it', () => {
  const wet = course(() => ({ rainMm: 1, wet: true }));
  expect(on([wet], { ...spray, dryHours: null })[0]!.chance).toBe(1);
  expect(on([wet], { ...spray, dryHours: null, dryLeaves: true })[0]!.chance).toBe(0);
  expect(fitDays([], spray, 2, 'UTC')).toEqual([]);
});

it('an hour is as likely as the courses in which it lies within the limits, and no day is less likely than its best hour', () => {
  // One course is windy from noon on, the other always.
  const members = [course((i) => (i % 24 >= 12 ? { windMs: 7 } : {})), course(() => ({ windMs: 20 }))];
  const hours = fitHours(members, spray, 'UTC');
  for (const h of hours.slice(0, 15))
    expect([h.at, h.chance]).toEqual([h.at, Number(h.at.slice(11, 13)) < 12 ? 0.5 : 0]);
  const days = fitDays(members, spray, 1, 'UTC');
  for (const d of days) {
    const of = hours.filter((h) => h.at.startsWith(d.day)).map((h) => h.chance);
    expect(d.chance).toBeGreaterThanOrEqual(Math.max(...of));
  }
  expect(fitHours([], spray, 'UTC')).toEqual([]);
});
