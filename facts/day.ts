import { indexed, slotAt, type Limit } from '@/core/schedule/problem';
import { broken } from '@/core/schedule/plan';
import { dayInOrder } from '@/core/schedule/day';
import { jobsOf } from '@/core/schedule/jobs';
import type { Placed } from '@/core/schedule/problem';
import type { Fortnight } from './fortnight';

/** What a crew may go against when somebody puts a thing on its round by hand: it is said, and theirs to know better. */
const THEIRS: readonly Limit['by'][] = ['air', 'hours', 'opening', 'daytime', 'too long', 'locked'];

/** A crew's day with some items on it, in the order of places that somebody wants. */
export interface DayByHand {
  /** What no hand puts there, and what somebody who knows better may. */
  never: Limit[];
  against: Limit[];
  /** When the crew is at each place, minutes of the day; as near as can be told where the day is too full to be walked. */
  begins: Map<string, number>;
}

/**
 * Works out a day that somebody puts together by hand.
 * @param onIt ids of everything that stands on it, what is put there among them
 * @param put ids of what is put there now
 * @param order ids of places in the order in which they are gone to
 */
export function dayByHand({
  f,
  at,
  onIt,
  put,
  order,
}: {
  f: Fortnight;
  at: Placed;
  onIt: ReadonlySet<string>;
  put: ReadonlySet<string>;
  order: readonly string[];
}): DayByHand {
  const items = f.problem.jobs
    .flatMap((j) => j.items)
    .map((i) => (onIt.has(i.id) ? { ...i, now: at, locked: put.has(i.id) || i.locked } : i));
  const problem = { ...f.problem, jobs: jobsOf(items) };
  const x = indexed(problem);
  const slot = slotAt(problem, at);
  const slotOf = Int32Array.from(problem.jobs, (j) => slotAt(problem, j.now));
  const places = order.map((id) => problem.places.findIndex((p) => p.id === id)).filter((p) => p >= 0);
  const limits = broken(x, slotOf, new Map([[slot, places]]))
    .filter(({ job }) => slotOf[job] === slot)
    .filter(
      ({ job, limit }) =>
        ['hours', 'opening', 'daytime'].includes(limit.by) || problem.jobs[job]!.items.some((i) => put.has(i.id)),
    )
    .map(({ limit }) => limit);
  const jobs = [...slotOf.keys()].filter((j) => slotOf[j] === slot);
  const day = jobs.length ? dayInOrder(x, slot, jobs, places) : null;
  const begins = new Map<string, number>();
  if (day?.ok) for (const s of day.stops) begins.set(problem.places[s.place]!.id, Math.round(s.begin));
  else {
    const crew = problem.crews.findIndex((c) => c.id === at.crewId);
    let clock = problem.crews[crew]?.hours[problem.days.indexOf(at.day)]?.from ?? 480;
    for (const place of order) {
      begins.set(place, Math.min(1440, Math.round(clock)));
      clock += jobs.reduce((sum, j) => (problem.jobs[j]!.siteId === place ? sum + problem.jobs[j]!.minutes : sum), 0);
    }
  }
  return {
    never: limits.filter((l) => !THEIRS.includes(l.by)),
    against: limits.filter((l) => THEIRS.includes(l.by)),
    begins,
  };
}
