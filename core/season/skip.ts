import { dayAfter, daysBetween } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';

/** A treatment that was due, and the day of the work that it was counted from. */
export interface Due {
  ruleId: string;
  due: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  doneOn: LocalDate | null;
}

/**
 * When a treatment that is left out this time would be due again: as long after its own date as that was after the work, with
 * the same span around it; never before tomorrow.
 * @param today the day on which it is left out
 * @returns null where nothing says how often it comes
 */
export function nextAfterSkip(visit: Due, today: LocalDate): Omit<Due, 'doneOn'> | null {
  // The name of the rule carries how many intervals were left out before: they lie between the work and this date too.
  const [base, left = '0'] = visit.ruleId.split('+') as [string, string?];
  const every = visit.doneOn === null ? 0 : Math.round(daysBetween(visit.doneOn, visit.due) / (Number(left) + 1));
  if (every <= 0) return null;
  // A series that nobody kept for years goes on from now, not from then.
  let more = 1;
  while (dayAfter(visit.due, more * every, 'days') <= today) more++;
  const due = dayAfter(visit.due, more * every, 'days');
  const moved = daysBetween(visit.due, due);
  const shifted = (day: LocalDate) => dayAfter(day, moved, 'days');
  const earliest = shifted(visit.earliest);
  return {
    ruleId: `${base}+${Number(left) + more}`,
    due,
    earliest: earliest > today ? earliest : dayAfter(today, 1, 'days'),
    latest: shifted(visit.latest),
  };
}
