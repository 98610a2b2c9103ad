import { WEIGHTS, type Indexed } from './problem';

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
      const h = crews[Math.floor(s / nDays)]!.hours[s % nDays];
      return h ? h.to - h.from : 0;
    }),
    paid: of === 'whole' ? 1 : 0,
  };
}

/**
 * What prices prove: the Lagrangian of “each job once” and of the hours of each slot. Every slot takes what pays it best: a
 * choice of kits, the places whose jobs are worth coming for, those jobs; or nobody goes out. Left out are opening hours,
 * re-entry, the order of jobs, numbers of kits, and of driving all but the shortest ways.
 * @returns the value, and by how much each job is taken too rarely (below 0: too often) and each slot over its minutes
 */
function lagrangian(x: Indexed, r: Relaxed, worth: Float64Array, minute: Float64Array) {
  const { problem, nSlots, nDays, placeOf, kitOf, own, missed } = x;
  const nKits = problem.kits.length;
  const nPlaces = problem.places.length;
  const rare = new Float64Array(worth.length);
  const over = new Float64Array(nSlots);
  let value = 0;
  for (let j = 0; j < worth.length; j++) {
    value += Math.min(worth[j]!, missed[j]!);
    // Left out where that is cheaper than its worth.
    rare[j] = worth[j]! > missed[j]! ? 0 : 1;
  }
  // Of each place: what its jobs bring by the kit that they need, the last for those that need none.
  const gain = new Float64Array(nPlaces * (nKits + 1));
  for (let s = 0; s < nSlots; s++) {
    const m = minute[s]!;
    const c = Math.floor(s / nDays);
    gain.fill(0);
    for (const j of x.jobsOfSlot[s]!) {
      const g = worth[j]! - own[j]![s]! - m * problem.jobs[j]!.minutes;
      if (g > 0) gain[placeOf[j]! * (nKits + 1) + (kitOf[j]! < 0 ? nKits : kitOf[j]!)]! += g;
    }
    let [best, kits] = [0, -1];
    for (let of = 0; of < 1 << nKits; of++) {
      let sum = -(WEIGHTS.out + r.paid * r.yard[c]!) + m * (r.room[s]! - r.yard[c]!);
      for (let k = 0; k < nKits; k++) if (of & (1 << k)) sum -= problem.kits[k]!.setUp * (1 + m);
      for (let p = 0; p < nPlaces; p++) sum += Math.max(0, brings(p, of) - coming(p, m));
      if (sum > best) [best, kits] = [sum, of];
    }
    value -= best;
    if (kits < 0) continue;
    over[s] = -(r.room[s]! - r.yard[c]!);
    for (let k = 0; k < nKits; k++) if (kits & (1 << k)) over[s]! += problem.kits[k]!.setUp;
    const gone = new Uint8Array(nPlaces);
    for (let p = 0; p < nPlaces; p++)
      if (brings(p, kits) > coming(p, m)) {
        gone[p] = 1;
        over[s]! += WEIGHTS.stop + r.way[p]!;
      }
    for (const j of x.jobsOfSlot[s]!) {
      const has = kitOf[j]! < 0 || kits & (1 << kitOf[j]!);
      if (!gone[placeOf[j]!] || !has || worth[j]! - own[j]![s]! - m * problem.jobs[j]!.minutes <= 0) continue;
      rare[j]! -= 1;
      over[s]! += problem.jobs[j]!.minutes;
    }
  }
  return { value, rare, over };

  /** What coming to a place costs, with its minutes. */
  function coming(p: number, m: number): number {
    return WEIGHTS.stop + r.paid * r.way[p]! + m * (WEIGHTS.stop + r.way[p]!);
  }
  /** What a place brings with a choice of kits. */
  function brings(p: number, kits: number): number {
    const at = p * (nKits + 1);
    let sum = gain[at + nKits]!;
    for (let k = 0; k < nKits; k++) if (kits & (1 << k)) sum += gain[at + k]!;
    return sum;
  }
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
