import { degreeDays, type DegreeDayMethod } from './degree-days';
import type { LocalDate } from '../../lib/calendar/zone';

/** What heat brings about: the sum that it takes, from when, and how it was counted by whoever found it. */
export interface HeatTarget {
  baseC: number;
  /** Heat above it does not count (horizontal ceiling). */
  ceilingC?: number | undefined;
  method: DegreeDayMethod;
  /** Degree-days. */
  sum: number;
}
export interface DayRange {
  day: LocalDate;
  min: number;
  max: number;
}

/** The heat of some days, each and together, as a target counts it. */
export function heatOf(target: Omit<HeatTarget, 'sum'>, days: readonly DayRange[]): { each: number[]; total: number } {
  const each = days.map((d) => degreeDays(d.min, d.max, target.baseC, target.ceilingC, target.method));
  return { each, total: each.reduce((a, b) => a + b, 0) };
}

/** The first day on which the sum is reached; null where these days do not reach it. */
export function reachedOn(target: HeatTarget, days: readonly DayRange[]): LocalDate | null {
  let total = 0;
  for (const d of days) {
    total += degreeDays(d.min, d.max, target.baseC, target.ceilingC, target.method);
    if (total >= target.sum) return d.day;
  }
  return null;
}

export interface ExpectedDay {
  /** The middle of the years that are known; on the way it is measured, and the spread is gone. */
  day: LocalDate;
  /** Nine in ten of the years lie between these. */
  earliest: LocalDate;
  latest: LocalDate;
  rests: 'measured' | 'measured-and-past' | 'past';
  /** Of the years that are known, so many reach the sum; the day is that of those which do. */
  reached: { years: number; of: number };
}

/**
 * When a sum of heat is likely to be reached: what has been measured since the biofix, continued by each of the years that
 * are known. More years, a truer spread.
 * @param measured days since the biofix, in order; may be empty
 * @param years the same season of other years, day by day from the biofix on; the measured days are skipped in each
 * @param dayOf the calendar day so many days after the biofix
 * @returns null where no year reaches it
 */
export function expectedOn(
  target: HeatTarget,
  measured: readonly DayRange[],
  years: readonly (readonly Pick<DayRange, 'min' | 'max'>[])[],
  dayOf: (daysAfter: number) => LocalDate,
): ExpectedDay | null {
  const already = reachedOn(target, measured);
  if (already)
    return {
      day: already,
      earliest: already,
      latest: already,
      rests: 'measured',
      reached: { years: years.length, of: years.length },
    };
  const { total } = heatOf(target, measured);
  const rest = { ...target, sum: target.sum - total };
  const reached = years
    .flatMap((year) => {
      const ahead = year.slice(measured.length).map((d, i) => ({ ...d, day: String(measured.length + i) }));
      const on = reachedOn(rest, ahead);
      return on === null ? [] : [Number(on)];
    })
    .sort((a, b) => a - b);
  if (!reached.length) return null;
  const at = (share: number) => dayOf(reached[Math.round((reached.length - 1) * share)]!);
  return {
    day: at(0.5),
    earliest: at(0.05),
    latest: at(0.95),
    rests: measured.length ? 'measured-and-past' : 'past',
    reached: { years: reached.length, of: years.length },
  };
}
