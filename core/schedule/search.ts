import { chanceFrom } from '../../lib/random';
import { emptyPlan, leastAdds, type Plan, type Saved } from './plan';
import type { Indexed } from './problem';

interface Best {
  slot: number;
  adds: number;
  /** What the second best day would add more. */
  regret: number;
}
/** The cheapest slot of a job as things stand, and how much it would be missed; null where it may stand nowhere. */
function cheapest(plan: Plan, job: number, not = -1): Best | null {
  const { x } = plan;
  const slots = x.slots[job]!;
  const least = Float64Array.from(slots, (slot) => leastAdds(plan, job, slot));
  const order = Uint16Array.from(slots.keys()).sort((a, b) => least[a]! - least[b]!);
  let [best, slot, second, day] = [x.missed[job]!, -1, x.missed[job]!, -1];
  for (const i of order) {
    // Nothing that follows can be better than the second.
    if (least[i]! >= second) break;
    if (slots[i] === not) continue;
    const adds = plan.adds(job, slots[i]!, second);
    if (adds === null) continue;
    const d = slots[i]! % x.nDays;
    if (adds < best) {
      if (d !== day) second = best;
      best = adds;
      slot = slots[i]!;
      day = d;
    } else if (d !== day) second = adds;
  }
  return slot < 0 ? null : { slot, adds: best, regret: second - best };
}

/** How much the order of putting back is left to chance, and how often one job waits for all others. */
const NOISE = 0.6;
const WAITS = 0.04;

/**
 * Puts jobs one after the other, each time the one that would lose most by waiting; what fits nowhere stays out.
 * @param roll leaves some of the order to chance; null for none
 * @param not a slot to which nothing goes
 */
function insertAll(plan: Plan, jobs: readonly number[], roll: (() => number) | null, not = -1): void {
  const { x } = plan;
  // Now and then one waits for all others: it may be in the way of something that matters more.
  const waits = roll ? jobs.filter(() => roll() < WAITS) : [];
  for (const group of waits.length ? [jobs.filter((j) => !waits.includes(j)), waits] : [jobs]) {
    const open = new Map<number, Best | null>(group.map((j) => [j, cheapest(plan, j, not)]));
    while (open.size) {
      let [chosen, most] = [-1, -Infinity];
      for (const [j, best] of open) {
        const value = best ? best.regret * (1 + (roll ? NOISE * roll() : 0)) + x.missed[j]! * 1e-3 : -Infinity;
        if (chosen < 0 || value > most) [chosen, most] = [j, value];
      }
      const best = open.get(chosen)!;
      open.delete(chosen);
      if (best && plan.put(chosen, best.slot))
        for (const [j, was] of open) if (touches(x, chosen, best.slot, j, was)) open.set(j, cheapest(plan, j, not));
    }
  }
}

/** Whether what was thought of a job must be thought again once another stands in a slot: of its day, its place, before or after it. */
const touches = (x: Indexed, put: number, slot: number, job: number, was: Best | null): boolean =>
  !was ||
  was.slot % x.nDays === slot % x.nDays ||
  x.siteOf[job] === x.siteOf[put] ||
  x.afterOf[job]!.some((a) => a.job === put) ||
  x.beforeOf[job]!.some((b) => b.job === put);

/** Jobs that have something to do with one another: of one place, of one crew's day, near days, or any. */
function related(plan: Plan, roll: () => number, count: number): number[] {
  const { x, slotOf, jobsIn } = plan;
  const n = slotOf.length;
  const seed = Math.floor(roll() * n);
  const kind = roll();
  const pick = (from: number[], most: number) => {
    const out = [...from];
    for (let i = out.length - 1; i > 0; i--) {
      const k = Math.floor(roll() * (i + 1));
      [out[i], out[k]] = [out[k]!, out[i]!];
    }
    return out.slice(0, most);
  };
  const all = [...slotOf.keys()];
  const outside = all.filter((j) => slotOf[j]! < 0 && x.slots[j]!.length > 0);
  const some = (() => {
    if (kind < 0.3) return x.jobsAt[x.siteOf[seed]!]!;
    const slot = slotOf[seed]!;
    if (kind < 0.5 && slot >= 0) {
      // A whole day of one crew, and those who are at its places on other days.
      const places = new Set(jobsIn[slot]!.map((j) => x.siteOf[j]!));
      return [
        ...jobsIn[slot]!,
        ...pick(
          all.filter((j) => places.has(x.siteOf[j]!)),
          count,
        ),
      ];
    }
    if (kind < 0.65 && slot >= 0) return all.filter((j) => slotOf[j]! >= 0 && slotOf[j]! % x.nDays === slot % x.nDays);
    if (kind < 0.85) {
      const row = x.problem.drive[x.problem.crews.length + x.siteOf[seed]!]!;
      const yards = x.problem.crews.length;
      return [...all].sort((a, b) => row[yards + x.siteOf[a]!]! - row[yards + x.siteOf[b]!]!).slice(0, count * 2);
    }
    return all;
  })();
  return [...new Set([...pick(some, count), ...pick(outside, Math.ceil(count / 3))])];
}

/**
 * Gives what one crew does on a day to another crew or day, and the other way round, or spreads it over all others; what
 * cannot go is put where it adds least.
 */
function swapDays(plan: Plan, roll: () => number, locked: (j: number) => boolean): void {
  const { x, jobsIn } = plan;
  const full = [...jobsIn.keys()].filter((s) => jobsIn[s]!.length > 0);
  if (!full.length) return;
  const from = full[Math.floor(roll() * full.length)]!;
  const to = Math.floor(roll() * x.nSlots);
  if (from === to || roll() < 0.3) {
    // A day is emptied, and nothing comes back to it at once.
    const out = jobsIn[from]!.filter((j) => !locked(j));
    for (const j of out) plan.take(j);
    return insertAll(plan, out, roll, from);
  }
  const [a, b] = [from, to].map((s) => jobsIn[s]!.filter((j) => !locked(j))) as [number[], number[]];
  for (const j of [...a, ...b]) plan.take(j);
  const moved = (jobs: readonly number[], slot: number) =>
    jobs.filter((j) => plan.adds(j, slot) === null || !plan.put(j, slot));
  insertAll(plan, [...moved(a, to), ...moved(b, from)], null);
}

/** How often whole days are swapped. */
const SWAPS = 0.15;
/** How much worse than the best a plan may be while it is being changed: where there are few jobs, one of them weighs more. */
const SLACK = { first: 0.003, last: 0.0001, ofOne: 0.4 };

/** A search for days and crews: a first plan at once, then one step after another for as long as somebody waits. */
export interface Search {
  x: Indexed;
  /** The best plan so far. */
  best(): Saved;
  /** One change; `share` of the time is spent. True where the best became better. */
  step(share: number): boolean;
}

/**
 * Large-neighbourhood search (Shaw 1998; Ropke and Pisinger 2006): some jobs are taken out and put back where they add least,
 * the one that would lose most by waiting first; a plan a little worse is gone on from (record-to-record travel, Dueck 1993).
 * Deterministic by its seed. Every plan on the way is legal.
 */
export function search(x: Indexed, seed = 1): Search {
  const roll = chanceFrom(seed);
  const plan = emptyPlan(x);
  const jobs = [...plan.slotOf.keys()];
  // What somebody has locked stands first; what is in force is kept where it may be, as far as that is the cheapest.
  for (const j of jobs) {
    const slot = x.now[j]!;
    if (x.problem.jobs[j]!.locked && slot >= 0 && plan.adds(j, slot) !== null) plan.put(j, slot);
  }
  for (const j of jobs) {
    const slot = x.now[j]!;
    if (plan.slotOf[j]! < 0 && slot >= 0 && plan.adds(j, slot) !== null) plan.put(j, slot);
  }
  insertAll(
    plan,
    jobs.filter((j) => plan.slotOf[j]! < 0),
    null,
  );
  let best = plan.save();
  const locked = (j: number) => x.problem.jobs[j]!.locked && plan.slotOf[j]! >= 0;
  return {
    x,
    best: () => best,
    step(share) {
      if (!jobs.length) return false;
      const before = plan.save();
      if (roll() < SWAPS) swapDays(plan, roll, locked);
      else {
        const count = Math.min(jobs.length, 3 + Math.floor(roll() * Math.min(28, 3 + jobs.length / 8)));
        const out = related(plan, roll, count).filter((j) => !locked(j));
        for (const j of out) plan.take(j);
        insertAll(plan, out, roll);
      }
      const now = plan.cost();
      if (now < best.cost - 1e-6) {
        best = plan.save();
        return true;
      }
      const first = SLACK.first + SLACK.ofOne / jobs.length;
      const slack = first + (SLACK.last - first) * Math.min(1, share);
      if (now > before.cost + 1e-9 && now > best.cost * (1 + slack)) plan.restore(before);
      return false;
    },
  };
}
