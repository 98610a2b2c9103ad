import type { LabelUse } from '../label/schema';
import type { Hour } from '../weather/station';
import { coverLeft, type CoverLeft } from '../season/cover';
import { dayIn, type LocalDate, type Instant } from '../../lib/calendar/zone';

/** A spray that was put on leaves, as its record and its label have it. */
export interface Sprayed {
  doneOn: LocalDate;
  /** When the last of it was put on, as an instant. */
  endedAt: Instant;
  use: Pick<LabelUse, 'method' | 'purpose' | 'intervals' | 'conditions' | 'followUps'>;
}

/** Days that a cover stands where its label has no rule for the next one. */
const USUAL_DAYS = 14;

/** Whether a use leaves a cover on the leaf that rain wears off: what cures is not washed off, what is elsewhere neither. */
export const covers = (use: Pick<LabelUse, 'method' | 'purpose'>): boolean =>
  use.method === 'foliar-spray' && use.purpose === 'preventive';

/**
 * What is left of a protectant under the rain since, and when to renew it; null where it is none: what cures is not washed off
 * the leaf, and what is not on the leaf neither; null too where no hour was measured.
 * @param hours measured from the one in which it was put on, in order
 */
export function coverOf({ doneOn, endedAt, use }: Sprayed, hours: readonly Hour[], timeZone: string): CoverLeft | null {
  // Where nobody measured the rain nobody knows what is left: its days alone tell when it is renewed.
  if (!covers(use) || !hours.length) return null;
  const again = use.followUps.find((f) => f.kind === 'treat-again' && f.after.unit === 'days');
  const rainFreeHours = use.conditions?.rainFreeHours ?? 0;
  const dries = Date.parse(endedAt) + rainFreeHours * 3_600_000;
  const rain = new Map<LocalDate, number>();
  let earlyRainMm = 0;
  for (const h of hours) {
    const at = Date.parse(h.at);
    if (at < Date.parse(endedAt)) continue;
    if (at < dries) earlyRainMm += h.rainMm;
    else rain.set(dayIn(h.at, timeZone), (rain.get(dayIn(h.at, timeZone)) ?? 0) + h.rainMm);
  }
  return coverLeft(
    {
      driedOn: doneOn,
      lastsDays: again?.after.count ?? USUAL_DAYS,
      minDays: use.intervals.minDays ?? 0,
      rainFreeHours,
      inside: false,
    },
    [...rain].map(([day, mm]) => ({ day, mm })),
    earlyRainMm,
  );
}
