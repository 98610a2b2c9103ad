import type { LocalDate } from '../../lib/calendar/zone';
import { strengthOf } from './batch';

/** Where the product of a sheet comes from: a lot, or mixes that were made from lots. */
export interface Source {
  /** The lot's id; `mix` and the ids of mixes behind it. */
  id: string;
  /** The lot that a record names. */
  lotId: string;
  /** Mixes in the order in which they are opened; null for a lot. */
  batchIds: string[] | null;
  /** What stands on it. */
  name: string;
  /** Product in it, mL or g. */
  onHand: number;
  /** mL of the mix that is left; null for a lot. */
  leftMl: number | null;
  /** The last day on which it is good. */
  expiresOn: LocalDate;
  /** When a mix is good no longer, as an instant; null for a lot. */
  goodUntil: string | null;
}
interface Lot {
  id: string;
  lotNumber: string;
  onHand: number;
  expiresOn: LocalDate;
}
interface Made {
  id: string;
  code: string;
  product: number;
  totalMl: number;
  leftMl: number;
  goodUntil: Date;
  /** The plans that it was made for. */
  planIds: readonly string[];
  lots: readonly { id: string; expires: LocalDate }[];
}

/** Whether a mix was made for any of some plans. */
export const isFor = (b: Pick<Made, 'planIds'>, planIds: readonly string[]): boolean =>
  b.planIds.some((id) => planIds.includes(id));

/**
 * Mixes that were made for these plans before lots, all of them together before each for itself: what was mixed is used up
 * first. What was mixed for other trees comes last.
 */
export function sourcesOf(lots: readonly Lot[], all: readonly Made[], planIds: readonly string[]): Source[] {
  const made = all.filter((b) => isFor(b, planIds));
  const mix = (id: string, of: readonly Made[]): Source => ({
    id,
    lotId: of[0]!.lots[0]!.id,
    batchIds: of.map((b) => b.id),
    name: of.map((b) => b.code).join(', '),
    onHand: of.reduce((sum, b) => sum + b.leftMl * strengthOf(b), 0),
    leftMl: of.reduce((sum, b) => sum + b.leftMl, 0),
    expiresOn: of.flatMap((b) => b.lots.map((l) => l.expires)).sort()[0]!,
    goodUntil: of.map((b) => b.goodUntil.toISOString()).sort()[0]!,
  });
  return [
    ...(made.length > 1 ? [mix('mix', made)] : []),
    ...made.map((b) => mix(`mix ${b.id}`, [b])),
    ...lots.map((l) => ({
      id: l.id,
      lotId: l.id,
      batchIds: null,
      name: l.lotNumber,
      onHand: l.onHand,
      leftMl: null,
      expiresOn: l.expiresOn,
      goodUntil: null,
    })),
    ...all.filter((b) => !made.includes(b)).map((b) => mix(`mix ${b.id}`, [b])),
  ];
}

/** The first that holds enough and is good; an expired one is never the usual answer. */
export const usualSource = (sources: readonly Source[], product: number, today: LocalDate): string =>
  (
    sources.find((s) => s.onHand >= product * (1 - 1e-6) && s.expiresOn >= today) ??
    sources.find((s) => s.expiresOn >= today) ??
    sources[0]
  )?.id ?? '';
