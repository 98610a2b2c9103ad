import { format, parseISO } from 'date-fns';
import { formatDay } from '@/lib/calendar/days';
import { dayIn, inZone } from '@/lib/calendar/zone';

export { formatDay as shortDay } from '@/lib/calendar/days';
/** The day of an instant where it happened: 24 Nov 2026. */
export const dayThere = (instant: Date | string, timeZone: string): string => formatDay(dayIn(instant, timeZone));
/** With the weekday: Tuesday 24 November. */
export const longDay = (day: string): string => format(parseISO(day), 'EEEE d MMMM');

/** An instant in a place's own time, as 14:05 or 24 Nov 2026, 14:05. */
export const clock = inZone('en-GB', { hour: '2-digit', minute: '2-digit' });
export const dayAndClock = inZone('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  hour: '2-digit',
  minute: '2-digit',
});

/** How far a day lies from today, in words. */
export function fromToday(day: string, today: string): string {
  const n = Math.round((Date.parse(day) - Date.parse(today)) / 864e5);
  if (n === 0) return 'today';
  if (n === 1) return 'tomorrow';
  if (n < 0) return `${-n} ${n === -1 ? 'day' : 'days'} late`;
  return n < 60 ? `in ${n} days` : `in ${Math.round(n / 30.44)} months`;
}
