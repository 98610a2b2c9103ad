import type { Job, Problem } from './problem';
import { drawProblem } from './testing';
import { turned } from './turned';

const allDay = { from: 0, to: 1440 };
/** Two crews over three days at places that are always open; the first job stands with the first crew on the second day. */
function standing(): Problem {
  const drawn = drawProblem({ jobs: 3, crews: 2, days: 3, places: 2, hours: 1 }, 7);
  const [first, ...others] = drawn.jobs;
  const now = { day: drawn.days[1]!, crewId: drawn.crews[0]!.id };
  const free: Job = {
    ...first!,
    earliest: drawn.days[0]!,
    latest: drawn.days[2]!,
    licences: [],
    licensed: false,
    chances: null,
    minutes: 30,
    hangs: 0,
    now,
  };
  return {
    ...drawn,
    crews: drawn.crews.map((c) => ({ ...c, hours: drawn.days.map(() => ({ from: 480, to: 960 })) })),
    places: drawn.places.map((p) => ({ ...p, open: drawn.days.map(() => [allDay]) })),
    jobs: [free, ...others.map((j) => ({ ...j, now: null }))],
  };
}

it('what stands well is not told, whatever else waits', () => expect(turned(standing())).toEqual([]));

it.each([
  ['the forecast', { chances: [1, 0.05, 1] }, { by: 'air', chance: 0.05 }],
  ['its span', { latest: '1999-01-01', earliest: '1999-01-01', firm: true }, { by: 'span' }],
])('%s has turned: told with what keeps it, locked or not', (_, change, limit) => {
  const problem = standing();
  const [job, ...others] = problem.jobs;
  for (const locked of [false, true]) {
    const jobs: Job[] = [{ ...job!, ...change, locked }, ...others];
    expect(turned({ ...problem, jobs })).toMatchObject([{ job: { id: job!.id }, limit }]);
  }
});

it('a crew that stays at home turns what it was to do', () => {
  const problem = standing();
  const crews = problem.crews.map((c, i) => (i ? c : { ...c, hours: c.hours.map((h, d) => (d === 1 ? null : h)) }));
  expect(turned({ ...problem, crews })).toMatchObject([{ limit: { by: 'crew off' } }]);
});

it('what stands in no round, or in one of a crew that is no more, is not told', () => {
  const problem = standing();
  const jobs = problem.jobs.map((j) => (j.now ? { ...j, now: { ...j.now, crewId: 'gone' } } : j));
  expect(turned({ ...problem, jobs })).toEqual([]);
});
