import { monthOf } from '../../lib/calendar/months';
import fc from 'fast-check';
import { relative } from '../testing';
import { vapourDeficit } from '../weather/air';
import { degreeDays } from './degree-days';
import { dayAfter } from '../../lib/calendar/days';
import { dayIn, wallClock, zonedInstant } from '../../lib/calendar/zone';
import { followUps } from './follow-ups';
import type { LocalFollowUpRule } from './local-rules';

const rule = (more: Partial<LocalFollowUpRule>): LocalFollowUpRule => ({
  id: 'again',
  kind: 'treat-again',
  what: 'Again',
  after: { count: 1, unit: 'years' },
  why: 'the rule says so',
  ...more,
});

describe('follow-ups', () => {
  it.each([
    ['31 January and a month', '2027-01-31', 1, 'months', '2027-02-28'],
    ['in a leap year', '2028-01-31', 1, 'months', '2028-02-29'],
    ['29 February and a year', '2028-02-29', 1, 'years', '2029-02-28'],
    ['ten weeks', '2026-11-24', 10, 'weeks', '2027-02-02'],
    ['over the change of the clock', '2026-10-24', 2, 'days', '2026-10-26'],
  ] as const)('%s', (_, from, n, unit, to) => expect(dayAfter(from, n, unit)).toBe(to));

  it('moves a repeat that the label forbids, and says why', () => {
    const [f] = followUps([rule({ after: { count: 7, unit: 'days' } })], '2026-06-01', 14);
    expect(f).toMatchObject({ due: '2026-06-15' });
    expect(f!.reason).toMatch(/14 days between/);
  });
  it('moves into its months', () =>
    expect(followUps([rule({ after: { count: 1, unit: 'years' }, months: [3, 4] })], '2026-11-24')[0]!.due).toBe(
      '2028-03-01',
    ));

  it('stays between its bounds and never before what was done', () => {
    const rules = fc.record({
      count: fc.integer({ min: 0, max: 60 }),
      unit: fc.constantFrom('days' as const, 'weeks' as const, 'months' as const, 'years' as const),
      more: fc.integer({ min: 0, max: 20 }),
      less: fc.integer({ min: 0, max: 20 }),
      months: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { maxLength: 4 }),
      kind: fc.constantFrom('treat-again' as const, 'look' as const),
    });
    fc.assert(
      fc.property(
        rules,
        fc.date({ min: new Date('2000-01-01'), max: new Date('2060-01-01'), noInvalidDate: true }),
        fc.integer({ min: 0, max: 800 }),
        (r, d, minDays) => {
          const done = dayIn(d, 'UTC');
          const [f] = followUps(
            [
              rule({
                kind: r.kind,
                after: { count: r.count, unit: r.unit },
                latest: r.count + r.more,
                earliest: Math.max(0, r.count - r.less),
                months: r.months,
              }),
            ],
            done,
            minDays,
          );
          expect(f!.earliest <= f!.due && f!.due <= f!.latest && f!.due >= done).toBe(true);
          if (r.kind === 'treat-again') expect(f!.earliest >= dayAfter(done, minDays, 'days')).toBe(true);
          if (r.months.length) expect(r.months).toContain(monthOf(f!.due));
        },
      ),
    );
  });
});

it('a day is the day of the place, not of the server', () => {
  expect(dayIn('2026-06-01T23:30:00Z', 'Europe/London')).toBe('2026-06-02');
  expect(dayIn('2026-06-01T23:30:00Z', 'America/Los_Angeles')).toBe('2026-06-01');
});
it('wall clock and instant are each other’s way back', () => {
  fc.assert(
    fc.property(
      fc.date({ min: new Date('2020-01-01'), max: new Date('2035-01-01'), noInvalidDate: true }),
      fc.constantFrom('Europe/London', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu'),
      (d, zone) => {
        const wall = wallClock(d.toISOString(), zone);
        expect(wallClock(zonedInstant(wall, zone)!, zone)).toBe(wall);
      },
    ),
  );
  expect(zonedInstant('2026-02-31T10:00', 'Europe/London')).toBeNull();
  expect(zonedInstant('soon', 'Europe/London')).toBeNull();
});

describe('degree-days and deficit', () => {
  it('give the worked figures', () => {
    expect(relative(degreeDays(4, 17, 10), 2.32513862794623)).toBeLessThan(1e-9);
    expect(degreeDays(4, 17, 10, undefined, 'average')).toBe(0.5);
    expect(relative(vapourDeficit(26, 48), 1.74794871087331)).toBeLessThan(1e-9);
  });
  it('a day above the threshold counts by its mean, one below not at all, a ceiling never adds', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: -10, max: 30, noNaN: true }),
        (min, span, base) => {
          const dd = degreeDays(min, min + span, base);
          expect(dd).toBeGreaterThanOrEqual(-1e-12);
          if (min >= base) expect(dd).toBeCloseTo(min + span / 2 - base, 9);
          if (min + span <= base) expect(dd).toBe(0);
          expect(degreeDays(min, min + span, base, base + 5)).toBeLessThanOrEqual(dd + 1e-12);
        },
      ),
    );
  });
});
