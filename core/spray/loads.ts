import type { Ml } from '../units/units';

/** A sprayer of the outfit. */
export interface Tank {
  id: string;
  name: string;
  holdsMl: Ml;
  /** All nozzles together, mL a minute; null until it has been calibrated. */
  flowMlMin: Ml | null;
  /** Day of the last calibration. */
  calibratedOn: string | null;
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

/**
 * Splits a job into tank loads: full ones, and a last one in proportion. The loads add up to the whole, in spray and in
 * product; no load is stronger than the label's dilution.
 * @param total finished spray for the job, mL
 * @param product product for the whole job, mL or g
 * @param tank what the sprayer holds, mL
 * @example loads(42_568.9, 106.4, 15_000) // two full knapsacks and one of 12.57 L
 */
export function loads(total: Ml, product: number, tank: Ml): Load[] {
  if (!(total > 0) || !(tank > 0)) return [];
  const full = Math.floor(total / tank + 1e-9);
  const rest = total - full * tank;
  const sizes = [...Array.from({ length: full }, () => tank), ...(rest > 1e-6 * total ? [rest] : [])];
  const share = product / total;
  return sizes.map((spray, i) => ({ number: i + 1, spray, product: spray * share, waterFirst: spray / 2 }));
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
