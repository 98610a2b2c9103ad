/** What a mix is for: a stock bottle that serves many trees, or a tank that is poured or sprayed out. */
export const BATCH_KINDS = ['stock', 'tank'] as const;
export type BatchKind = (typeof BATCH_KINDS)[number];

/** What becomes of the rest of a mix. Poured away is no end: it is kept, handed in, or was lost and is told of. */
export const BATCH_ENDS = ['kept', 'handed in', 'spilled'] as const;
export type BatchEnd = (typeof BATCH_ENDS)[number];

/** A mix that was made: so much product in so much of it. */
export interface Mixed {
  /** mL or g of the product. */
  product: number;
  /** mL of the mix, product included. */
  totalMl: number;
}
/** What happened to a mix, in order: drawn for a tree (given back when a record is corrected), or taken out of use. */
export interface Taken {
  /** mL of the mix; below zero where a correction gives back. */
  mixMl: number;
}

/** Product in a mL of the mix. */
export const strengthOf = ({ product, totalMl }: Mixed): number => product / totalMl;
/** How much of a mix is left, mL. @param takings in any order; draws and ends alike */
export const leftMlOf = (mixed: Mixed, takings: readonly Taken[]): number =>
  mixed.totalMl - takings.reduce((sum, t) => sum + t.mixMl, 0);

/** A batch from which somebody pours, with what is left in it. */
export interface Open extends Mixed {
  id: string;
  leftMl: number;
}
/** What a tree takes from a batch. */
export interface Draw {
  batchId: string;
  mixMl: number;
  product: number;
}
/** Of a mL, as much as no mark shows: rests below it are none. */
const NOTHING_ML = 1e-6;

/**
 * Draws for trees, one after another, from batches in the order in which they were made: the next is opened when one is empty.
 * @param open batches of one product
 * @param wanted product for each tree, mL or g
 * @returns draws of each tree in the same order; null where the batches do not hold so much
 */
export function drawsOf(open: readonly Open[], wanted: readonly number[]): Draw[][] | null {
  const left = open.map((b) => b.leftMl);
  let at = 0;
  const all: Draw[][] = [];
  for (const product of wanted) {
    const draws: Draw[] = [];
    let rest = product;
    while (rest > NOTHING_ML) {
      const batch = open[at];
      if (!batch) return null;
      const strength = strengthOf(batch);
      const mixMl = Math.min(left[at]!, rest / strength);
      if (mixMl > NOTHING_ML) {
        draws.push({ batchId: batch.id, mixMl, product: mixMl * strength });
        left[at]! -= mixMl;
        rest -= mixMl * strength;
      }
      if (rest > NOTHING_ML) at += 1;
    }
    all.push(draws);
  }
  return all;
}

/** Until when a mix may be used: as long as its label lets it keep; where the label is silent, on the day it was made. */
export const goodUntil = (madeAt: Date, keepsHours: number | undefined, endOfDay: Date): Date =>
  keepsHours === undefined ? endOfDay : new Date(madeAt.getTime() + keepsHours * 3_600_000);

/** Signs that nobody mistakes for one another, read aloud or written with a marker. */
const SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ';
/** What stands on the tag of a batch: five signs of its id. @example batchCode(v7()) // 'K7M2X' */
export function batchCode(id: string): string {
  const bits = parseInt(id.replaceAll('-', '').slice(-7), 16) % 32 ** 5;
  return Array.from({ length: 5 }, (_, i) => SIGNS[Math.floor(bits / 32 ** (4 - i)) % 32]).join('');
}
/** What somebody typed or a camera read, as the code of a mix; null where it cannot be one. */
export function readBatchCode(text: string): string | null {
  const code = text.trim().toUpperCase();
  return code.length === 5 && [...code].every((s) => SIGNS.includes(s)) ? code : null;
}
