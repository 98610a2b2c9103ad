import { renderToStaticMarkup } from 'react-dom/server';
import { textOf } from '@/ui/testing';
import { fair } from '@/stand-ins/weather/fair';
import { DueRows, ForbiddenToday, OnTheTruck, stopsToday, TimeOver, wanted, type Day } from './today';
import { StationNow } from './today-air';

jest.mock('./schedule/note.client', () => ({ NoteStage: () => null }));
jest.mock('./trees/[id]/overview.client', () => ({ Settle: ({ what }: { what: string }) => `[settle ${what}]` }));

const stop = (id: string) => ({
  id,
  title: id,
  sentence: `${id} stops it.`,
  strength: 'stop',
  source: 'label',
  facts: [],
});
const undecided = (tag: string, by: string | null) => ({ tag, stop: by && stop(by) });
const due = (of: object): Day['due'][number] =>
  ({
    id: 'a',
    treeId: 't1',
    tag: '101',
    hostId: 'wych-elm',
    siteName: 'Quay Avenue',
    kind: 'look',
    what: 'Count live stages',
    due: '2026-06-01',
    onlyIf: null,
    accepted: null,
    assignmentId: null,
    cover: null,
    ...of,
  }) as unknown as Day['due'][number];

it('counts what wants doing in words, and in figures where there are many', () => {
  expect([wanted(0), wanted(1), wanted(9), wanted(10)]).toEqual([
    'Nothing wants',
    'One thing wants',
    'Nine things want',
    '10 things want',
  ]);
});

it('what is stopped is told once for all trees that it stops', () => {
  const stops = stopsToday([
    undecided('7', 'wind'),
    undecided('8', null),
    undecided('9', 'wind'),
    undecided('9', 'bees'),
  ] as never);
  expect(stops.map((s) => [s.gate.id, s.tags])).toEqual([
    ['wind', ['7', '9']],
    ['bees', ['9']],
  ]);
  expect(textOf(<ForbiddenToday stops={stops} />)).toContain('Trees 7, 9');
  expect(textOf(<ForbiddenToday stops={[]} />)).toContain('Nothing that was decided is stopped.');
});

describe('visits that fall due', () => {
  const rows = (visits: Day['due'], settle: boolean) =>
    textOf(<DueRows visits={visits} settle={settle} right={(f) => f.due} />);
  it('of one tree stand each for itself, and are settled there by whoever may', () => {
    const two = [due({}), due({ id: 'b', tag: '102', onlyIf: 'pests are found' })];
    expect(rows(two, true).match(/\[settle/g)).toHaveLength(2);
    expect(rows(two, true)).toContain('(only if pests are found)');
    expect(rows(two, false)).not.toContain('[settle');
  });
  it('of a programme on one day are one row, with their number, and are answered on its page', () => {
    const of = ['x', 'y', 'z'].map((id) => due({ id, assignmentId: 'p', tag: id }));
    const told = rows([...of, due({ id: 'later', assignmentId: 'p', due: '2026-06-08' })], true);
    expect(told).toContain('3 trees, Quay Avenue');
    expect(told.match(/Quay Avenue/g)).toHaveLength(2);
    expect(told).not.toContain('[settle');
    expect(renderToStaticMarkup(<DueRows visits={of} settle right={() => null} />)).toContain(
      '/schedule/programmes/assigned/p',
    );
  });
});

it('the truck carries plans, counted by site, with their mix', () => {
  const plan = (siteId: string, mixMl: number | null) => ({ siteId, mixMl }) as Day['plans'][number];
  const told = textOf(<OnTheTruck units="metric" plans={[plan('a', 4000), plan('a', null), plan('b', 3500)]} />);
  expect(told).toContain('3 plans at 2 places, 7.5 L of mix.');
  expect(textOf(<OnTheTruck units="metric" plans={[]} />)).toContain('Nothing is planned.');
});

it('plans whose time is over are counted in the right number', () => {
  expect(textOf(<TimeOver count={1} />)).toBe('The time of a plan is over: plan anew, or drop it .');
  expect(textOf(<TimeOver count={4} />)).toBe('The time of 4 plans is over: plan anew, or drop them .');
});

it('a station that does not measure is never told as one that does', () => {
  const at = new Date('2026-06-01T10:00:00Z');
  const told = (station: ReturnType<typeof fair>) =>
    textOf(<StationNow station={station} air={station.at(at)} units="metric" />);
  const here = fair({ lat: null, lon: null });
  expect(told({ ...here, basis: 'usual' })).toContain('No station measures here.');
  expect(told(here)).not.toContain('No station measures here.');
  expect(told(here)).toContain(here.name);
});
