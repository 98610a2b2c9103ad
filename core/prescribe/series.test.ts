import { monthOf } from '../../lib/calendar/months';
import { trainingLabels } from '@/knowledge';
import { comesAgain } from './series';

const uses = trainingLabels.flatMap((l) => l.uses.map((use) => ({ key: `${l.key} ${use.key}`, use })));
const by = { school: 'conventional' as const, south: false };

it('an injection comes at the interval of its tree’s plan, for the years of it, and never the first time again', () => {
  const { use } = uses.find((u) => u.use.method === 'trunk-injection' && u.use.months.length > 0)!;
  const programme = { school: null, everyYears: 3, years: 10 };
  const again = comesAgain('2027-06-10', { use, programme }, by, '2050-01-01').map((x) => x.day.slice(0, 4));
  expect(again).toEqual(['2030', '2033', '2036']);
  expect(comesAgain('2027-06-10', { use, programme }, by, '2031-01-01')).toHaveLength(1);
  expect(comesAgain('2027-06-10', { use, programme }, by, '2027-12-31')).toEqual([]);
});

it('under threshold-only each waits for a look that finds cause', () => {
  const programme = { school: 'threshold' as const, everyYears: 2, years: 6 };
  const { use } = uses.find((u) => u.use.method === 'trunk-injection')!;
  for (const { onlyIf } of comesAgain('2027-06-10', { use, programme }, by, '2033-01-01'))
    expect(onlyIf).not.toBeNull();
});

it.each(uses)('$key: in order, after the next one, in months of its label, no more a year than it lets', ({ use }) => {
  for (const south of [false, true]) {
    const first = '2027-05-20';
    const days = comesAgain(first, { use, programme: null }, { ...by, south }, '2037-01-01').map((x) => x.day);
    expect([...days].sort()).toEqual(days);
    expect(days.every((d) => d > first && d <= '2037-01-01')).toBe(true);
    const months = use.months.map((m) => (south ? ((m + 5) % 12) + 1 : m));
    if (months.length) expect(days.filter((d) => !months.includes(monthOf(d)))).toEqual([]);
    const perYear = new Map<string, number>();
    for (const d of days) perYear.set(d.slice(0, 4), (perYear.get(d.slice(0, 4)) ?? 0) + 1);
    expect(Math.max(0, ...perYear.values())).toBeLessThanOrEqual(use.intervals.maxPerYear ?? Infinity);
  }
});
