import type { Instant } from '../../lib/calendar/zone';
import { HOLE_MINUTES, PACE, type Pace } from '../label/minutes';
import type { Method } from '../label/methods';
import { driveMatrix, type Where } from './drive';

/** A look at one tree alone takes a quarter of an hour. */
export const INSPECTION_PACE: Pace = { prepare: 5, each: 10 };
export const INSPECTION_MINUTES = INSPECTION_PACE.prepare + INSPECTION_PACE.each;
/** Walking on and laying out, before a work without a product; its sheet tells the minutes at the tree. */
export const WORK_PREPARE = 10;

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

/** The middle of what a company did, drawn to the practice figure while that is little. */
const drawn = (usual: number, own: readonly number[]): number =>
  own.length ? (PRIOR * usual + own.length * middle(own)) / (PRIOR + own.length) : usual;

/** One piece of work of a closed day, in the order of the day. */
export interface Piece extends Where {
  siteId: string;
  method: Method;
  startedAt: Instant;
  endedAt: Instant;
}
/** A day that a crew has closed: minutes from setting out to home, rests apart, and what it did. */
export interface DayDone {
  worked: number;
  yard: Where;
  pieces: readonly Piece[];
}

/** Minutes in which at least one piece was under way: what hangs on one trunk runs while the next is drilled. */
function atTrees(pieces: readonly Piece[]): number {
  let [sum, until] = [0, -Infinity];
  for (const [from, to] of pieces.map((p) => [Date.parse(p.startedAt), Date.parse(p.endedAt)] as const).sort(byStart)) {
    sum += Math.max(0, to - Math.max(from, until));
    until = Math.max(until, to);
  }
  return sum / 60_000;
}
const byStart = (a: readonly [number, number], b: readonly [number, number]) => a[0] - b[0];

/**
 * What is neither at a tree nor on the road, against what setting up takes by the practice figures; null where the day had no
 * set-up to compare it with.
 */
function setUpRatio({ worked, yard, pieces }: DayDone): number | null {
  const inOrder = [...pieces].sort((a, b) => a.startedAt.localeCompare(b.startedAt));
  const stops = inOrder.filter((p, i) => i === 0 || p.siteId !== inOrder[i - 1]!.siteId);
  const usual = [...new Map(inOrder.map((p) => [`${p.siteId} ${p.method}`, PACE[p.method].prepare])).values()];
  const setUp = usual.reduce((a, x) => a + x, 0);
  if (!setUp) return null;
  const way = driveMatrix([yard, ...stops, yard]);
  const driving = way.slice(0, -1).reduce((a, row, i) => a + row[i + 1]!, 0);
  return Math.min(MOST_SET_UP, Math.max(LEAST_SET_UP, (worked - atTrees(inOrder) - driving) / setUp));
}
/** A day that took longer than so many times its set-up had something else in it that nobody wrote down. */
const [LEAST_SET_UP, MOST_SET_UP] = [0.5, 3];

/** How long setting up takes a company, against the practice figures: the middle of its closed days, drawn to 1 while they are few. */
export function learnedSetUp(days: readonly DayDone[]): number {
  return drawn(
    1,
    days.flatMap((d) => setUpRatio(d) ?? []),
  );
}

/**
 * How fast a company is, by method: at the tree by the middle of its own pieces of work, and before and between them by its closed
 * days, each drawn to the practice figure while they are few. Holes count with their usual minutes.
 * @example learnedPace([...eight sprays of 6 minutes], [])['foliar-spray'].each // 8, between 10 and 6
 */
export function learnedPace(log: readonly Timed[], days: readonly DayDone[]): Record<Method, Pace & { own: number }> {
  const setUp = learnedSetUp(days);
  const methods = Object.keys(PACE) as Method[];
  return Object.fromEntries(
    methods.map((method) => {
      const own = log
        .filter((t) => t.method === method && t.minutes >= LEAST && t.minutes <= MOST)
        .map((t) => Math.max(1, t.minutes - HOLE_MINUTES * t.holes));
      const { prepare, each } = PACE[method];
      return [method, { prepare: prepare * setUp, each: drawn(each, own), own: own.length }];
    }),
  ) as Record<Method, Pace & { own: number }>;
}
