import { figure, showAmount, showVolume } from '../../lib/units/units';
import type { ApplicationRecord } from './record';

/** What a record says of the liquid: all of it follows from how much product went in. */
export type Amounts = Pick<ApplicationRecord, 'unit' | 'amount' | 'mixMl' | 'waterMl' | 'concentration' | 'batches'>;

/** What the mix is made of, in words; `otherwise` where nothing is mixed with water on the spot. */
function concentrationWords(a: Omit<Amounts, 'concentration'>, otherwise: string): string {
  const dimension = a.unit === 'mL' ? 'volume' : 'mass';
  const product = showAmount(a.amount, dimension, 'metric').text;
  if (a.mixMl === null) return otherwise;
  const mix = showVolume(a.mixMl, 'metric').text;
  if (a.batches) return `${product} in ${mix} of mix ${a.batches.map((b) => b.code).join(', ')}`;
  if (a.waterMl === null || a.mixMl <= 0) return otherwise;
  return `${product} in ${mix}${dimension === 'volume' ? ` (${figure((100 * a.amount) / a.mixMl, 3)} %)` : ''}`;
}

/**
 * The liquid of a treatment for another amount of product at the same strength: the mix, its water and its batches shrink and
 * grow with it, so that a record never contradicts itself.
 * @param of the liquid as it was worked out or written, for its own amount
 * @param amount product that went in, in the unit of the record
 */
export function amountsFor(of: Amounts, amount: number): Amounts {
  const share = amount / of.amount;
  const at = {
    unit: of.unit,
    amount,
    mixMl: of.mixMl === null ? null : of.mixMl * share,
    waterMl: of.waterMl === null ? null : of.waterMl * share,
    ...(of.batches ? { batches: of.batches.map((b) => ({ ...b, mixMl: b.mixMl * share })) } : {}),
  };
  return { ...at, concentration: concentrationWords(at, of.concentration) };
}
