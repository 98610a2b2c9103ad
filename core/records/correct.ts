import type { Issue } from '../../lib/result';
import { dayIn, type LocalDate } from '../../lib/calendar/zone';
import { followUps, type FollowUp } from '../season/follow-ups';
import type { Step } from '../season/programme';
import type { LabelUse } from '../label/schema';
import type { Host } from '../diagnose/knowledge';
import { amountsFor } from './amounts';
import { eatFrom } from './eat';
import type { ApplicationRecord, Correction } from './record';
import { searchWords } from './words';

export interface CorrectionContext {
  now: Date;
  timeZone: string;
  use: LabelUse;
  /** The use as a step of its plan: what follows it, under the programme and in the months of the place. */
  step: Step;
  /** The newest version, and whether it is withdrawn. */
  was: ApplicationRecord;
  wasWithdrawn: boolean;
  lot: { id: string; labelKey: string; lotNumber: string; expiresOn: LocalDate; onHand: number } | null;
  /** The host as it is known today; null where it is known no more. */
  host: Pick<Host, 'edible'> | null;
}

/** What a correction draws from the mixes of its record; below zero where it gives back. */
export interface DrawChange {
  batchId: string;
  mixMl: number;
}

/** Stock that a correction gives back to the old lot and takes from the new one; nothing when neither changes. */
export interface StockChange {
  lotId: string;
  amount: number;
}

/**
 * A correction as the next version of a record: the new data, the stock it moves, and the follow-ups counted again from
 * the corrected day.
 */
export function correct(
  c: CorrectionContext,
  k: Correction,
):
  | {
      ok: true;
      data: ApplicationRecord;
      doneOn: LocalDate;
      followUps: FollowUp[];
      words: string;
      stock: StockChange[];
      draws: DrawChange[];
    }
  | { ok: false; issues: Issue[] } {
  const issues: Issue[] = [];
  if (Date.parse(k.endedAt) < Date.parse(k.startedAt))
    issues.push({ path: 'endedAt', message: 'The end lies before the start.' });
  if (Date.parse(k.endedAt) > c.now.getTime() + 10 * 60_000)
    issues.push({ path: 'endedAt', message: 'The end lies in the future.' });
  if (!c.lot || c.lot.labelKey !== c.was.product.key)
    issues.push({ path: 'lotId', message: 'This lot is not of the product in the record.' });
  const held = c.wasWithdrawn ? 0 : c.was.amount;
  const wanted = k.withdrawn ? 0 : k.amount;
  const mixes = c.was.batches;
  if (mixes && c.was.lot.id !== k.lotId)
    issues.push({
      path: 'lotId',
      message: 'It came from a mix, whose lots are what they are. Withdraw it and write it anew.',
    });
  const more = (wanted - held) / c.was.amount;
  const stock = ((): StockChange[] => {
    if (mixes) return [];
    if (c.was.lot.id === k.lotId) return held === wanted ? [] : [{ lotId: k.lotId, amount: held - wanted }];
    return [
      { lotId: c.was.lot.id, amount: held },
      { lotId: k.lotId, amount: -wanted },
    ].filter((m) => m.amount !== 0);
  })();
  const short = stock.find((m) => m.lotId === k.lotId && m.amount < 0 && -m.amount > (c.lot?.onHand ?? 0) + 1e-9);
  if (short && c.lot)
    issues.push({ path: 'lotId', message: `Lot ${c.lot.lotNumber} holds only ${c.lot.onHand} ${c.was.unit}.` });
  if (issues.length || !c.lot) return { ok: false, issues };
  const doneOn = dayIn(k.endedAt, c.timeZone);
  // What may be eaten when is counted from the corrected day, as it was counted when it was written.
  const eaten = c.host && eatFrom(c.host, c.use, doneOn);
  const data: ApplicationRecord = {
    ...c.was,
    ...amountsFor(c.was, k.amount),
    // What was typed then belongs to the earlier version.
    typed: k.amount === c.was.amount ? c.was.typed : undefined,
    lot: { id: c.lot.id, number: c.lot.lotNumber, expires: c.lot.expiresOn },
    actives: c.was.actives.map((a) => ({ ...a, grams: (a.grams * k.amount) / c.was.amount })),
    note: k.note,
    mark: k.mark,
    deviation: k.deviation,
    reEntryUntil: new Date(Date.parse(k.endedAt) + c.was.reEntryHours * 3_600_000).toISOString(),
    eatFrom: eaten ?? undefined,
  };
  return {
    ok: true,
    data,
    doneOn,
    followUps: followUps(c.step.rules, doneOn, c.step.minDays, c.step.months),
    words: searchWords(data),
    stock,
    draws: more ? (mixes ?? []).map((m) => ({ batchId: m.id, mixMl: m.mixMl * more })) : [],
  };
}
