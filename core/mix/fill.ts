import { loads, markStep, type Load } from '../spray/loads';
import { toMarks, type Measured, type Vessel } from '../dose/vessels';
import { asStrong, type Recipe } from './recipe';

/** Something that a mix is made in. */
export interface Fill {
  id: string;
  name: string;
  holdsMl: number;
  /** Distance between its marks, mL. */
  stepMl: number;
  /** What it keeps back of its last filling. */
  deadMl: number;
}
/** Nothing is mixed in what only measures. */
const LEAST_ML = 400;
/** Vessels and sprayers as things that a mix is made in; for poisons alone, the smallest in front. */
export const fillsOf = (
  vessels: readonly Vessel[],
  tanks: readonly { id: string; name: string; holdsMl: number; deadMl: number }[],
): Fill[] =>
  [
    ...vessels
      .filter((v) => v.dimension === 'volume' && v.reserved !== false && v.capacity >= LEAST_ML)
      .map((v) => ({ id: v.id, name: v.name, holdsMl: v.capacity, stepMl: v.graduation, deadMl: 0 })),
    ...tanks.map((t) => ({ ...t, stepMl: markStep(t.holdsMl) })),
  ].sort((a, b) => a.holdsMl - b.holdsMl);

/** A small vessel filled a few times is carried sooner than a large one with a puddle in it. */
const FEW_FILLINGS = 3;
/** The smallest that is filled a few times at most, else the largest there is; null where nothing is kept. */
export const usualFill = (fills: readonly Fill[], mixMl: number): Fill | null =>
  fills.find((f) => f.holdsMl * FEW_FILLINGS >= mixMl + f.deadMl) ?? fills.at(-1) ?? null;

/** A filling as it is made: the marks to fill to, and the product as it is measured. */
export interface Filling extends Load {
  /** The product as a vessel measures it; never more than is wanted of it. */
  measured: Measured;
  /** What goes in: as measured, where that is near enough, else as wanted. */
  put: number;
}

/** Fillings for what is wanted of a mix, equal and to marks, with the product as the company's own vessels show it. */
export function fillingsOf({
  recipe,
  wantedMl,
  fill,
  vessels,
  dimension,
}: {
  recipe: Recipe;
  wantedMl: number;
  fill: Fill | null;
  vessels: readonly Vessel[];
  dimension: 'volume' | 'mass';
}): Filling[] {
  const of = vessels.filter((v) => v.dimension === dimension);
  return loads(wantedMl, wantedMl * recipe.strength, fill ?? { holdsMl: null }).map((l) => {
    const measured = toMarks(l.product, { low: l.product, high: l.product }, of);
    const near = measured.vessel !== null && asStrong(recipe, { product: measured.amount, totalMl: l.spray });
    return { ...l, measured, put: near ? measured.amount : l.product };
  });
}

/** A lot and what is taken from it. */
export interface FromLot {
  lotId: string;
  amount: number;
}
/**
 * Product from lots that are good on a day: the one that somebody chose first, then those that expire soonest.
 * @returns null where they do not hold it
 */
export function fromLots(
  lots: readonly { id: string; onHand: number; expiresOn: string }[],
  first: string | null,
  product: number,
  day: string,
): FromLot[] | null {
  const good = lots.filter((l) => l.expiresOn >= day && l.onHand > 0);
  const order = [...good].sort(
    (a, b) => Number(b.id === first) - Number(a.id === first) || a.expiresOn.localeCompare(b.expiresOn),
  );
  const out: FromLot[] = [];
  let rest = product;
  for (const l of order) {
    if (rest <= 1e-9) break;
    const amount = Math.min(rest, l.onHand);
    out.push({ lotId: l.id, amount });
    rest -= amount;
  }
  return rest > 1e-9 ? null : out;
}
