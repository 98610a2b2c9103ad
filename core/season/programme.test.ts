import { monthOf } from '../../lib/calendar/months';
import fc from 'fast-check';
import { dayAfter } from '../../lib/calendar/days';
import { WORKS } from '../work/works';
import {
  FOR_GOOD,
  programmed,
  USUAL_PROGRAMME,
  visitsOf,
  weightOf,
  yearsInto,
  type Life,
  type Step,
} from './programme';
import type { LocalFollowUpRule } from './local-rules';

const again = (
  count: number,
  unit: LocalFollowUpRule['after']['unit'],
  more: Partial<LocalFollowUpRule> = {},
): LocalFollowUpRule => ({
  id: 'again',
  kind: 'treat-again',
  what: 'Inject again',
  after: { count, unit },
  why: 'it wears off',
  ...more,
});
const look: LocalFollowUpRule = {
  id: 'look',
  kind: 'look',
  what: 'Look at the crown',
  after: { count: 2, unit: 'weeks' },
  why: 'it shows by then',
};
const step = (more: Partial<Step> = {}): Step => ({
  name: 'Trunk injection',
  rules: [look, again(1, 'years')],
  minDays: 0,
  maxPerYear: null,
  months: [],
  ...more,
});
const treated = (s: Step, years = 10, from = '2026-05-20') =>
  visitsOf(s, from, years)
    .filter((v) => v.kind === 'treat')
    .map((v) => v.day);

it('the programme’s interval takes the place of the label’s advice, for injections alone', () => {
  const three = { ...USUAL_PROGRAMME, everyYears: 3 };
  const rules = programmed([look, again(12, 'months', { latest: 14 })], true, three, 'conventional');
  expect(rules[0]).toBe(look);
  expect(rules[1]).toMatchObject({ after: { count: 3, unit: 'years' } });
  expect(rules[1]!.latest).toBeUndefined();
  expect(treated(step({ rules }), 10)).toEqual(['2026-05-20', '2029-05-20', '2032-05-20', '2035-05-20']);
  expect(programmed([again(1, 'years')], false, three, 'conventional')[0]).toMatchObject({
    after: { count: 1, unit: 'years' },
  });
});

it('threshold-only repeats nothing by the calendar, whether the plan or the company says so; the plan’s word goes first', () => {
  const ask = (school: 'threshold' | 'conventional' | null, company: 'threshold' | 'conventional') =>
    programmed([again(1, 'years')], true, { ...USUAL_PROGRAMME, school }, company)[0]!.onlyIf;
  expect(ask('threshold', 'conventional')).toMatch(/above the threshold/);
  expect(ask(null, 'threshold')).toMatch(/above the threshold/);
  expect(ask('conventional', 'threshold')).toBeUndefined();
  const half = visitsOf(
    step({ rules: programmed([again(1, 'years')], true, { ...USUAL_PROGRAMME, school: 'threshold' }, 'conventional') }),
    '2026-05-20',
    3,
  );
  expect(half.map(weightOf)).toEqual([1, 0.5, 0.5]);
});

it('waits for the label’s months and its shortest interval, and never passes its number a year', () => {
  expect(treated(step({ months: [9, 10] }), 2)).toEqual(['2026-09-01', '2027-09-01']);
  expect(treated(step({ rules: [again(14, 'days')], minDays: 21, maxPerYear: 2 }), 2, '2026-05-01')).toEqual([
    '2026-05-01',
    '2026-05-22',
    '2027-05-01',
    '2027-05-22',
  ]);
  // Nothing named: looked at after a year, and again only where it came back.
  expect(visitsOf(step({ rules: [] }), '2026-05-20', 2)).toMatchObject([
    { onlyIf: null },
    { onlyIf: expect.any(String) },
  ]);
});

it('two visits a season stay two in every year of the programme', () => {
  const spring = { ...again(3, 'months'), id: 'spring', months: [2, 3] };
  const autumn = { ...again(7, 'months'), id: 'autumn', months: [10, 11] };
  const days = treated(
    step({ rules: [spring, autumn], months: [1, 2, 3, 10, 11, 12], maxPerYear: 3 }),
    5,
    '2026-11-10',
  );
  const counts = [2027, 2028, 2029, 2030].map((y) => days.filter((d) => d.startsWith(String(y))).length);
  expect(counts).toEqual([2, 2, 2, 2]);
});

it('all visits lie within the years and in order; treatments keep their distance, months and number', () => {
  fc.assert(
    fc.property(
      fc.record({
        count: fc.integer({ min: 1, max: 60 }),
        unit: fc.constantFrom('days' as const, 'weeks' as const, 'months' as const, 'years' as const),
        minDays: fc.integer({ min: 0, max: 800 }),
        maxPerYear: fc.option(fc.integer({ min: 1, max: 4 })),
        months: fc.uniqueArray(fc.integer({ min: 1, max: 12 }), { maxLength: 4 }),
        years: fc.integer({ min: 1, max: 20 }),
        from: fc.constantFrom('2024-02-29', '2026-01-31', '2026-12-31'),
      }),
      ({ count, unit, minDays, maxPerYear, months, years, from }) => {
        const visits = visitsOf(step({ rules: [look, again(count, unit)], minDays, maxPerYear, months }), from, years);
        const end = dayAfter(from, years, 'years');
        expect(visits.map((v) => v.day)).toEqual(visits.map((v) => v.day).sort());
        const days = visits.filter((v) => v.kind === 'treat').map((v) => v.day);
        for (const d of visits.map((v) => v.day)) expect(d >= from && d < end).toBe(true);
        for (const d of days) if (months.length) expect(months).toContain(monthOf(d));
        days.slice(1).forEach((d, i) => expect(d >= dayAfter(days[i]!, minDays, 'days')).toBe(true));
        if (maxPerYear)
          for (const y of new Set(days.map((d) => d.slice(0, 4))))
            expect(days.filter((d) => d.startsWith(y)).length).toBeLessThanOrEqual(maxPerYear);
        expect(yearsInto(from, days.at(-1) ?? from)).toBeLessThan(years);
      },
    ),
    { numRuns: 300 },
  );
});

describe('a work that has a life of its own', () => {
  const life = (l: Partial<Life>): Life => ({ times: 1, apart: 0, everyYears: null, courses: null, ...l });
  const treats = (l: Life, years = 10, rules: LocalFollowUpRule[] = []) =>
    visitsOf(step({ rules, life: l }), '2027-03-27', years).filter((v) => v.kind === 'treat');

  it.each([
    ['done for good', FOR_GOOD, 1],
    ['a guard that holds four years', life({ everyYears: 4 }), 3],
    ['two steps, two years apart', life({ everyYears: 2, courses: 2 }), 2],
    ['three times a season, every season', life({ times: 3, apart: 7, everyYears: 1 }), 30],
    ['six times a summer, three summers', life({ times: 6, apart: 16, everyYears: 1, courses: 3 }), 18],
  ])('%s', (_, l, times) => expect(treats(l)).toHaveLength(times));

  it('its looks and repairs stand beside it; what its rule makes depend on a look does so', () => {
    const again: LocalFollowUpRule = {
      id: 'again',
      kind: 'treat-again',
      what: 'Again',
      after: { count: 1, unit: 'weeks' },
      onlyIf: 'live pests are found',
      why: 'eggs hatch',
    };
    const look: LocalFollowUpRule = {
      id: 'l',
      kind: 'look',
      what: 'Look',
      after: { count: 3, unit: 'weeks' },
      why: 'it may come back',
    };
    const visits = visitsOf(
      step({ rules: [again, look], life: life({ times: 2, apart: 7, everyYears: 1 }) }),
      '2027-03-27',
      2,
    );
    expect(visits.map((v) => [v.day, v.kind, v.onlyIf])).toEqual([
      ['2027-03-27', 'treat', null],
      ['2027-04-03', 'treat', 'live pests are found'],
      ['2027-04-17', 'look', null],
      ['2027-04-24', 'look', null],
      ['2028-03-27', 'treat', 'a look finds it again'],
      ['2028-04-03', 'treat', 'live pests are found'],
      ['2028-04-17', 'look', null],
      ['2028-04-24', 'look', null],
    ]);
  });

  it('holds for every work: none costs a whole year of weeks, and none is priced again before it is worn out', () => {
    for (const w of WORKS) {
      const times = treats(w.life).length;
      expect([w.id, times >= 1 && times <= 60]).toEqual([w.id, true]);
      if (w.life.everyYears === null) expect([w.id, times]).toEqual([w.id, w.life.times]);
    }
  });
});
