import { daysBetween } from '../../lib/calendar/days';
import type { LocalDate } from '../../lib/calendar/zone';

/** Minutes since midnight, by the clock of the place. */
export interface Hours {
  from: number;
  to: number;
}

/** What is done in one coming out to one place: some like trees, or a look, or a work. */
export interface Job {
  id: string;
  siteId: string;
  /** First and last day on which it may stand. */
  earliest: LocalDate;
  latest: LocalDate;
  /** The last day is a label's or a season's: after it, it is not done at all. Else it is late. */
  firm: boolean;
  /** The day it was planned for, or is due on; null where any day of its span is as good. */
  wanted: LocalDate | null;
  /** A day that the client has been told; moving it costs. */
  told: LocalDate | null;
  /** Minutes of the crew's hands at the trees. */
  minutes: number;
  /** Minutes for which devices hang after they are set, to be pulled on the same day; 0 for none. */
  hangs: number;
  /** What must be loaded and set up for it, by its key; null for what every crew has in its pockets. */
  kit: string | null;
  /** Categories of licence that somebody of the crew must hold; empty where none is needed. */
  licences: readonly string[];
  /** Somebody of the crew must hold a licence, whatever its category. */
  licensed: boolean;
  /** How likely the air is to suit it on each day of the problem, 0 to 1; null where nobody knows. */
  chances: readonly (number | null)[] | null;
  /** Hours of each day of the problem in which the air and the light suit it; null where any hour is as good. */
  daytimes: readonly (readonly Hours[] | null)[] | null;
  /** What a miss would cost: 1 a little, 2 a season, 3 a tree or a law. */
  stake: 1 | 2 | 3;
  /** It has something that travels on tools: sound trees come first. */
  sick: boolean;
  /** Hours for which nobody enters after it. */
  reEntryHours: number;
  /** Jobs that must have been done so many days before. */
  after: readonly { jobId: string; days: number }[];
  /** Where it stands in the plan in force; null where it stands nowhere. */
  now: Placed | null;
  /** Somebody has said that it stays there. */
  locked: boolean;
}
export interface Placed {
  day: LocalDate;
  crewId: string;
}

export interface Crew {
  id: string;
  name: string;
  /** When it works on each day of the problem; null: not at all. */
  hours: readonly (Hours | null)[];
  /** Its rests on each day, between its hours: nobody drives or works in them. */
  rests: readonly (readonly Hours[])[];
  /** Categories of licence at hand on each day; null where nobody of it has a licence. */
  licences: readonly (readonly string[] | null)[];
}
export interface JobSite {
  id: string;
  name: string;
  /** When one may be there on each day of the problem; empty: not at all. */
  open: readonly (readonly Hours[])[];
}
export interface Kit {
  key: string;
  /** Minutes of loading and setting up, once a day and crew. */
  setUp: number;
  /** How many crews can have it on one day; null where nobody keeps a list. */
  count: number | null;
}

/** A span of days, crews and what waits for them. */
export interface Problem {
  days: readonly LocalDate[];
  crews: readonly Crew[];
  places: readonly JobSite[];
  kits: readonly Kit[];
  jobs: readonly Job[];
  /**
   * Minutes of driving: rows and columns are the crews' yards in their order, then the places in theirs. Straight distance
   * (drive.ts) or a road matrix.
   */
  drive: readonly (readonly number[])[];
}

/**
 * What speaks against a day, in minutes of a crew. A missed visit of the highest stake weighs two weeks of a person; practice
 * figures, one list.
 */
export const WEIGHTS = {
  /** Not done at all in its span, times the square of its stake. */
  missed: 600,
  /** After its last day, times the stake: at once, and for each day. */
  late: 60,
  lateDay: 20,
  /** A day from the one that it was planned for. */
  offDay: 2,
  /** Work that the air breaks off is done again; beside it, going home and coming again. */
  brokenOff: 60,
  /** Another day than the client was told; than the plan in force has; another crew on the same day. */
  toldMoved: 120,
  moved: 25,
  otherCrew: 8,
  /** Walking on, talking, walking off, once a place, crew and day. */
  stop: 15,
  /** A crew that goes out at all. */
  out: 30,
  /** Blades, bits and boots between something that travels on tools and a sound tree. */
  clean: 10,
} as const;

/** What the air is taken to do where no forecast reaches and none is in hand. */
const USUAL_CHANCE = 0.6;
/** Nobody drives out with a sprayer where fewer courses of the forecast than this let them work. */
const HOPELESS = 0.2;

/** Everything about a problem that the search asks over and over, by number. A slot is crew × days + day. */
export interface Indexed {
  problem: Problem;
  nDays: number;
  nSlots: number;
  /** Place, kit (−1: none) and predecessors of each job. */
  siteOf: Int32Array;
  kitOf: Int32Array;
  afterOf: { job: number; days: number }[][];
  beforeOf: { job: number; days: number }[][];
  jobsAt: number[][];
  /** Cost of a job in a slot for itself, Infinity where it may not stand there whatever else is planned. */
  own: Float64Array[];
  /** Slots in which it may stand, and jobs that may stand in each slot. */
  slots: Int32Array[];
  jobsOfSlot: number[][];
  /** Cost of leaving it out. */
  missed: Float64Array;
  /** Slot of the plan in force; −1 for none. */
  now: Int32Array;
}

/** Number of a crew and of a day that a slot stands for. */
export const crewAndDay = ({ nDays }: Pick<Indexed, 'nDays'>, slot: number): [crew: number, day: number] => [
  Math.floor(slot / nDays),
  slot % nDays,
];
/** The crew and the day of a slot by their names, and back; −1 where there is no such crew or day. */
export function placedAt(x: Pick<Indexed, 'problem' | 'nDays'>, slot: number): Placed {
  const [c, d] = crewAndDay(x, slot);
  return { day: x.problem.days[d]!, crewId: x.problem.crews[c]!.id };
}
export function slotAt({ crews, days }: Problem, placed: Placed | null): number {
  const [c, d] = placed ? [crews.findIndex((k) => k.id === placed.crewId), days.indexOf(placed.day)] : [-1, -1];
  return c < 0 || d < 0 ? -1 : c * days.length + d;
}

/** What keeps a job from a slot. */
export type Limit =
  | { by: 'span'; earliest: LocalDate; latest: LocalDate }
  | { by: 'crew off'; crewId: string }
  | { by: 'licence'; crewId: string; category: string | null }
  | { by: 'air'; chance: number }
  | { by: 'closed'; siteId: string }
  | { by: 'too long'; minutes: number; room: number }
  | { by: 'hours'; crewId: string; short: number }
  | { by: 'opening'; siteId: string }
  | { by: 'daytime'; jobId: string }
  | { by: 'kit'; kit: string; count: number }
  | { by: 're-entry'; siteId: string; jobId: string }
  | { by: 'after'; jobId: string; days: number }
  | { by: 'locked'; day: LocalDate };

/** How likely the air is to suit a job on a day; where nobody knows, as often as on the days that are known. */
export function chanceOn({ chances }: Pick<Job, 'chances'>, day: number): number {
  if (!chances) return 1;
  const known = chances.filter((c) => c !== null);
  return chances[day] ?? (known.length ? known.reduce((a, c) => a + c, 0) / known.length : USUAL_CHANCE);
}

/** What standing on a day costs a job for itself: its hands, late, off its day, the air, moved from what somebody counts on. */
export function ownCost(job: Job, day: LocalDate, dayIndex: number, crewId: string): number {
  // What was late before these days began is late on each of them: only the days since count.
  const late = Math.max(0, Math.min(daysBetween(job.latest, day), dayIndex));
  const off = job.wanted === null ? 0 : Math.abs(daysBetween(job.wanted, day));
  const fails = 1 - chanceOn(job, dayIndex);
  return (
    job.minutes +
    (late > 0 ? job.stake * (WEIGHTS.late + WEIGHTS.lateDay * late) : 0) +
    WEIGHTS.offDay * off +
    fails * (job.minutes + WEIGHTS.brokenOff) +
    (job.told !== null && job.told !== day
      ? WEIGHTS.toldMoved
      : job.now && job.now.day !== day
        ? WEIGHTS.moved
        : job.now && job.now.crewId !== crewId
          ? WEIGHTS.otherCrew
          : 0)
  );
}

/** The longest span of a day in which a crew and a place are both there, minutes. */
export const sharedMinutes = (open: readonly Hours[], hours: Hours): number =>
  Math.max(0, ...open.map((o) => Math.min(o.to, hours.to) - Math.max(o.from, hours.from)));

/** Minutes of loading and setting up some kits, a bit each. */
export const settingUp = ({ kits }: Pick<Problem, 'kits'>, of: number): number =>
  kits.reduce((sum, k, i) => sum + (of & (1 << i) ? k.setUp : 0), 0);

/** What keeps a job from a crew on a day whatever else is planned. */
export function never(problem: Problem, job: Job, crew: Crew, d: number): Limit | null {
  const day = problem.days[d]!;
  if (job.locked && job.now && (job.now.day !== day || job.now.crewId !== crew.id))
    return { by: 'locked', day: job.now.day };
  if (day < job.earliest || (job.firm && day > job.latest))
    return { by: 'span', earliest: job.earliest, latest: job.latest };
  const hours = crew.hours[d];
  if (!hours) return { by: 'crew off', crewId: crew.id };
  const held = crew.licences[d];
  if (job.licensed && !held) return { by: 'licence', crewId: crew.id, category: null };
  const missing = job.licences.find((l) => !held?.includes(l));
  if (missing !== undefined) return { by: 'licence', crewId: crew.id, category: missing };
  const chance = job.chances?.[d] ?? null;
  if (chance !== null && chance < HOPELESS) return { by: 'air', chance };
  const open = problem.places.find((p) => p.id === job.siteId)?.open[d] ?? [];
  if (!open.length) return { by: 'closed', siteId: job.siteId };
  const room = sharedMinutes(open, hours);
  const minutes = job.minutes + job.hangs;
  if (minutes > room) return { by: 'too long', minutes, room };
  const daytimes = job.daytimes?.[d] ?? null;
  if (daytimes && sharedMinutes(daytimes, hours) < job.minutes) return { by: 'daytime', jobId: job.id };
  return null;
}

/**
 * A problem with what the search needs beside it.
 * @throws when an id names nothing, or two jobs have one id: bugs of whoever made it
 */
export function indexed(problem: Problem): Indexed {
  const { days, crews, places, kits, jobs } = problem;
  const nDays = days.length;
  const numbers = <T>(of: readonly T[], key: (x: T) => string) => new Map(of.map((x, i) => [key(x), i]));
  const siteAt = numbers(places, (p) => p.id);
  const kitAt = numbers(kits, (k) => k.key);
  const jobAt = numbers(jobs, (j) => j.id);
  if (jobAt.size < jobs.length) throw new Error('two jobs have the same id');
  const named = (map: Map<string, number>, key: string, what: string) => {
    const i = map.get(key);
    if (i === undefined) throw new Error(`there is no ${what} ${key}`);
    return i;
  };
  const siteOf = Int32Array.from(jobs, (j) => named(siteAt, j.siteId, 'place'));
  const jobsAt: number[][] = places.map(() => []);
  siteOf.forEach((p, j) => jobsAt[p]!.push(j));
  // What is not among the jobs is not waited for: it is done, or lies beyond these days.
  const afterOf = jobs.map((j) =>
    j.after.flatMap((a) => (jobAt.has(a.jobId) ? [{ job: jobAt.get(a.jobId)!, days: a.days }] : [])),
  );
  const beforeOf: { job: number; days: number }[][] = jobs.map(() => []);
  afterOf.forEach((list, job) => list.forEach((a) => beforeOf[a.job]!.push({ job, days: a.days })));
  const own = jobs.map((job) => {
    const costs = new Float64Array(crews.length * nDays).fill(Infinity);
    crews.forEach((crew, c) =>
      days.forEach((day, d) => {
        if (!never(problem, job, crew, d)) costs[c * nDays + d] = ownCost(job, day, d, crew.id);
      }),
    );
    return costs;
  });
  const nSlots = crews.length * nDays;
  const slots = own.map((costs) => Int32Array.from([...costs.keys()].filter((s) => costs[s]! < Infinity)));
  const jobsOfSlot: number[][] = Array.from({ length: nSlots }, () => []);
  slots.forEach((list, j) => list.forEach((s) => jobsOfSlot[s]!.push(j)));
  return {
    problem,
    nDays,
    nSlots,
    siteOf,
    kitOf: Int32Array.from(jobs, (j) => (j.kit === null ? -1 : named(kitAt, j.kit, 'kit'))),
    afterOf,
    beforeOf,
    jobsAt,
    own,
    slots,
    jobsOfSlot,
    missed: Float64Array.from(jobs, (j) => j.minutes + WEIGHTS.missed * j.stake * j.stake),
    now: Int32Array.from(jobs, ({ now }) => slotAt(problem, now)),
  };
}
