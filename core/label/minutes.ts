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

/** Minutes for one tree alone by a method. */
export const aloneMinutes = (method: Method, holes: number): number =>
  PACE[method].prepare + PACE[method].each + HOLE_MINUTES * holes;
