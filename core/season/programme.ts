import { monthOf, startOfMonth, yearOf, type LocalMonth } from '../../lib/calendar/months';
import { dayAfter, daysBetween } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { followUps, span } from './follow-ups';
import type { FollowUpRule } from './rules';
import type { LocalFollowUpRule } from './local-rules';

/** The programme of one tree's plan; what is null is left to the company's school or to the label. */
export interface Programme {
  school: 'conventional' | 'organic' | 'threshold' | null;
  /** Years between two injections; null: as the label advises. */
  everyYears: number | null;
  /** Years it is planned and priced for. */
  years: number;
}
export const USUAL_PROGRAMME: Programme = { school: null, everyYears: null, years: 10 };
export const PROGRAMME_LIMITS = { everyYears: { min: 1, max: 5 }, years: { min: 1, max: 20 } };

export const SCHOOL_NAMES: Record<NonNullable<Programme['school']>, string> = {
  conventional: 'all methods',
  organic: 'organic only',
  threshold: 'threshold-only',
};
/** @example programmeWords({ school: null, everyYears: 3, years: 10 }, 'organic') // 'organic only; injections every 3 years; planned for 10 years' */
export function programmeWords(programme: Programme, school: NonNullable<Programme['school']>): string {
  const every =
    programme.everyYears === null
      ? 'as the label has it'
      : `every ${programme.everyYears === 1 ? 'year' : span(programme.everyYears, 'years')}`;
  return `${SCHOOL_NAMES[programme.school ?? school]}; injections ${every}; planned for ${span(programme.years, 'years')}`;
}

const THRESHOLD = 'a look finds it above the threshold';
/** Where nothing says when it is done again, it is looked at after a year. */
const IN_A_YEAR: LocalFollowUpRule = {
  id: 'in-a-year',
  kind: 'treat-again',
  what: 'Again where it has come back',
  after: { count: 1, unit: 'years' },
  onlyIf: 'a look finds it again',
  why: 'nothing names a repeat',
};

/**
 * The rules of a step as its programme has them: injections come at the programme's interval, and under threshold-only
 * nothing is repeated by the calendar. The label's shortest interval still holds: `followUps` moves what would fall sooner.
 * @example programmed(rules, true, { school: null, everyYears: 3, years: 10 }, 'conventional')
 */
export function programmed(
  rules: readonly LocalFollowUpRule[],
  injection: boolean,
  programme: Programme,
  school: NonNullable<Programme['school']>,
): LocalFollowUpRule[] {
  return rules.map((rule) => {
    if (rule.kind !== 'treat-again') return rule;
    const next = { ...rule };
    if (injection && programme.everyYears !== null) {
      delete next.earliest;
      delete next.latest;
      next.after = { count: programme.everyYears, unit: 'years' };
      next.why = `the programme of this plan; the label: ${rule.why}`.slice(0, 300);
    }
    if ((programme.school ?? school) === 'threshold') next.onlyIf ??= THRESHOLD;
    return next;
  });
}

/** How long something that is done without a label lasts, and how often it is done at all: a practice figure of each work. */
export interface Life {
  /** Times in one course, and the days between them. */
  times: number;
  apart: number;
  /** Years from one course to the next; null where one is for good. */
  everyYears: number | null;
  /** Courses after which it is over; null where it goes on as long as the tree is kept. */
  courses: number | null;
}
/** Done once, for good. */
export const FOR_GOOD: Life = { times: 1, apart: 0, everyYears: null, courses: 1 };

export interface Step {
  name: string;
  /** Its own life, where it has one; else its rules say when it is done again. */
  life?: Life | undefined;
  /** As the programme has them. */
  rules: readonly LocalFollowUpRule[];
  minDays: number;
  maxPerYear: number | null;
  /** Months in which the label allows it; empty for all. */
  months: readonly LocalMonth[];
}
export interface Visit {
  day: LocalDate;
  step: string;
  kind: 'treat' | Exclude<FollowUpRule['kind'], 'treat-again'>;
  what: string;
  /** Made only when an earlier look finds cause; an unconditional one has none. */
  onlyIf: string | null;
}

/**
 * What a step will bring over the years when each visit is made on its due day, the first one on `from` or in the first
 * month in which the label allows it.
 * @returns visits in order of day, all before `from` + `years`
 */
export function visitsOf(step: Step, from: LocalDate, years: number): Visit[] {
  if (step.life) return visitsByLife({ ...step, life: step.life }, from, years);
  const end = dayAfter(from, years, 'years');
  const season = [...step.months];
  const rules = step.rules.some((r) => r.kind === 'treat-again') ? step.rules : [...step.rules, IN_A_YEAR];
  const inSeason = rules.map((r) =>
    r.kind === 'treat-again' && !r.months?.length && season.length ? { ...r, months: season } : r,
  );
  const visits: Visit[] = [];
  const perYear = new Map<number, number>();
  let day = from;
  while (season.length && !season.includes(monthOf(day))) day = dayAfter(startOfMonth(day), 1, 'months');
  let seasonFrom = day;
  let onlyIf: string | null = null;
  while (day < end) {
    const year = yearOf(day);
    const done = perYear.get(year) ?? 0;
    if (step.maxPerYear !== null && done >= step.maxPerYear) {
      // The year's number is used up: again when the season that has just ended began.
      day = dayAfter(seasonFrom, 1, 'years');
      continue;
    }
    if (!done) seasonFrom = day;
    perYear.set(year, done + 1);
    visits.push({ day, step: step.name, kind: 'treat', what: step.name, onlyIf });
    let next: { day: LocalDate; onlyIf: string | null } | null = null;
    for (const followUp of followUps(inSeason, day, step.minDays)) {
      if (followUp.kind !== 'treat-again') {
        if (followUp.due < end)
          visits.push({
            day: followUp.due,
            step: step.name,
            kind: followUp.kind,
            what: followUp.what,
            onlyIf: followUp.onlyIf ?? null,
          });
      } else if (followUp.due > day && (!next || followUp.due < next.day))
        next = { day: followUp.due, onlyIf: followUp.onlyIf ?? null };
    }
    if (!next) break;
    ({ day, onlyIf } = next);
  }
  return visits.sort((a, b) => a.day.localeCompare(b.day));
}

/** The same where a work has its own life: course by course, and what its rules ask after each time. */
function visitsByLife(step: Step & { life: Life }, from: LocalDate, years: number): Visit[] {
  const { times, apart, everyYears, courses } = step.life;
  const end = dayAfter(from, years, 'years');
  const again = step.rules.find((r) => r.kind === 'treat-again');
  const beside = step.rules.filter((r) => r.kind !== 'treat-again');
  const count = everyYears === null ? 1 : Math.min(courses ?? Infinity, Math.ceil(years / everyYears));
  return Array.from({ length: count }, (_, c) => dayAfter(from, c * (everyYears ?? 0), 'years'))
    .flatMap((first) =>
      Array.from({ length: times }, (_, t): Visit => {
        const day = dayAfter(first, t * apart, 'days');
        return {
          day,
          step: step.name,
          kind: 'treat',
          what: step.name,
          onlyIf: t > 0 ? (again?.onlyIf ?? null) : first > from ? (IN_A_YEAR.onlyIf ?? null) : null,
        };
      }),
    )
    .flatMap((v): Visit[] => [
      v,
      ...followUps(beside, v.day, 0).map((f) => ({
        day: f.due,
        step: step.name,
        kind: f.kind as Exclude<FollowUpRule['kind'], 'treat-again'>,
        what: f.what,
        onlyIf: f.onlyIf ?? null,
      })),
    ])
    .filter((v) => v.day < end)
    .sort((a, b) => a.day.localeCompare(b.day));
}

/** How much a conditional visit counts in money and holes: half of them are made. A practice figure. */
const CONDITIONAL = 0.5;
export const weightOf = (v: Pick<Visit, 'onlyIf'>): number => (v.onlyIf ? CONDITIONAL : 1);
/** Whole years from the first day of a plan to a visit. */
export const yearsInto = (from: LocalDate, day: LocalDate): number => Math.floor(daysBetween(from, day) / 365.25);
