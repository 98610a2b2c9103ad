import { firstOf, monthOf, yearOf } from '../../lib/calendar/months';
import { localMonth } from '../../lib/calendar/hemisphere';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { LabelUse } from './schema';

/** The span in which a label counts "a season" or "a year". */
export interface Period {
  from: LocalDate;
  /** Last day of it. */
  to: LocalDate;
  words: 'the season' | 'the year' | 'twelve months';
}

const lastOf = (day: LocalDate): LocalDate => dayAfter(dayAfter(day, 1, 'months'), -1, 'days');

/**
 * The label's own period that holds a day. Where its months run over New Year, it is that run: a dormant season is one
 * season, not two. Where the label says "in twelve months", it is the twelve months up to the day; else the calendar year.
 * @param south south of the equator: the label's months are turned by half a year
 */
export function labelPeriod(use: Pick<LabelUse, 'months' | 'intervals'>, day: LocalDate, south: boolean): Period {
  const year = yearOf(day);
  if (use.intervals.per === 'twelve months')
    return { from: dayAfter(dayAfter(day, -1, 'years'), 1, 'days'), to: day, words: 'twelve months' };
  const months = new Set(use.months.map((m) => localMonth(m, south)));
  const crosses = months.has(12) && months.has(1) && months.size < 12;
  if (use.intervals.per === 'calendar year' || !crosses)
    return { from: `${year}-01-01`, to: `${year}-12-31`, words: 'the year' };
  let start = 12;
  while (months.has(start - 1) && start > 1) start--;
  let end = 1;
  while (months.has(end + 1)) end++;
  // Before the run starts, the season that counts is the one that ended in this year.
  const from = monthOf(day) >= start ? year : year - 1;
  return { from: firstOf(from, start), to: lastOf(firstOf(from + 1, end)), words: 'the season' };
}

export const within = (p: Period, day: LocalDate): boolean => day >= p.from && day <= p.to;
