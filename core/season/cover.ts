import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';

/** A protectant on the leaf: what its label says of lasting. */
export interface Cover {
  driedOn: LocalDate;
  /** Days that the label lets it stand. */
  lastsDays: number;
  /** Never again before so many days, unless the label itself renews after rain. */
  minDays: number;
  /** Dry hours that it needs to dry on. */
  rainFreeHours: number;
  /** Millimetres after which the label renews it. */
  renewAfterMm?: number | undefined;
  /** It has gone into the leaf: rain takes nothing. */
  inside: boolean;
}

export type CoverEnd = 'before-dry' | 'label-mm' | 'half-gone' | 'label-days';

export interface CoverLeft {
  /** Share that is still there, 0 to 1. */
  share: number;
  rainMm: number;
  /** The day to cover again, and what moved it there. */
  renewOn: LocalDate;
  why: CoverEnd;
}

/** Rule of thumb where the label is silent: half is gone after 25 mm, all after 50. */
export const GONE_MM = 50;
const HALF_MM = 25;

/** Share of a protectant that is left after so much rain since it dried. @example shareLeft(25) // 0.5 */
export const shareLeft = (rainMm: number): number => Math.max(0, 1 - rainMm / GONE_MM);

/**
 * What is left of a cover after rain, and when to renew it: at the label's own millimetres, else when half is gone, at the
 * latest when the label's days are over; never before the label's interval, unless the label itself renews after rain or
 * nothing had dried on.
 * @param rain by day from the day it dried on, mm
 * @param earlyRainMm rain inside the rain-free hours
 */
export function coverLeft(
  cover: Cover,
  rain: readonly { day: LocalDate; mm: number }[],
  earlyRainMm: number,
): CoverLeft {
  const byLabel = dayAfter(cover.driedOn, cover.lastsDays, 'days');
  const earliest = dayAfter(cover.driedOn, cover.minDays, 'days');
  const rainMm = rain.reduce((sum, r) => sum + r.mm, 0);
  if (!cover.inside && cover.rainFreeHours > 0 && earlyRainMm > 0)
    return { share: 0, rainMm: rainMm + earlyRainMm, renewOn: cover.driedOn, why: 'before-dry' };
  const most = cover.renewAfterMm ?? HALF_MM;
  const crossed = cover.inside ? null : dayOf(rain, most);
  const share = cover.inside ? 1 : shareLeft(rainMm);
  if (!crossed || crossed >= byLabel) return { share, rainMm, renewOn: byLabel, why: 'label-days' };
  return cover.renewAfterMm !== undefined
    ? { share, rainMm, renewOn: crossed, why: 'label-mm' }
    : { share, rainMm, renewOn: crossed < earliest ? earliest : crossed, why: 'half-gone' };
}

/** The day on which the rain since it dried has come to so much; null while it has not. */
function dayOf(rain: readonly { day: LocalDate; mm: number }[], mm: number): LocalDate | null {
  let sum = 0;
  for (const r of rain) {
    sum += r.mm;
    if (sum >= mm) return r.day;
  }
  return null;
}
