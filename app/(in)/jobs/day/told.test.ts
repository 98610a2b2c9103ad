import type { CrewsDay } from '@/facts/crews-day';
import { toTell } from './told';

type Told = Parameters<typeof toTell>[0];
const place = {
  id: 'p',
  name: 'Quay Avenue',
  clientName: 'Town council',
  contact: 'trees@town.example',
  timeZone: 'Europe/London',
};
const record = (tag: string, more: object = {}) => ({
  siteId: 'p',
  tag,
  method: 'soil-drench',
  productName: 'Training label 1',
  targetName: 'Elm leaf beetle',
  endedAt: new Date('2026-06-01T10:00:00Z'),
  reEntryUntil: '2026-06-01T10:00:00.000Z',
  eatFrom: null,
  ...more,
});
const left = (tag: string, why: string) => ({ siteId: 'p', tag, why, words: '' });
const day = (more: object): Told =>
  ({
    round: { day: '2026-06-01' },
    places: { p: place },
    stops: [],
    done: [],
    lefts: [],
    ...more,
  }) as unknown as CrewsDay;

it('like trees are told together, what was left with its reason, to whoever the place belongs to', () => {
  const [told] = toTell(
    day({ done: [record('101'), record('102'), record('104')], lefts: [left('105', 'rain'), left('106', 'refused')] }),
  );
  expect(told).toMatchObject({
    siteId: 'p',
    to: 'Town council, trees@town.example',
    subject: 'What we did at Quay Avenue on Monday 1 June',
  });
  expect(told!.body.split('\n')).toEqual([
    'Trees 101–102, 104: soil drench with Training label 1, for elm leaf beetle.',
    'Tree 105: not done, as it rained. We will speak with you about another day.',
    'Tree 106: not done, as it was not wanted. We will speak with you about another day.',
  ]);
});

it('the latest hour of keeping off and the latest day of the fruit are told in the time of the place', () => {
  const [told] = toTell(
    day({
      done: [
        record('1', { reEntryUntil: '2026-06-01T14:00:00.000Z', eatFrom: '2026-06-15' }),
        record('2', { reEntryUntil: '2026-06-01T23:30:00.000Z' }),
      ],
    }),
  );
  expect(told!.body).toContain('keep people and animals off until 00:30 on 2 Jun 2026.');
  expect(told!.body).toContain('Tree 1: the fruit is not picked or eaten before 15 Jun 2026.');
});

it('what was done without a product is told too; of a place where nothing came of the day, nobody is told', () => {
  const items = [
    { kind: 'look', stands: 'done', siteId: 'p', look: { tag: '9', what: 'Count live stages' } },
    { kind: 'work', stands: 'open', siteId: 'p', work: { tag: '8', workId: 'guard' } },
  ];
  expect(toTell(day({ stops: [{ siteId: 'p', items }] }))[0]!.body).toBe('Tree 9: Count live stages.');
  expect(toTell(day({ stops: [{ siteId: 'p', items: items.slice(1) }] }))).toEqual([]);
});
