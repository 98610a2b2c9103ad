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
/** The name of a month, 1 to 12. */
export const monthName = (m: number): string => MONTHS[m - 1]!;

/** Whether a month lies in a span of months, which may cross New Year. */
export const inSeason = (month: number, [from, to]: readonly [number, number]): boolean =>
  from <= to ? month >= from && month <= to : month >= from || month <= to;
