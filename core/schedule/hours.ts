import type { LocalDate } from '../../lib/calendar/zone';
import type { Hours } from './problem';

/** Hours of some days of the week, all through the year or between two days; those between days go before the others. */
export interface HoursRule {
  /** 1 is Monday. */
  days: number[];
  /** Null: closed on those days. */
  hours: Hours | null;
  between: { from: LocalDate; to: LocalDate } | null;
}

export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
/** Day of the week of a calendar day, 1 for Monday. */
export const weekdayOf = (day: LocalDate): number => ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;

/**
 * Hours of a day. Rules between two days hold instead of those of every week; where no rule names a day, it is closed; where
 * there are no rules at all, `always` holds; null: it is closed.
 * @example hoursOn(rules, '2027-05-03', { from: 420, to: 1200 })
 */
export function hoursOn(rules: readonly HoursRule[], day: LocalDate, always: Hours | null): Hours[] {
  const none = always ? [always] : [];
  if (!rules.length) return none;
  const weekday = weekdayOf(day);
  const special = rules.filter((r) => r.between && day >= r.between.from && day <= r.between.to);
  const weekly = rules.filter((r) => !r.between);
  if (!special.length && !weekly.length) return none;
  return (special.length ? special : weekly)
    .flatMap((r) => (r.hours && r.days.includes(weekday) ? [r.hours] : []))
    .sort((a, b) => a.from - b.from);
}

const two = (n: number) => String(n).padStart(2, '0');
/** A time of day as a clock shows it. @example clockWords(450) // '07:30' */
export const clockWords = (minute: number): string => {
  const whole = Math.round(minute);
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
};

/** Days of a week as people write them: Mon–Fri, Sat, Sun. */
function daysWords(days: readonly number[]): string {
  const sorted = [...days].sort((a, b) => a - b);
  const runs: number[][] = [];
  for (const d of sorted) {
    const last = runs.at(-1);
    if (last && last.at(-1) === d - 1) last.push(d);
    else runs.push([d]);
  }
  return runs
    .map((r) => (r.length > 1 ? `${WEEKDAYS[r[0]! - 1]}–${WEEKDAYS[r.at(-1)! - 1]}` : WEEKDAYS[r[0]! - 1]))
    .join(', ');
}

/** Rules as somebody types them, one a line. @example hoursText(rules) // 'Mon–Fri 16:00–20:00' */
export const hoursText = (rules: readonly HoursRule[]): string =>
  rules
    .map(({ days, hours, between }) =>
      [
        between && `${between.from} to ${between.to}`,
        daysWords(days),
        hours ? `${clockWords(hours.from)}–${clockWords(hours.to)}` : 'closed',
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('\n');
