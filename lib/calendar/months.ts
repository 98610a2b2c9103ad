import type { LocalDate } from './zone';

declare const halfOf: unique symbol;
/** A month, 1 to 12, as the calendar on the wall says it where the tree stands. */
export type LocalMonth = number & { readonly [halfOf]?: 'local' };
/**
 * A month, 1 to 12, of the northern year, in which all that is known is written: July is high summer everywhere. The compiler
 * takes neither for the other; `hemisphere.ts` turns one into the other.
 */
export type NorthernMonth = number & { readonly [halfOf]?: 'northern' };

/** The months of a year, in order. */
export const MONTHS_OF_YEAR: readonly number[] = Array.from({ length: 12 }, (_, i) => i + 1);

/** The month of a day. @example monthOf('2027-03-09') // 3 */
export const monthOf = (day: LocalDate): LocalMonth => Number(day.split('-')[1]);

/** The year of a day. @example yearOf('2027-03-09') // 2027 */
export const yearOf = (day: LocalDate): number => Number(day.slice(0, 4));

/** The first day of the month of a day. */
export const startOfMonth = (day: LocalDate): LocalDate => `${day.slice(0, 7)}-01`;

/** The first day of a month. @example firstOf(2027, 3) // '2027-03-01' */
export const firstOf = (year: number, month: LocalMonth): LocalDate => `${year}-${String(month).padStart(2, '0')}-01`;

/** How many months lie from one month to the next time another comes, 0 to 11. @example monthsUntil(11, 2) // 3 */
export const monthsUntil = <M extends LocalMonth | NorthernMonth>(from: M, to: M): number => (to - from + 12) % 12;

/** The month so many months later; earlier where negative. @example monthAfter(11, 3) // 2 */
export const monthAfter = <M extends LocalMonth | NorthernMonth>(month: M, count: number): M =>
  (((((month - 1 + count) % 12) + 12) % 12) + 1) as M;

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
/** The name of a month, as people who stand there would say it. */
export const monthName = (m: LocalMonth): string => MONTHS[m - 1]!;

/** Whether a month lies in a span of months, which may cross New Year. */
export const inSeason = <M extends LocalMonth | NorthernMonth>(month: M, [from, to]: readonly [M, M]): boolean =>
  from <= to ? month >= from && month <= to : month >= from || month <= to;
