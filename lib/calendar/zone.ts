import { TZDate } from '@date-fns/tz';

declare const kind: unique symbol;
/** A calendar day as YYYY-MM-DD in the time zone of the site. The compiler takes no instant for it. */
export type LocalDate = string & { readonly [kind]?: 'local date' };
/** An instant as ISO with its zone, like 2026-05-14T09:30:00Z. The compiler takes no calendar day for it. */
export type Instant = string & { readonly [kind]?: 'instant' };

/** Formats instants as a clock in a zone would; a formatter is dear to make and is kept for each zone. */
export function inZone(locale: string, options: Intl.DateTimeFormatOptions) {
  const kept = new Map<string, Intl.DateTimeFormat>();
  return (instant: Date | Instant, timeZone: string): string => {
    let format = kept.get(timeZone);
    if (!format) kept.set(timeZone, (format = new Intl.DateTimeFormat(locale, { ...options, timeZone })));
    return format.format(new Date(instant));
  };
}

/** The calendar day of an instant in a time zone. */
export const dayIn: (instant: Date | Instant, timeZone: string) => LocalDate = inZone('en-CA', {
  year: 'numeric',
  month: '2-digit',
  day: '2-digit',
});
const clockIn = inZone('en-GB', { hourCycle: 'h23', hour: '2-digit', minute: '2-digit' });

const hourIn = inZone('en-GB', { hourCycle: 'h23', hour: '2-digit' });
/** The hour of an instant in a time zone, 0 to 23. */
export const hourOf = (instant: Date | Instant, timeZone: string): number => Number(hourIn(instant, timeZone));

/** An instant as a clock on the wall of `timeZone` shows it: YYYY-MM-DDTHH:MM. */
export const wallClock = (instant: Instant, timeZone: string): string =>
  `${dayIn(instant, timeZone)}T${clockIn(instant, timeZone)}`;

/**
 * The instant of a wall-clock time in a time zone, as ISO; null when there is no such day or time. In the hour that a
 * change to summer time leaves out, the clock is read as if it had not been changed yet.
 */
export function zonedInstant(wall: string, timeZone: string): Instant | null {
  const utc = /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/.test(wall) ? new Date(`${wall.slice(0, 16)}:00Z`) : null;
  // A day or an hour that does not exist would be carried into the next.
  if (!utc || Number.isNaN(utc.getTime()) || !utc.toISOString().startsWith(wall.slice(0, 16))) return null;
  const [y, m, d] = [utc.getUTCFullYear(), utc.getUTCMonth(), utc.getUTCDate()];
  return new Date(+new TZDate(y, m, d, utc.getUTCHours(), utc.getUTCMinutes(), timeZone)).toISOString();
}

/** The end of the day on which something was made, where it was made. */
export const nightAfter = (at: Date, timeZone: string): Date =>
  new Date(Date.parse(zonedInstant(`${dayIn(at, timeZone)}T23:59`, timeZone)!) + 60_000);
