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
