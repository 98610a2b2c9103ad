import type { Method } from '../label/methods';

/** Minutes of a crew, once a place and once a tree. */
export interface Pace {
  /** Dressing, mixing, signs, walking on and clearing away. */
  prepare: number;
  /** At each tree, without its holes. */
  each: number;
}

/** Practice figures: what one tree alone takes is the sum of both. */
export const PACE: Record<Method, Pace> = {
  'trunk-injection': { prepare: 10, each: 15 },
  'soil-drench': { prepare: 9, each: 16 },
  'soil-injection': { prepare: 12, each: 28 },
  'root-zone-feeding': { prepare: 10, each: 30 },
  'bark-spray': { prepare: 12, each: 8 },
  'foliar-spray': { prepare: 20, each: 10 },
  'dormant-spray': { prepare: 20, each: 15 },
  dust: { prepare: 5, each: 5 },
  bait: { prepare: 5, each: 5 },
  repellent: { prepare: 5, each: 5 },
};
/** Minutes for one hole, drilled, filled and closed. */
export const HOLE_MINUTES = 3;
/** A look at one tree alone takes a quarter of an hour. */
export const LOOK_PACE: Pace = { prepare: 5, each: 10 };
export const LOOK_MINUTES = LOOK_PACE.prepare + LOOK_PACE.each;
/** Walking on and laying out, before a work without a product; its sheet tells the minutes at the tree. */
export const WORK_PREPARE = 10;

/** Minutes for one tree alone by a method. */
export const aloneMinutes = (method: Method, holes: number): number =>
  PACE[method].prepare + PACE[method].each + HOLE_MINUTES * holes;

/** Pieces of one's own work on record, by method: minutes from start to end at the tree, and its holes. */
export interface Timed {
  method: Method;
  minutes: number;
  holes: number;
}
/** As many pieces as the practice figure counts for: after so many of one's own, both weigh the same. */
const PRIOR = 8;
/** What no record of a tree can mean: the clock was never stopped, or started with the pen. */
const LEAST = 2;
const MOST = 240;

const middle = (of: readonly number[]): number => {
  const sorted = [...of].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
};

/**
 * How fast an outfit is at the tree, by method: the middle of its own pieces of work, drawn to the practice figure while they
 * are few. Holes count with their usual minutes.
 * @example learnedPace([...eight sprays of 6 minutes])['foliar-spray'].each // 8, between 10 and 6
 */
export function learnedPace(log: readonly Timed[]): Record<Method, Pace & { own: number }> {
  const methods = Object.keys(PACE) as Method[];
  return Object.fromEntries(
    methods.map((method) => {
      const own = log
        .filter((t) => t.method === method && t.minutes >= LEAST && t.minutes <= MOST)
        .map((t) => Math.max(1, t.minutes - HOLE_MINUTES * t.holes));
      const { prepare, each } = PACE[method];
      const n = own.length;
      return [method, { prepare, each: n ? (PRIOR * each + n * middle(own)) / (PRIOR + n) : each, own: n }];
    }),
  ) as Record<Method, Pace & { own: number }>;
}
