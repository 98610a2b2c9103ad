import { crewAndDay, settingUp, sharedMinutes, WEIGHTS, type Indexed } from './problem';

/**
 * A proof that no plan costs less than `value`: what each job may cost at most, and a price of a minute of each slot. Whoever
 * doubts it works {@link provenBy} out.
 */
export interface Bound {
  value: number;
  worth: Float64Array;
  minute: Float64Array;
}

/** What is bounded: the whole cost, or all of it but the driving. */
export type Bounded = 'whole' | 'without driving';

/** The least driving that coming to a place and leaving a yard take, and the minutes of each slot. */
interface Relaxed {
  way: Float64Array;
  yard: Float64Array;
  room: Float64Array;
  /** Minutes for which a place is open in a slot, without walking on and off. */
  open: Float64Array;
  /** What a minute of driving costs beside the time that it takes. */
  paid: 0 | 1;
}
function relaxed({ problem, nDays, nSlots }: Indexed, of: Bounded): Relaxed {
  const { crews, places, drive } = problem;
  const least = (of: number[]) => (of.length ? Math.min(...of) : 0);
  // A tour has one way into each of its places and one out of it: half of the shortest of each.
  const both = (i: number) =>
    (least(drive[i]!.filter((_, k) => k !== i)) + least(drive.map((row) => row[i]!).filter((_, k) => k !== i))) / 2;
  return {
    way: Float64Array.from(places, (_, p) => both(crews.length + p)),
    yard: Float64Array.from(crews, (_, c) => both(c)),
    room: Float64Array.from({ length: nSlots }, (_, s) => {
      const [c, d] = crewAndDay({ nDays }, s);
      const h = crews[c]!.hours[d];
      return h ? h.to - h.from : 0;
    }),
    open: openMinutes({ problem, nDays, nSlots }),
    paid: of === 'whole' ? 1 : 0,
  };
}

/** Minutes of each place and slot in which crew and place are both there, the longest span of a day. */
function openMinutes({ problem, nDays, nSlots }: Pick<Indexed, 'problem' | 'nDays' | 'nSlots'>): Float64Array {
  const out = new Float64Array(problem.places.length * nSlots);
  problem.places.forEach(({ open }, p) => {
    for (let s = 0; s < nSlots; s++) {
      const [c, d] = crewAndDay({ nDays }, s);
      const hours = problem.crews[c]!.hours[d];
      // A crew stops once at a place, so that one span of its hours holds all that is done there.
      out[p * nSlots + s] = hours ? Math.max(0, sharedMinutes(open[d]!, hours) - WEIGHTS.stop) : 0;
    }
  });
  return out;
}

/** A job that pays in a slot. */
interface Paying {
  job: number;
  gain: number;
  minutes: number;
}
/** What a slot takes at some prices: what it brings, the jobs with the share of each that fits, and the minutes they need. */
interface Taken {
  brings: number;
  jobs: { job: number; share: number }[];
  minutes: number;
}
const NOTHING: Taken = { brings: 0, jobs: [], minutes: 0 };

/** The jobs of a slot that pay, by place: the best by the minute first where its hours are too short for all. */
function payingAt(x: Indexed, r: Relaxed, worth: Float64Array, price: number, s: number): Map<number, Paying[]> {
  const out = new Map<number, Paying[]>();
  for (const job of x.jobsOfSlot[s]!) {
    const { minutes } = x.problem.jobs[job]!;
    const gain = worth[job]! - x.own[job]![s]! - price * minutes;
    if (gain <= 0) continue;
    const list = out.get(x.placeOf[job]!);
    if (list) list.push({ job, gain, minutes });
    else out.set(x.placeOf[job]!, [{ job, gain, minutes }]);
  }
  for (const [p, list] of out)
    if (list.reduce((sum, j) => sum + j.minutes, 0) > r.open[p * x.nSlots + s]!)
      list.sort((a, b) => b.gain * a.minutes - a.gain * b.minutes);
  return out;
}

/** What fits into the hours of a place with a choice of kits, the last piece cut (Dantzig 1957). */
function packed(x: Indexed, list: readonly Paying[], kits: number, room: number, into?: Taken): number {
  let sum = 0;
  for (const { job, gain, minutes } of list) {
    if (room <= 0) break;
    if (x.kitOf[job]! >= 0 && !(kits & (1 << x.kitOf[job]!))) continue;
    const share = Math.min(1, room / minutes);
    room -= share * minutes;
    sum += share * gain;
    if (!into) continue;
    into.jobs.push({ job, share });
    into.minutes += share * minutes;
  }
  return sum;
}

/** What pays a slot best: a choice of kits, the places that are worth coming to, their jobs; or nobody goes out. */
function bestOf(x: Indexed, r: Relaxed, worth: Float64Array, price: number, s: number): Taken {
  const { problem, nSlots } = x;
  const paying = payingAt(x, r, worth, price, s);
  const yard = r.yard[crewAndDay(x, s)[0]]!;
  const free = price * (r.room[s]! - yard) - WEIGHTS.out - r.paid * yard;
  const coming = (p: number) => WEIGHTS.stop + r.paid * r.way[p]! + price * (WEIGHTS.stop + r.way[p]!);
  let [brings, kits] = [0, -1];
  for (let of = 0; of < 1 << problem.kits.length; of++) {
    let sum = free - settingUp(problem, of) * (1 + price);
    for (const [p, list] of paying) sum += Math.max(0, packed(x, list, of, r.open[p * nSlots + s]!) - coming(p));
    if (sum > brings) [brings, kits] = [sum, of];
  }
  if (kits < 0) return NOTHING;
  const taken: Taken = { brings, jobs: [], minutes: settingUp(problem, kits) + yard };
  for (const [p, list] of paying) {
    const room = r.open[p * nSlots + s]!;
    if (packed(x, list, kits, room) <= coming(p)) continue;
    packed(x, list, kits, room, taken);
    taken.minutes += WEIGHTS.stop + r.way[p]!;
  }
  return taken;
}

/**
 * What prices prove: the Lagrangian of “each job once” and of the hours of each slot. Every slot takes what pays it best.
 * Left out are the hour of the day, re-entry, the order of jobs, numbers of kits, and of driving all but the shortest ways.
 * @returns the value, and by how much each job is taken too rarely (below 0: too often) and each slot over its minutes
 */
function lagrangian(x: Indexed, r: Relaxed, worth: Float64Array, minute: Float64Array) {
  let value = 0;
  const rare = Float64Array.from(worth, (w, j) => {
    value += Math.min(w, x.missed[j]!);
    // Left out where that is cheaper than its worth.
    return w > x.missed[j]! ? 0 : 1;
  });
  const over = new Float64Array(x.nSlots);
  for (let s = 0; s < x.nSlots; s++) {
    const taken = bestOf(x, r, worth, minute[s]!, s);
    value -= taken.brings;
    if (taken !== NOTHING) over[s] = taken.minutes - r.room[s]!;
    for (const { job, share } of taken.jobs) rare[job]! -= share;
  }
  return { value, rare, over };
}

/** The value that prices prove, worked out from nothing else. @returns −Infinity where a minute has a price below nothing */
export const provenBy = (x: Indexed, { worth, minute }: Omit<Bound, 'value'>, of: Bounded): number =>
  minute.some((m) => !(m >= 0)) ? -Infinity : lagrangian(x, relaxed(x, of), worth, minute).value;

/** How much of the last direction is kept (Camerini, Fratta and Maffioli 1975), and after how many rounds without gain steps are halved. */
const KEPT = 0.6;
const PATIENCE = 20;

/** A search for a bound: one round after another, for as long as somebody waits. */
export interface Bounding {
  best(): Bound;
  /** @param target cost of the best plan that is known; false once nothing more is won */
  round(target: number): boolean;
}
/** Prices by subgradients (Held and Karp 1971), from what each job costs at its cheapest. */
export function bounding(x: Indexed, of: Bounded): Bounding {
  const r = relaxed(x, of);
  const n = x.missed.length;
  const worth = Float64Array.from({ length: n }, (_, j) =>
    x.slots[j]!.reduce((a, s) => Math.min(a, x.own[j]![s]!), x.missed[j]!),
  );
  const minute = new Float64Array(x.nSlots);
  const [up, dear] = [new Float64Array(n), new Float64Array(x.nSlots)];
  let best: Bound = { value: -Infinity, worth: worth.slice(), minute: minute.slice() };
  let [step, still] = [1, 0];
  return {
    best: () => best,
    round(target) {
      const { value, rare, over } = lagrangian(x, r, worth, minute);
      if (value > best.value + 1e-9) {
        best = { value, worth: worth.slice(), minute: minute.slice() };
        still = 0;
      } else if (++still >= PATIENCE) {
        [step, still] = [step / 2, 0];
        worth.set(best.worth);
        minute.set(best.minute);
        up.fill(0);
        dear.fill(0);
        return step > 1e-4;
      }
      let norm = 0;
      for (let j = 0; j < n; j++) norm += (up[j] = rare[j]! + KEPT * up[j]!) ** 2;
      // Minutes are many; what is over by an hour counts as one job taken once too often.
      for (let s = 0; s < x.nSlots; s++) norm += (dear[s] = over[s]! / 60 + KEPT * dear[s]!) ** 2;
      if (norm < 1e-12) return false;
      const by = (step * Math.max(1, target - value)) / norm;
      for (let j = 0; j < n; j++) worth[j] = Math.min(x.missed[j]!, worth[j]! + by * up[j]!);
      for (let s = 0; s < x.nSlots; s++) minute[s] = Math.max(0, minute[s]! + (by * dear[s]!) / 60);
      return true;
    },
  };
}
