/** One tree that could be served: what it takes of the budget or the cap, and what serving it is worth. */
export interface Candidate {
  id: string;
  /** Money, or grams of active ingredient; above zero. */
  takes: number;
  /** Benefit of serving it over what happens to it otherwise; above zero to be considered. */
  worth: number;
}

export interface Choice {
  chosen: string[];
  worth: number;
  takes: number;
  left: number;
  /** No choice whatsoever can be worth more than this. */
  bound: number;
  /** (bound − worth) / bound: 0 when the choice is proven the best. */
  gap: number;
  /** Worth for each unit of the best tree left out, and of the poorest one taken: what the last unit bought. */
  lastTaken: { id: string; perUnit: number } | null;
  firstLeft: { id: string; perUnit: number } | null;
}

/** Enough for an exact answer on all but contrived sets; beyond it the bound says how far off the answer can be. */
const NODES = 400_000;

/**
 * The set of trees that is worth most within a budget or under a cap: a 0/1 knapsack, by depth-first branch and bound on
 * the fractional bound (Dantzig 1957; Horowitz and Sahni 1974). What does not fit at all is left out.
 * @returns the best set found, with a proven bound
 */
export function choose(candidates: readonly Candidate[], limit: number): Choice {
  const items = candidates
    .filter((c) => c.worth > 0 && c.takes > 0 && c.takes <= limit + 1e-9)
    .sort((a, b) => b.worth / b.takes - a.worth / a.takes || a.takes - b.takes);
  const n = items.length;
  const takes = Float64Array.from(items, (c) => c.takes);
  const worth = Float64Array.from(items, (c) => c.worth);
  /** What the items from `i` on could add at most, when the last one may be cut. */
  const fraction = (i: number, room: number): number => {
    let sum = 0;
    for (let k = i; k < n; k++) {
      if (takes[k]! <= room) {
        room -= takes[k]!;
        sum += worth[k]!;
      } else return sum + (worth[k]! * room) / takes[k]!;
    }
    return sum;
  };
  // No more trees fit than of the smallest, and no more is won than by as many of the worthiest: with like trees this is
  // sharper than the cut one.
  let fit = 0;
  let room0 = limit + 1e-9;
  for (const t of Float64Array.from(takes).sort()) {
    if (t > room0) break;
    room0 -= t;
    fit++;
  }
  const most = Float64Array.from(worth)
    .sort()
    .reverse()
    .slice(0, fit)
    .reduce((a, w) => a + w, 0);
  const root = Math.min(fraction(0, limit), most);
  const taken = new Uint8Array(n);
  let best = new Uint8Array(n);
  let bestWorth = 0;
  let current = 0;
  let room = limit + 1e-9;
  let nodes = 0;
  let complete = true;
  /** The highest bound among branches that were not followed to the end. */
  let open = 0;
  let i = 0;
  for (;;) {
    // Forward: take what fits, as long as the bound promises more than the best.
    for (; i < n; i++) {
      const bound = current + fraction(i, room);
      if (bound <= bestWorth * (1 + 1e-12)) break;
      if (++nodes > NODES) {
        complete = false;
        open = Math.max(open, root);
        break;
      }
      if (takes[i]! <= room) {
        taken[i] = 1;
        current += worth[i]!;
        room -= takes[i]!;
      }
    }
    if (current > bestWorth) {
      bestWorth = current;
      best = taken.slice();
    }
    if (bestWorth >= root * (1 - 1e-12)) break;
    if (!complete) break;
    // Back: give up the last one taken and go on without it.
    let k = Math.min(i, n) - 1;
    while (k >= 0 && !taken[k]) k--;
    if (k < 0) break;
    taken[k] = 0;
    current -= worth[k]!;
    room += takes[k]!;
    i = k + 1;
  }
  const bound = complete ? bestWorth : open;
  const used = takes.reduce((a, t, k) => a + (best[k] ? t : 0), 0);
  const per = (k: number) => ({ id: items[k]!.id, perUnit: worth[k]! / takes[k]! });
  const last = best.lastIndexOf(1);
  const left = best.indexOf(0);
  return {
    chosen: items.filter((_, k) => best[k]).map((c) => c.id),
    worth: bestWorth,
    takes: used,
    left: limit - used,
    bound,
    gap: bound > 0 ? (bound - bestWorth) / bound : 0,
    lastTaken: last < 0 ? null : per(last),
    firstLeft: left < 0 ? null : per(left),
  };
}
