import { costWith, crewDay, dayInOrder, type CrewDay } from './day';
import { chanceFrom } from '../../lib/random';
import { crewAndDay, never, WEIGHTS, type Indexed, type Limit } from './problem';

/** Days and crews of all jobs while they are being sought: what is put where, what it costs, what stands against it. */
export interface Plan {
  readonly x: Indexed;
  /** Slot of each job; −1 where it is left out. */
  readonly slotOf: Int32Array;
  /** Jobs of each slot, in their order by number. */
  readonly jobsIn: readonly number[][];
  /** The whole cost: what stands, and what is left out. */
  cost(): number;
  /**
   * What putting a job into a slot would add, beside the cost of leaving it out; null where it may not stand there, or would
   * add as much as `below`.
   */
  adds(job: number, slot: number, below?: number): number | null;
  /** How many jobs of a place stand in a slot. */
  at(place: number, slot: number): number;
  /** What keeps it from a slot now; empty where nothing does. */
  against(job: number, slot: number): Limit[];
  /** False where it may not stand there after all; it is left out then. */
  put(job: number, slot: number): boolean;
  take(job: number): void;
  dayOf(slot: number): CrewDay | null;
  /** What stands now, to be come back to. */
  save(): Saved;
  restore(saved: Saved): void;
}
/** A plan as it stood once. */
export interface Saved {
  slotOf: Int32Array;
  days: readonly (CrewDay | null)[];
  cost: number;
}

/** A job that closes its place keeps others away until nobody is kept out any more. */
function reEntered(x: Indexed, closing: number, slot: number, other: number): boolean {
  const { problem } = x;
  const hours = problem.jobs[closing]!.reEntryHours;
  if (!hours || slot === other) return true;
  const [[c, d], [k, e]] = [crewAndDay(x, slot), crewAndDay(x, other)];
  if (e < d) return true;
  if (e === d) return false;
  const end = problem.crews[c]!.hours[d]?.to ?? 1440;
  const begin = problem.crews[k]!.hours[e]?.from ?? 0;
  return (e - d) * 1440 + begin >= end + hours * 60;
}

/**
 * What days and crews break, job by job: the same rules as the search keeps, asked of a whole plan by somebody who does not
 * trust it.
 * @param slotOf slot of each job, −1 where it is left out
 * @param places the order of places of a slot, where it is given; else the best that is found
 */
export function broken(
  x: Indexed,
  slotOf: Int32Array,
  places: ReadonlyMap<number, readonly number[]> = new Map(),
): { job: number; limit: Limit }[] {
  const { problem, nDays, nSlots } = x;
  const out: { job: number; limit: Limit }[] = [];
  const jobsIn: number[][] = Array.from({ length: nSlots }, () => []);
  slotOf.forEach((s, job) => {
    if (s < 0) {
      const { now, locked } = problem.jobs[job]!;
      if (locked && now && x.slots[job]!.includes(x.now[job]!))
        out.push({ job, limit: { by: 'locked', day: now.day } });
      return;
    }
    jobsIn[s]!.push(job);
    const [c, d] = crewAndDay(x, s);
    const limit = never(problem, problem.jobs[job]!, problem.crews[c]!, d);
    if (limit) out.push({ job, limit });
    for (const a of x.afterOf[job]!) {
      const before = slotOf[a.job]!;
      if (before >= 0 && (s % nDays) - (before % nDays) < a.days)
        out.push({ job, limit: { by: 'after', jobId: problem.jobs[a.job]!.id, days: a.days } });
    }
    for (const other of x.jobsAt[x.siteOf[job]!]!)
      if (slotOf[other]! >= 0 && !reEntered(x, other, slotOf[other]!, s))
        out.push({
          job,
          limit: { by: 're-entry', siteId: problem.jobs[job]!.siteId, jobId: problem.jobs[other]!.id },
        });
  });
  jobsIn.forEach((jobs, slot) => {
    if (!jobs.length) return;
    const order = places.get(slot);
    const day = order ? dayInOrder(x, slot, jobs, order) : crewDay(x, slot, jobs);
    if (!day.ok) out.push({ job: jobs[0]!, limit: day.limit });
  });
  problem.kits.forEach((kit, k) => {
    if (kit.count === null) return;
    for (let d = 0; d < nDays; d++) {
      const having = problem.crews.flatMap((_, c) => jobsIn[c * nDays + d]!.find((j) => x.kitOf[j] === k) ?? []);
      for (const job of having.slice(kit.count))
        out.push({ job, limit: { by: 'kit', kit: kit.key, count: kit.count } });
    }
  });
  return out;
}

/** What jobs of different days and crews mean for one another. */
function limitsBetween(x: Indexed, slotOf: Int32Array, jobsIn: readonly (readonly number[])[]) {
  const { problem, nDays, nSlots } = x;
  const kit = (job: number, slot: number): Limit | null => {
    const k = x.kitOf[job]!;
    const count = k < 0 ? null : problem.kits[k]!.count;
    if (count === null) return null;
    const has = (s: number) => jobsIn[s]!.some((j) => j !== job && x.kitOf[j] === k);
    if (has(slot)) return null;
    let used = 0;
    for (let s = slot % nDays; s < nSlots; s += nDays) if (s !== slot && has(s)) used += 1;
    return used < count ? null : { by: 'kit', kit: problem.kits[k]!.key, count };
  };
  const place = (job: number, slot: number): Limit | null => {
    const p = x.siteOf[job]!;
    for (const o of x.jobsAt[p]!) {
      const s = slotOf[o]!;
      if (o === job || s < 0) continue;
      if (!reEntered(x, o, s, slot) || !reEntered(x, job, slot, s))
        return { by: 're-entry', siteId: problem.places[p]!.id, jobId: problem.jobs[o]!.id };
    }
    return null;
  };
  const order = (job: number, slot: number): Limit | null => {
    const d = slot % nDays;
    for (const a of x.afterOf[job]!) {
      const s = slotOf[a.job]!;
      if (s >= 0 && d < (s % nDays) + a.days) return { by: 'after', jobId: problem.jobs[a.job]!.id, days: a.days };
    }
    for (const b of x.beforeOf[job]!) {
      const s = slotOf[b.job]!;
      if (s >= 0 && s % nDays < d + b.days) return { by: 'after', jobId: problem.jobs[b.job]!.id, days: b.days };
    }
    return null;
  };
  return { kit, place, order };
}

/** Jobs with one more, in their order by number. */
const withJob = (jobs: readonly number[], job: number): number[] => {
  const at = jobs.findIndex((j) => j > job);
  return at < 0 ? [...jobs, job] : [...jobs.slice(0, at), job, ...jobs.slice(at)];
};

/** What was worked out of a job and a slot stands as long as the same jobs stand in it. */
function remembered(x: Indexed) {
  const { problem, nSlots } = x;
  const count = problem.jobs.length;
  const [of, costs] = [new Float64Array(count * nSlots), new Float64Array(count * nSlots)];
  const roll = chanceFrom(count);
  const marks = Float64Array.from(problem.jobs, () => Math.floor(roll() * 2 ** 50));
  return {
    /** A mark of some jobs, the same in whatever order they came; below 2^53 its sum is exact. */
    markOf: (jobs: readonly number[]) => jobs.reduce((a, j) => (a + marks[j]!) % 2 ** 52, 1),
    /** @param mark of the jobs that stand in the slot */
    costWith(job: number, slot: number, mark: number, day: CrewDay | null): number | null {
      const at = job * nSlots + slot;
      if (of[at] !== mark) {
        of[at] = mark;
        costs[at] = costWith(x, slot, day, job) ?? NaN;
      }
      return Number.isNaN(costs[at]!) ? null : costs[at]!;
    },
  };
}

/** What keeps a job from a slot in which others stand. */
function againstOf({
  x,
  limits,
  others,
  job,
  slot,
}: {
  x: Indexed;
  limits: ReturnType<typeof limitsBetween>;
  others: readonly number[];
  job: number;
  slot: number;
}): Limit[] {
  const [c, d] = crewAndDay(x, slot);
  const whatever = never(x.problem, x.problem.jobs[job]!, x.problem.crews[c]!, d);
  if (whatever) return [whatever];
  const day = crewDay(x, slot, withJob(others, job));
  return [limits.order(job, slot), limits.kit(job, slot), limits.place(job, slot), day.ok ? null : day.limit].filter(
    (l) => l !== null,
  );
}

/** How many jobs of each place stand in each slot, kept while they come and go. */
function countedBy({ problem, nSlots, siteOf }: Indexed, jobsIn: readonly (readonly number[])[]) {
  const places = problem.places.length;
  const there = new Uint16Array(nSlots * places);
  return {
    at: (place: number, slot: number): number => there[slot * places + place]!,
    count(slot: number, by: 1 | -1): void {
      for (const j of jobsIn[slot]!) there[slot * places + siteOf[j]!]! += by;
    },
  };
}

export function emptyPlan(x: Indexed): Plan {
  const { problem, nSlots } = x;
  const slotOf = new Int32Array(problem.jobs.length).fill(-1);
  const jobsIn: number[][] = Array.from({ length: nSlots }, () => []);
  const days: (CrewDay | null)[] = Array.from({ length: nSlots }, () => null);
  let total = x.missed.reduce((a, m) => a + m, 0);
  const thought = remembered(x);
  const markOf = new Float64Array(nSlots).fill(thought.markOf([]));

  const limits = limitsBetween(x, slotOf, jobsIn);
  const others = (slot: number, job: number) => jobsIn[slot]!.filter((j) => j !== job);

  const { at, count } = countedBy(x, jobsIn);
  /** @param known the day that these jobs had before; else it is worked out, from the order that stands */
  const set = (slot: number, jobs: number[], known?: CrewDay | null) => {
    total -= costOf(days[slot]!);
    count(slot, -1);
    jobsIn[slot] = jobs;
    count(slot, 1);
    const was = days[slot]!;
    const anew = () => (jobs.length ? crewDay(x, slot, jobs, was?.ok ? was.stops.map((p) => p.place) : []) : null);
    days[slot] = known === undefined ? anew() : known;
    markOf[slot] = thought.markOf(jobs);
    total += costOf(days[slot]!);
  };
  return {
    x,
    slotOf,
    jobsIn,
    cost: () => total,
    dayOf: (slot) => days[slot]!,
    save: () => ({ slotOf: slotOf.slice(), days: [...days], cost: total }),
    restore(saved) {
      const touched = new Set<number>();
      for (let s = 0; s < nSlots; s++) if (days[s] !== saved.days[s]) touched.add(s);
      for (const s of touched) {
        count(s, -1);
        jobsIn[s] = [];
      }
      slotOf.set(saved.slotOf);
      saved.slotOf.forEach((s, j) => touched.has(s) && jobsIn[s]!.push(j));
      for (const s of touched) {
        count(s, 1);
        days[s] = saved.days[s]!;
        markOf[s] = thought.markOf(jobsIn[s]!);
      }
      total = saved.cost;
    },
    at,
    adds(job, slot, below = Infinity) {
      const own = x.own[job]![slot]!;
      if (own === Infinity) return null;
      const cost = thought.costWith(job, slot, markOf[slot]!, days[slot]!);
      if (cost === null) return null;
      const sum = own + cost - costOf(days[slot]!);
      // What is between days and crews is asked last: it is not remembered.
      if (sum >= below || limits.order(job, slot) || limits.kit(job, slot) || limits.place(job, slot)) return null;
      return sum;
    },
    against: (job, slot) => againstOf({ x, limits, others: others(slot, job), job, slot }),
    put(job, slot) {
      slotOf[job] = slot;
      const [was, day] = [jobsIn[slot]!, days[slot]!];
      total += x.own[job]![slot]! - x.missed[job]!;
      set(slot, withJob(was, job));
      if (days[slot]?.ok) return true;
      slotOf[job] = -1;
      total += x.missed[job]! - x.own[job]![slot]!;
      // Sought anew without its order, what could be made might not be found again.
      set(slot, was, day);
      return false;
    },
    take(job) {
      const slot = slotOf[job]!;
      if (slot < 0) return;
      slotOf[job] = -1;
      total += x.missed[job]! - x.own[job]![slot]!;
      set(slot, others(slot, job));
      // One less can ask more: what it leaves behind is sound after sick, and wants cleaning. What does not fit goes too.
      const last = jobsIn[slot]!.at(-1);
      if (days[slot] && !days[slot].ok && last !== undefined) this.take(last);
    },
  };
}

const costOf = (day: CrewDay | null): number => (day?.ok ? day.cost : 0);

/** The least that a job can add to a slot: its own cost, and coming to its place where nothing else does. */
export function leastAdds(plan: Plan, job: number, slot: number): number {
  const { x, jobsIn } = plan;
  const own = x.own[job]![slot]!;
  if (!jobsIn[slot]!.length) return own + WEIGHTS.out + WEIGHTS.stop;
  return plan.at(x.siteOf[job]!, slot) ? own : own + WEIGHTS.stop;
}
