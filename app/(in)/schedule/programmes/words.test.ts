import type { Change } from '@/core/programmes/changes';
import type { DayReason } from '@/core/programmes/spans';
import { programmes } from '@/knowledge';
import type { StopTold } from '@/store/assignments';
import { groupLeft } from './left';
import { tagRuns } from '@/core/site-map/tags';
import { actWords, changeWords, groupsWords, reasonWords, stopWords, termsWords, timeWords } from './words';

const named = (key: string) => programmes.find((p) => p.key === key)!;
const step = (programme: string, key: string) => named(programme).steps.find((s) => s.key === key)!;

it.each([
  ['orchard-apple', 'scab-cover', 'from green tip to fruit set'],
  ['orchard-apple', 'mummies', 'December to February'],
  ['orchard-apple', 'fruit-look', 'in June'],
  ['orchard-apple', 'bloom-late', '6 days (5 to 9) after “Bloom spray, early”'],
  ['spongy-moth', 'spray', 'spongy moth, egg hatch, and 21 days from then'],
  ['hemlock-adelgid', 'wool', '12 months (10 to 14) after “Treat the roots”'],
])('%s, %s: %s', (programme, key, words) => expect(timeWords(step(programme, key), named(programme))).toBe(words));

it('months are told in the year of the place', () => {
  expect(timeWords(step('orchard-apple', 'mummies'), named('orchard-apple'), true)).toBe('June to August');
});

it('a step says what it does, how often, on which trees and on what condition', () => {
  expect(actWords(step('orchard-apple', 'scab-cover'))).toBe('Foliar spray, against apple and pear scab');
  expect(actWords(step('orchard-apple', 'winter-cut'))).toBe('Open the crown');
  expect(termsWords(step('orchard-apple', 'summer-cover'))).toEqual([
    'again after 14 days (10 to 21), 6 times at most',
    'on to the picking',
    'another group each time',
    'only if scab is on leaves or fruit',
  ]);
  expect(termsWords(step('orchard-apple', 'bloom-early'))).toEqual(['only where there was fire blight']);
  expect(termsWords(step('elm-protection', 'infuse'))).toEqual(['every 3 years']);
});

it('names the hosts that it is for, a few of many, and any tree where it names none', () => {
  expect(groupsWords(named('orchard-apple'))).toBe('apple or pear');
  expect(groupsWords(named('mites-by-count'))).toMatch(/^apple, pear, .* and 7 more$/);
  expect(groupsWords(named('winter-guards'))).toBe('any tree');
});

it.each<[DayReason, string]>([
  [{ by: 'interval', day: '2027-04-01', days: 10, done: true }, '10 days after the one done on 1 Apr 2027'],
  [
    { by: 'after', step: 'bloom-early', day: '2027-04-19', done: false },
    'counted from “Bloom spray, early” planned on 19 Apr 2027',
  ],
  [{ by: 'rain', day: '2027-04-01', mm: 27.6 }, '28 mm of rain since 1 Apr 2027 wore the cover out'],
  [{ by: 'begun', from: '2026-11-26' }, 'its time had begun by 26 Nov 2026'],
  [{ by: 'hand', because: 'A wedding.' }, 'moved by hand: A wedding.'],
  [
    { by: 'label', wished: '2027-03-14', product: 'Label 7' },
    'wished for 14 Mar 2027; Label 7 may not be put on before',
  ],
  [
    { by: 'stage', code: 7, day: '2027-03-14', earliest: '2027-03-05', latest: '2027-03-23', rests: 'years' },
    'green tip expected 5 Mar – 23 Mar 2027',
  ],
  [
    { by: 'stage', code: 7, day: '2027-03-14', earliest: '2027-03-14', latest: '2027-03-14', rests: 'seen' },
    'green tip as it was seen',
  ],
])('a reason is told: %#', (reason, words) => expect(reasonWords(reason, named('orchard-apple'))).toBe(words));

it.each<[StopTold, RegExp]>([
  [{ why: 'no product' }, /^Nothing on the shelf is labelled/],
  [
    { why: 'no day', product: 'Label 7', bounds: [{ by: 'picking', until: '2027-08-21' }] },
    /^Label 7: it is picked until 21 Aug 2027\.$/,
  ],
  [{ why: 'no day', product: 'Label 7', bounds: [] }, /no day of its time is free/],
  [
    { why: 'holds', product: 'Label 7', gates: [{ id: 'x', title: 'Held', satisfy: 'Say why.' }] },
    /^Label 7\. Held: Say why\.$/,
  ],
  [
    { why: 'work', product: null, gates: [{ id: 'x', title: 'Closed season', satisfy: 'Wait.' }] },
    /^Closed season: Wait\.$/,
  ],
  [{ why: 'no dose', product: 'Label 7', sentence: 'The crown is not measured.' }, /crown is not measured/],
  [{ why: 'not measured' }, /has not been measured/],
])('what stands against a step is told: %#', (stop, words) => expect(stopWords(stop)).toMatch(words));

it('a change is told with both days', () => {
  const was = { day: '2027-04-11' } as Change['was'];
  const now = { day: '2027-04-08' } as Change['now'];
  const told = (kind: Change['kind']) => changeWords({ kind, now, was } as Change);
  expect(told('move')).toBe('from 11 Apr 2027 to 8 Apr 2027');
  expect(told('new')).toBe('new, on 8 Apr 2027');
  expect(told('off')).toMatch(/its look found no cause/);
  expect(changeWords({ kind: 'off', now: null, was } as Change)).toMatch(/its time ends before it/);
});

it.each([
  [['001', '002', '003', '007'], '001–003, 007'],
  [['A9', 'A10', 'B11'], 'A9–A10, B11'],
  [['Gate'], 'Gate'],
  [[], ''],
])('tags %j in runs: %s', (tags, words) => expect(tagRuns(tags)).toBe(words));

it('what is left out for one reason stands together, in order of its day', () => {
  const row = (tag: string, day: string, stop: StopTold) => ({ id: tag, tag, step: 'scab-cover', day, stop });
  const none: StopTold = { why: 'no product' };
  const groups = groupLeft([
    row('2', '2027-05-02', none),
    row('3', '2027-04-20', { why: 'not measured' }),
    row('1', '2027-05-01', none),
  ]);
  expect(groups.map((g) => [g.from, g.to, g.rows.map((r) => r.tag)])).toEqual([
    ['2027-04-20', '2027-04-20', ['3']],
    ['2027-05-01', '2027-05-02', ['2', '1']],
  ]);
});
