/** A dose as it is poured: product, and the mix that brings it; null where nothing is mixed. */
export interface Poured {
  product: number;
  mixMl: number | null;
}

/** Amounts of water are rounded to what a can shows; more than this apart, two trees want two mixes. */
const ROUNDED = 0.03;

/** Whether two trees are done from one mix: as strong for one as for the other, but for the rounding of the can. */
export function oneMix(a: Poured, b: Poured): boolean {
  if (a.mixMl === null || b.mixMl === null) return a.mixMl === b.mixMl;
  const [x, y] = [a.product / a.mixMl, b.product / b.mixMl];
  return Math.abs(x - y) <= ROUNDED * Math.max(x, y);
}
