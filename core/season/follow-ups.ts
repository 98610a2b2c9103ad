import { monthOf, type LocalMonth, startOfMonth } from '../../lib/calendar/months';
import type { FollowUpRule } from './rules';
import type { LocalFollowUpRule } from './local-rules';
import { dayAfter, formatDay } from '../../lib/calendar/days';
import type { LocalDate } from '../../lib/calendar/zone';

export interface FollowUp {
  ruleId: string;
  kind: FollowUpRule['kind'];
  what: string;
  due: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  reason: string;
  onlyIf?: string;
}

function intoMonths(day: LocalDate, months: readonly LocalMonth[] | undefined): LocalDate {
  if (!months?.length) return day;
  let d = day;
  for (let i = 0; i < 12 && !months.includes(monthOf(d)); i++) d = dayAfter(startOfMonth(d), 1, 'months');
  return d;
}

/** @example span(1, 'years') // '1 year' */
export const span = (n: number, unit: string) => `${n} ${n === 1 ? unit.slice(0, -1) : unit}`;

/**
 * What comes next, computed from what was *done*.
 * @param rules the plan's rules, in the months of the place
 * @param doneOn the day the work was finished, in the place's time zone
 * @param minDays the label's shortest interval: a repeat that would fall sooner is moved to it, and says so
 * @param labelMonths months in which the label allows the use, in the local year; empty for all
 * @returns one entry a rule, in order of date; `earliest <= due <= latest`
 */
export function followUps(
  rules: readonly LocalFollowUpRule[],
  doneOn: LocalDate,
  minDays = 0,
  labelMonths: readonly LocalMonth[] = [],
): FollowUp[] {
  return rules
    .map((given) => {
      // What is put on again is put on in the label's months, whatever the rule leaves open.
      const own = given.months ?? [];
      const both = own.filter((m) => labelMonths.includes(m));
      const months =
        given.kind !== 'treat-again' || !labelMonths.length ? own : own.length && both.length ? both : labelMonths;
      const rule = { ...given, months: months.length ? [...months] : undefined };
      const { count, unit } = rule.after;
      const wished = dayAfter(doneOn, count, unit);
      let due = intoMonths(wished, rule.months);
      let moved = due !== wished ? ` Moved from ${formatDay(wished)} into its months.` : '';
      const allowed = dayAfter(doneOn, minDays, 'days');
      if (rule.kind === 'treat-again' && due < allowed) {
        due = intoMonths(allowed, rule.months);
        moved = ` Moved from ${formatDay(wished)}: the label asks for ${minDays} days between.`;
      }
      const latest = rule.latest === undefined ? due : dayAfter(doneOn, rule.latest, unit);
      // The earliest day lies in the months as well.
      const earliest =
        rule.earliest === undefined ? due : intoMonths(dayAfter(doneOn, rule.earliest, unit), rule.months);
      return {
        ruleId: rule.id,
        kind: rule.kind,
        what: rule.what,
        due,
        earliest: earliest < due && !(rule.kind === 'treat-again' && earliest < allowed) ? earliest : due,
        latest: latest > due ? latest : due,
        reason: `${count === 0 ? 'The same day' : `${span(count, unit)} after ${formatDay(doneOn)}`}: ${rule.why}${moved}`,
        ...(rule.onlyIf ? { onlyIf: rule.onlyIf } : {}),
      };
    })
    .sort((a, b) => a.due.localeCompare(b.due) || a.ruleId.localeCompare(b.ruleId));
}
