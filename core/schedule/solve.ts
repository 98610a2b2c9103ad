import type { LocalDate } from '../../lib/calendar/zone';
import { bounding, type Bounding } from './bound';
import { emptyPlan, type Plan } from './plan';
import { indexed, placedAt, slotAt, type Indexed, type Limit, type Placed, type Problem } from './problem';
import { search, type Search } from './search';

/** A crew's day of an answer. */
export interface PlannedDay {
  day: LocalDate;
  crewId: string;
  stops: { siteId: string; jobIds: string[]; arrive: number; begin: number; end: number }[];
  driving: number;
  /** When it leaves, loading included; when it is back. */
  leave: number;
  home: number;
}
/** What was not placed, with what kept it from each crew and day that lay in its span: the most frequent first. */
export interface LeftOut {
  jobId: string;
  why: { limit: Limit; days: number }[];
}
export interface Answer {
  rounds: PlannedDay[];
  left: LeftOut[];
  /** What it weighs, in minutes of a crew; of it, minutes that crews are really out, and those on the road. */
  cost: { whole: number; out: number; driving: number };
  /** No plan costs less than this; null while nobody has looked for it. */
  bound: number | null;
  /** Days of crews that are full: what an hour more would save, by the prices of the bound; the dearest first. */
  full: { day: LocalDate; crewId: string; hourSaves: number }[];
}

/** How far an answer may be from the best, as a share of its cost; null without a bound. What cannot be done at all is no choice. */
export function gapOf({ cost, bound }: Answer): number | null {
  if (bound === null) return null;
  return cost.whole > 0 ? Math.max(0, (cost.whole - bound) / cost.whole) : 0;
}

/** Kinds of limits that say the same of two days. */
const kindOf = (l: Limit): string =>
  JSON.stringify({ ...l, short: undefined, minutes: undefined, room: undefined, chance: undefined });

/** What keeps a job from all slots of a plan, counted. */
function whyLeft(plan: Plan, job: number): LeftOut['why'] {
  const { x } = plan;
  const counted = new Map<string, { limit: Limit; days: number }>();
  const { earliest, latest } = x.problem.jobs[job]!;
  for (let s = 0; s < x.nSlots; s++) {
    const day = x.problem.days[s % x.nDays]!;
    if (day < earliest || day > latest) continue;
    for (const limit of plan.against(job, s).slice(0, 1)) {
      const was = counted.get(kindOf(limit));
      if (was) was.days += 1;
      else counted.set(kindOf(limit), { limit, days: 1 });
    }
  }
  return [...counted.values()].sort((a, b) => b.days - a.days);
}

/** A search that can be asked at any time for what it has. */
export interface Solving {
  x: Indexed;
  /** One change of the plan, or one round of the bound; `share` of the time is spent. True where the plan became better. */
  step(share: number): boolean;
  answer(): Answer;
}

/** Every so many changes of the plan a round of the bound is made, until it is won no further. */
const BETWEEN = 4;

export function solving(problem: Problem, seed = 1): Solving {
  const x = indexed(problem);
  // What may stand on no day is told, and is not a matter of choice.
  const hopeless = x.slots.reduce((sum, list, j) => sum + (list.length ? 0 : x.missed[j]!), 0);
  const found = search(x, seed);
  const least = bounding(x);
  let open = true;
  let steps = 0;
  return {
    x,
    step(share) {
      steps += 1;
      if (open && steps % BETWEEN === 0) open = least.round(found.best().cost);
      return found.step(share);
    },
    answer: () => answerOf(found, hopeless, least),
  };
}

/** An hour more is told of where it would save so many minutes. */
const WORTH_SAYING = 15;

function answerOf(found: Search, hopeless: number, least: Bounding): Answer {
  const { x } = found;
  const { problem } = x;
  const { slotOf, days, cost } = found.best();
  const plan = emptyPlan(x);
  plan.restore(found.best());
  const rounds = days.flatMap((day, slot): PlannedDay[] => {
    if (!day?.ok) return [];
    return [
      {
        ...placedAt(x, slot),
        stops: day.stops.map(({ place, jobs, arrive, begin, end }) => ({
          siteId: problem.places[place]!.id,
          jobIds: jobs.map((j) => problem.jobs[j]!.id),
          arrive,
          begin,
          end,
        })),
        driving: day.driving,
        leave: day.leave,
        home: day.home,
      },
    ];
  });
  const { value, hours } = least.best();
  return {
    rounds: rounds.sort((a, b) => a.day.localeCompare(b.day) || a.crewId.localeCompare(b.crewId)),
    left: [...slotOf.keys()]
      .filter((j) => slotOf[j]! < 0)
      .map((j) => ({ jobId: problem.jobs[j]!.id, why: whyLeft(plan, j) })),
    cost: {
      whole: cost - hopeless,
      out: rounds.reduce((sum, r) => sum + r.home - r.leave, 0),
      driving: rounds.reduce((sum, r) => sum + r.driving, 0),
    },
    bound: value > -Infinity ? Math.max(0, value - hopeless) : null,
    full: [...hours.keys()]
      .filter((s) => hours[s]! > WORTH_SAYING)
      .sort((a, b) => hours[b]! - hours[a]!)
      .slice(0, 5)
      .map((s) => ({ ...placedAt(x, s), hourSaves: hours[s]! })),
  };
}

/** Where each job stands in an answer. */
export const placedIn = ({ rounds }: Pick<Answer, 'rounds'>): Map<string, Placed> =>
  new Map(rounds.flatMap((r) => r.stops.flatMap((s) => s.jobIds.map((id) => [id, { day: r.day, crewId: r.crewId }]))));

/** What a day would mean for one job while all others stay: what keeps each crew from it, or what it would cost more. */
export interface WhyNot {
  crewId: string;
  against: Limit[];
  /** Minutes more than where it stands now; null where it may not stand there. */
  more: number | null;
}
export function whyNot(problem: Problem, { rounds }: Pick<Answer, 'rounds'>, jobId: string, day: LocalDate): WhyNot[] {
  const x = indexed(problem);
  const at = placedIn({ rounds });
  const plan = emptyPlan(x);
  const d = problem.days.indexOf(day);
  const job = problem.jobs.findIndex((j) => j.id === jobId);
  if (d < 0 || job < 0) return [];
  problem.jobs.forEach((j, i) => {
    const slot = slotAt(problem, at.get(j.id) ?? null);
    if (slot >= 0) plan.put(i, slot);
  });
  const before = plan.cost();
  plan.take(job);
  return problem.crews.map((crew, c) => {
    const s = c * x.nDays + d;
    const against = plan.against(job, s);
    if (against.length || !plan.put(job, s)) return { crewId: crew.id, against, more: null };
    const more = plan.cost() - before;
    plan.take(job);
    return { crewId: crew.id, against, more };
  });
}

/** A problem in which it rains up to and with a day: what hangs on the air does not go. */
export const rainsUntil = (problem: Problem, last: LocalDate): Problem => ({
  ...problem,
  jobs: problem.jobs.map((j) =>
    j.chances ? { ...j, chances: j.chances.map((c, d) => (problem.days[d]! <= last ? 0 : c)) } : j,
  ),
});
/** A problem in which a crew does not go out on some days. */
export const withoutCrew = (problem: Problem, crewId: string, from: LocalDate, to: LocalDate): Problem => ({
  ...problem,
  crews: problem.crews.map((c) =>
    c.id === crewId
      ? { ...c, hours: c.hours.map((h, d) => (problem.days[d]! >= from && problem.days[d]! <= to ? null : h)) }
      : c,
  ),
});
/** A problem whose plan in force is an answer: what is worked out next changes as little of it as pays. */
export function inForce(problem: Problem, answer: Pick<Answer, 'rounds'>): Problem {
  const at = placedIn(answer);
  return { ...problem, jobs: problem.jobs.map((j) => ({ ...j, now: at.get(j.id) ?? null })) };
}

export interface Change {
  jobId: string;
  from: Placed | null;
  to: Placed | null;
  /** The client was told the day that it leaves. */
  told: boolean;
}
/** What another answer changes; another order on the same day is none. */
export function changesBetween(problem: Problem, was: Pick<Answer, 'rounds'>, now: Pick<Answer, 'rounds'>): Change[] {
  const [a, b] = [placedIn(was), placedIn(now)];
  return problem.jobs.flatMap((j) => {
    const [from, to] = [a.get(j.id) ?? null, b.get(j.id) ?? null];
    if (from?.day === to?.day && from?.crewId === to?.crewId) return [];
    return [{ jobId: j.id, from, to, told: j.told !== null && j.told !== to?.day }];
  });
}
