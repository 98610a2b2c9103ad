import type { StageDate } from '@/core/season/stages';
import { byRain, coverWords, expectedWords, lifeTimeWords, spanWords, stageReason, timedWords } from './season-words';

const stage = (more: Partial<StageDate> = {}): StageDate => ({
  code: 19,
  day: '2027-05-14',
  earliest: '2027-05-06',
  latest: '2027-05-22',
  rests: 'years',
  moved: 0,
  by: null,
  ...more,
});

it.each<[Partial<StageDate>, string]>([
  [{}, 'by the heat of other years'],
  [{ rests: 'measured', code: 97 }, 'by the cold that was measured'],
  [{ rests: 'forecast' }, 'by the forecast'],
  [{ rests: 'seen' }, 'as it was seen'],
  [
    { moved: -1, by: { kind: 'seen', code: 9, day: '2027-04-02' } },
    'by the heat of other years, 1 day earlier for bud break seen on 2 Apr 2027',
  ],
  [
    { moved: 6, by: { kind: 'learned', seasons: 3 } },
    'by the heat of other years, 6 days later as this place taught in 3 seasons',
  ],
  [{ moved: 0, by: { kind: 'learned', seasons: 1 } }, 'by the heat of other years'],
])('why a stage stands on its day: %p', (more, words) => expect(stageReason(stage(more))).toBe(words));

it('a span says the year once, twice where it crosses it, and a single day alone', () => {
  expect(spanWords('2027-05-06', '2027-05-22')).toBe('6 May – 22 May 2027');
  expect(spanWords('2026-12-28', '2027-01-04')).toBe('28 Dec 2026 – 4 Jan 2027');
  expect(spanWords('2027-05-06', '2027-05-06')).toBe('6 May 2027');
});

it('what is expected says its spread and what it rests on; nothing known, nothing said', () => {
  expect(expectedWords(null)).toBe('');
  expect(expectedWords({ kind: 'stage', date: stage() })).toBe(
    ', expected 6 May – 22 May 2027 by the heat of other years',
  );
  const hatch = {
    modelId: 'x',
    what: 'x',
    conditionId: null,
    from: '2027-01-01',
    day: '2027-05-14',
    earliest: '2027-05-14',
    latest: '2027-05-14',
    rests: 'measured' as const,
    reached: { years: 10, of: 10 },
  };
  expect(expectedWords({ kind: 'heat', date: hatch })).toBe(', reached 14 May 2027 by heat since 1 Jan 2027, measured');
});

it('what is left of a cover says what moved its renewal', () => {
  const left = { share: 0.44, rainMm: 28, renewOn: '2027-04-20', why: 'half-gone' as const };
  expect(coverWords(left)).toBe('44 % left after 28 mm of rain; renew 20 Apr 2027: half of it is gone');
  expect([byRain(left), byRain({ ...left, why: 'label-days' }), byRain(null)]).toEqual([true, false, false]);
});

it.each([
  [{ by: 'stage', from: 7, to: 71 }, 'green tip to fruit set'],
  [{ by: 'stage', from: 1, to: 7, fromDays: -21 }, '3 weeks before bud swell to green tip'],
  [{ by: 'stage', from: 19, to: 19, fromDays: 10, toDays: 45 }, '10 days to 6 weeks after full leaf'],
  [{ by: 'stage', from: 65, to: 65 }, 'at full bloom'],
  [{ by: 'heat', model: 'x', days: 21 }, 'from the day of its sum of heat, for 3 weeks'],
  [{ by: 'heat', model: 'hatch', days: 40, fromDays: 10 }, 'from 10 days after egg hatch, by heat, for 4 weeks'],
] as const)('a time by stage or heat is said as people say it: %j', (time, words) =>
  expect(timedWords(time, new Map([['hatch', 'egg hatch']]))).toBe(words),
);

it('months of a life are those of the reader’s half of the earth', () => {
  expect(lifeTimeWords({ by: 'months', from: 9, to: 11 })).toBe('September to November');
  expect(lifeTimeWords({ by: 'months', from: 9, to: 11 }, true)).toBe('March to May');
  expect(lifeTimeWords({ by: 'months', from: 1, to: 12 }, true)).toBe('all year');
  expect(lifeTimeWords({ by: 'months', from: 5, to: 5 })).toBe('May');
});
