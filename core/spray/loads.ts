import type { Ml } from '../../lib/units/units';

/** A sprayer of the company. */
export interface Tank {
  id: string;
  name: string;
  holdsMl: Ml;
  /** All nozzles together, mL a minute; null until it has been calibrated. */
  flowMlMin: Ml | null;
  /** Day of the last calibration. */
  calibratedOn: string | null;
  /** What stays in tank, pump and hose of the last filling. */
  deadMl: Ml;
}

export interface Load {
  number: number;
  /** Finished spray in this load, mL. */
  spray: Ml;
  /** Product in this load, in the product's base unit. */
  product: number;
  /** Water put in first, before the product: half of the load. */
  waterFirst: Ml;
}

/** A vessel that is filled: what it holds, how far its marks lie apart where they are known, what it keeps back of its last filling. */
export interface Filled {
  /** null where one filling is made in whatever serves. */
  holdsMl: Ml | null;
  stepMl?: Ml;
  deadMl?: Ml;
}

/**
 * Splits a job into equal loads, the least number that holds it: a last one of a litre is measured badly and sprayed worse.
 * Where marks are known each is filled up to one, so that the loads may come to a little more than the job; no load is
 * stronger than the label's dilution.
 * @param total finished spray for the job, mL
 * @param product product for the whole job, mL or g
 * @example loads(23_400, 140.4, { holdsMl: 10_000 }) // three knapsacks of 7.8 L
 */
export function loads(total: Ml, product: number, { holdsMl, stepMl, deadMl = 0 }: Filled): Load[] {
  if (!(total > 0) || (holdsMl !== null && !(holdsMl > 0))) return [];
  const toMark = (ml: Ml, round: (x: number) => number) => (stepMl ? round(ml / stepMl) * stepMl : ml);
  // A vessel with no mark that it holds is filled to its brim.
  const full = holdsMl === null ? Infinity : toMark(holdsMl, (x) => Math.floor(x + 1e-9)) || holdsMl;
  const needed = total + deadMl;
  const count = Math.max(1, Math.ceil(needed / full - 1e-9));
  const spray = Math.min(
    full,
    toMark(needed / count, (x) => Math.ceil(x - 1e-9)),
  );
  return Array.from({ length: count }, (_, i) => ({
    number: i + 1,
    spray,
    product: (product * spray) / total,
    waterFirst: spray / 2,
  }));
}

/** How far apart the marks of a vessel are as a rule: fiftieths of what it holds, on the 1-2-5 series. */
export function markStep(holdsMl: Ml): Ml {
  const want = holdsMl / 50;
  const decade = 10 ** Math.floor(Math.log10(want));
  return decade * (want / decade >= 5 ? 5 : want / decade >= 2 ? 2 : 1);
}

/** Minutes at the nozzle. @param flow mL a minute of all nozzles together */
export const sprayMinutes = (total: Ml, flow: Ml): number => total / flow;

/** The order in which formulations go into the half-filled tank: what must be wetted first, what thins it last. */
const ORDER: [codes: string[], what: string][] = [
  [['WB', 'SB'], 'water-soluble bags, and wait until they are gone'],
  [['WP', 'WG', 'WDG', 'DF'], 'powders and granules that must be wetted'],
  [['SC', 'F', 'FL', 'CS', 'SE'], 'flowables and suspensions'],
  [['EC', 'EW', 'ME', 'OD'], 'emulsions'],
  [['SL', 'SP', 'SG', 'AS'], 'what dissolves'],
  [['OIL', 'SOAP', 'ADJ'], 'oils, soaps and wetters, last and gently'],
];

/** Products in the order in which they go into the tank, each with the reason; unknown formulations go last but one. */
export function mixingOrder<T extends { formulation: string }>(products: readonly T[]): { product: T; step: string }[] {
  const rank = (p: T) => {
    const code = p.formulation.toUpperCase().split(/[ ,(]/)[0]!;
    const i = ORDER.findIndex(([codes]) => codes.includes(code));
    return i < 0 ? ORDER.length - 1.5 : i;
  };
  return [...products]
    .sort((a, b) => rank(a) - rank(b))
    .map((product) => ({ product, step: ORDER[Math.ceil(rank(product))]?.[1] ?? 'as its label says' }));
}
