import { addDays, addMonths, addWeeks, addYears, format, formatISO, parseISO } from 'date-fns';
import { memoizeRecent } from '../memoize';
import type { LocalDate } from './zone';

/** A day in milliseconds, where no clock is put forward or back. */
export const DAY_MS = 86_400_000;

// Days come again and again, and reading one takes longer than looking it up.
const KEPT = 20_000;
const words = memoizeRecent<string>(KEPT);
const sums = memoizeRecent<LocalDate>(KEPT);

/** A day as people say it: 24 Nov 2026. */
export const formatDay = (day: LocalDate): string => words(day, () => format(parseISO(day), 'd MMM yyyy'));

const adders = { days: addDays, weeks: addWeeks, months: addMonths, years: addYears };
export type DayUnit = keyof typeof adders;

/** `count` units after a day; a month that is too short ends on its last day (31 January + 1 month = 28 or 29 February). */
export const dayAfter = (day: LocalDate, count: number, unit: DayUnit): LocalDate =>
  sums(`${day} ${count} ${unit}`, () => formatISO(adders[unit](parseISO(day), count), { representation: 'date' }));

/** Calendar days from one day to another; below zero where the other is earlier. @example daysBetween('2028-02-28', '2028-03-01') // 2 */
export const daysBetween = (from: LocalDate, to: LocalDate): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
