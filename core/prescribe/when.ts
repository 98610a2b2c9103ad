import { monthOf, type LocalMonth, startOfMonth, firstOf, yearOf } from '../../lib/calendar/months';
import type { TreatmentOption } from '../diagnose/knowledge';
import { bloomAhead, bloomReach } from '../gates/bloom';
import { usesActive, type Gate } from '../gates/gate';
import { partnerWait } from '../gates/partners';
import { standing } from '../gates/rules';
import { UNMEASURED_AIR } from '../gates/rules/weather';
import { stillSaid } from '../gates/said';
import { labelPeriod, within } from '../label/period';
import { carriesOut } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { inWindow, localMonth } from '../../lib/calendar/hemisphere';
import { trackOf, type Bbch } from '../season/bbch';
import type { StageDate } from '../season/stages';
import { timedSpans, type Expected } from '../season/timed';
import type { Timed } from '../season/timed-schema';
import { bloomsFrom, expectedLeaf } from '../season/year';
import type { Choices, TreatmentContext, When } from '../gates/context';

/** Why a day is outside a window. */
export type Bound =
  | { by: 'months'; months: number[] }
  | { by: 'leaf'; expected: StageDate | null }
  | { by: 'guide'; from: number; to: number }
  | (Extract<Timed, { by: 'stage' }> & { expected: Expected | null })
  | { by: 'heat'; model: string; expected: Expected | null }
  | { by: 'interval'; until: LocalDate }
  | { by: 'yearly number'; until: LocalDate }
  | { by: 'partner'; what: string; until: LocalDate }
  | { by: 'picking'; until: LocalDate | null }
  | { by: 'bloom'; until: LocalDate };

/** A span of days in which a use may be expected to be allowed. */
export interface Window {
  /** First and last day, both within it; the last is at most a year after today. */
  from: LocalDate;
  to: LocalDate;
  /** What keeps it from being open before; empty where it is open today. */
  opens: Bound[];
  /** What ends it; empty where nothing is known to. */
  closes: Bound[];
  /** Where its first day is expected by growth or heat: nine times in ten it lies between these. */
  spread: { earliest: LocalDate; latest: LocalDate } | null;
}

/** How far ahead a day may be chosen: what the book, the licence and the region say beyond it is guesswork. */
const AHEAD_DAYS = 730;
/** Why a day cannot be planned for; null where it can. */
export function noDayAhead(day: LocalDate, today: LocalDate): string | null {
  if (day < today) return 'This day has passed; plan for today or a day to come.';
  return day > dayAfter(today, AHEAD_DAYS, 'days') ? 'Plan two years ahead at most.' : null;
}
/** How far ahead a window is looked for. */
const YEAR_DAYS = 366;

/**
 * What speaks against a use on a day as far as calendar, book and label tell months ahead; what only the day itself can tell
 * (air, soil, people, bloom) is left out.
 */
function boundsOn(context: TreatmentContext, label: Label, use: LabelUse, day: LocalDate): Bound[] {
  const { south, host, year } = context;
  const month = monthOf(day);
  const bounds: Bound[] = [];
  const months = use.months.map((m) => localMonth(m, south));
  if (months.length && !months.includes(month)) bounds.push({ by: 'months', months });
  if (use.needsLeaf && expectedLeaf(host, year, day, south) !== 'full')
    bounds.push({ by: 'leaf', expected: nextStage(year.stages, 19, day) });
  const guide = guideFor(context, use, months);
  const outside = guide && guideBound(guide, context, day);
  if (outside) bounds.push(outside);
  bounds.push(...numbersOn(context, label, use, day));
  const picking = pickingOn(context, use, day);
  if (picking) bounds.push(picking);
  const bloom = bloomAhead({ label, use, host, year, day });
  return bloom ? [...bounds, { by: 'bloom', until: dayAfter(bloom.bloom.to, 1, 'days') }] : bounds;
}

/** The months of the field guide for this method against the trouble in hand, where the label's own leave any of them. */
function guideFor(context: TreatmentContext, use: LabelUse, months: LocalMonth[]) {
  if (!context.condition || !use.targets.includes(context.condition.id)) return null;
  const option = context.condition.options.find((o) => carriesOut(use.method, o.method));
  if (!option) return null;
  const first = (m: LocalMonth) => firstOf(2001, m);
  const shared = !months.length || months.some((m) => inWindow(first(m), option, context.south));
  return shared ? option : null;
}

const nextStage = (stages: readonly StageDate[], code: Bbch, day: LocalDate): StageDate | null =>
  stages.filter((s) => s.code === code && s.day > day).sort((a, b) => a.day.localeCompare(b.day))[0] ?? null;

/** Whether a day lies outside the guide's time: by stage or heat where those are known here, else by its months. */
function guideBound(guide: TreatmentOption, { year, south }: TreatmentContext, day: LocalDate): Bound | null {
  const spans = (guide.timed ?? []).flatMap((timed) => timedSpans(timed, year).map((s) => ({ ...s, timed })));
  if (!spans.length)
    return inWindow(day, guide, south)
      ? null
      : { by: 'guide', from: localMonth(guide.from, south), to: localMonth(guide.to, south) };
  if (spans.some((s) => (s.from === null || s.from.date.day <= day) && day <= s.to)) return null;
  const ahead = spans.flatMap((s) => (s.from && s.from.date.day > day ? [{ timed: s.timed, from: s.from }] : []));
  const next = ahead.sort((a, b) => a.from.date.day.localeCompare(b.from.date.day))[0];
  const timed = next?.timed ?? spans.at(-1)!.timed;
  const expected = next?.from ?? null;
  return timed.by === 'stage' ? { ...timed, expected } : { by: 'heat', model: timed.model, expected };
}

/** Days of other open plans that count against a label: those of a programme, and of any other product with its actives. */
const plannedDays = ({ alsoPlanned }: TreatmentContext, label: Label): LocalDate[] =>
  alsoPlanned
    .filter((p) => (p.labelKey === label.key ? p.assignment : usesActive(label, p.actives)))
    .map((p) => p.on)
    .sort();

/** The interval and the yearly number, counting what is done and what is planned: of the product, and of any other with one of its actives. */
function numbersOn(context: TreatmentContext, label: Label, use: LabelUse, day: LocalDate): Bound[] {
  const { minDays, maxPerYear } = use.intervals;
  const partner = partnerWait(label, context.earlier, day);
  const waits: Bound[] = partner ? [{ by: 'partner', what: partner.what, until: partner.until }] : [];
  if (minDays === undefined && maxPerYear === undefined) return waits;
  const planned = plannedDays(context, label);
  const counted = [
    ...context.earlier
      .filter((e) => (e.labelKey === label.key || usesActive(label, e.actives)) && e.day <= day)
      .map((e) => e.day),
    ...planned,
  ].sort();
  const bounds = waits;
  const last = counted.filter((d) => d <= day).at(-1);
  // What is planned for a later day keeps as far from this one as this one from it.
  const next = planned.find((d) => d > day && dayAfter(day, minDays ?? 0, 'days') > d);
  const free = minDays && (next ?? last) ? dayAfter((next ?? last)!, minDays, 'days') : null;
  if (free && day < free) bounds.push({ by: 'interval', until: free });
  const period = labelPeriod(use, day, context.south);
  const inPeriod = counted.filter((d) => within(period, d));
  if (maxPerYear !== undefined && inPeriod.length >= maxPerYear)
    bounds.push({
      by: 'yearly number',
      until:
        period.words === 'twelve months'
          ? dayAfter(inPeriod.at(-maxPerYear)!, 1, 'years')
          : dayAfter(period.to, 1, 'days'),
    });
  return bounds;
}

/** Days before picking, and the picking itself. */
function pickingOn({ harvest, host }: TreatmentContext, use: LabelUse, day: LocalDate): Bound | null {
  const wait = use.intervals.preHarvestDays;
  if (!host.edible || !harvest || !wait) return null;
  const closed = day > dayAfter(harvest.from, -wait, 'days') && (harvest.to === null || day <= harvest.to);
  return closed ? { by: 'picking', until: harvest.to && dayAfter(harvest.to, 1, 'days') } : null;
}

/** Days on which a window may open or close: firsts of months, what book and picking name, stages and heat. */
function turningDays(context: TreatmentContext, label: Label, use: LabelUse): LocalDate[] {
  const { on: today, harvest, year } = context;
  const month = startOfMonth(today);
  const last = dayAfter(today, YEAR_DAYS, 'days');
  return [
    ...Array.from({ length: 13 }, (_, i) => dayAfter(month, i, 'months')),
    ...(harvest ? [dayAfter(dayAfter(harvest.from, -(use.intervals.preHarvestDays ?? 0), 'days'), 1, 'days')] : []),
    ...(harvest?.to ? [dayAfter(harvest.to, 1, 'days')] : []),
    ...plannedDays(context, label).map((d) => dayAfter(dayAfter(d, -(use.intervals.minDays ?? 0), 'days'), 1, 'days')),
    ...(use.needsLeaf ? year.stages.filter((s) => trackOf(s.code) === 'leaf').map((s) => s.day) : []),
    ...bloomDays(context, label, use),
    ...guideSpans(context).flatMap((s) => [...(s.from ? [s.from.date.day] : []), dayAfter(s.to, 1, 'days')]),
  ].filter((d) => d > today && d < last);
}

/** Days on which a bloom begins or ceases to be reached. */
function bloomDays({ host, year }: TreatmentContext, label: Label, use: LabelUse): LocalDate[] {
  const { keeps, lives } = bloomReach(label, use, host);
  const reach = [keeps, lives].filter((d) => d !== undefined);
  if (!reach.length) return [];
  return bloomsFrom(year, '').flatMap((b) => [
    ...reach.map((d) => dayAfter(b.from.day, -d, 'days')),
    dayAfter(b.to, 1, 'days'),
  ]);
}

const guideSpans = ({ condition, year }: TreatmentContext) =>
  (condition?.options ?? []).flatMap((o) => (o.timed ?? []).flatMap((timed) => timedSpans(timed, year)));

/** How sure the first day of a window is, by the latest of what opens it. */
function spreadOf(from: LocalDate, opens: readonly Bound[]): Window['spread'] {
  for (const b of opens) {
    const date = b.by === 'leaf' ? b.expected : b.by === 'stage' || b.by === 'heat' ? b.expected?.date : null;
    if (date?.day === from) return { earliest: date.earliest, latest: date.latest };
  }
  return null;
}

/** Days on which something may change from `today` on, in order, each with what speaks against it. */
function* turns(
  context: TreatmentContext,
  label: Label,
  use: LabelUse,
): Generator<{ day: LocalDate; bounds: Bound[] }> {
  const { on: today } = context;
  // The first day is often open already: the others are looked for only where it is not enough.
  const first = boundsOn(context, label, use, today);
  yield { day: today, bounds: first };
  const last = dayAfter(today, YEAR_DAYS, 'days');
  const days = [...new Set([today, ...turningDays(context, label, use)])].sort();
  for (let i = 0; i < days.length; i++) {
    const day = days[i]!;
    const bounds = i === 0 ? first : boundsOn(context, label, use, day);
    for (const b of bounds) if ('until' in b && b.until && b.until > day && b.until < last) insert(days, b.until);
    if (i > 0) yield { day, bounds };
  }
}

/**
 * The next span in which this use may be expected to be allowed, today's where it is open today; null where there is none
 * within a year. It is a forecast to plan by: every gate answers again for the day that is chosen, and again on the day.
 */
export function nextWindow(context: TreatmentContext, label: Label, use: LabelUse): Window | null {
  let open: Pick<Window, 'from' | 'opens'> | null = null;
  let before: Bound[] = [];
  for (const { day, bounds } of turns(context, label, use)) {
    if (open && bounds.length)
      return { ...open, to: dayAfter(day, -1, 'days'), closes: bounds, spread: spreadOf(open.from, open.opens) };
    if (bounds.length) before = bounds;
    else open ??= { from: day, opens: before };
  }
  const to = dayAfter(dayAfter(context.on, YEAR_DAYS, 'days'), -1, 'days');
  return open ? { ...open, to, closes: [], spread: spreadOf(open.from, open.opens) } : null;
}

/** The first day of its next window, no later than `last` (a year ahead); where there is none, what speaks against the first day. */
export function firstOpen(
  context: TreatmentContext,
  label: Label,
  use: LabelUse,
  last: LocalDate = dayAfter(context.on, YEAR_DAYS, 'days'),
): LocalDate | Bound[] {
  let against: Bound[] | null = null;
  for (const { day, bounds } of turns(context, label, use)) {
    if (day > last) break;
    if (!bounds.length) return day;
    against ??= bounds;
  }
  return against ?? [];
}

/** A span of days with what speaks against a use on each of them; open where nothing does. */
export interface DaysOpen {
  from: LocalDate;
  to: LocalDate;
  bounds: Bound[];
}

/**
 * The days of the year from today on, as spans that are open or closed as a whole, in order and without a gap: what a hand
 * that moves a visit is told.
 */
export function daysOpen(context: TreatmentContext, label: Label, use: LabelUse): DaysOpen[] {
  const spans: DaysOpen[] = [];
  for (const { day, bounds } of turns(context, label, use)) {
    const last = spans.at(-1);
    if (last) last.to = dayAfter(day, -1, 'days');
    if (last && JSON.stringify(last.bounds) === JSON.stringify(bounds)) continue;
    spans.push({ from: day, to: day, bounds });
  }
  const last = spans.at(-1);
  if (last) last.to = dayAfter(dayAfter(context.on, YEAR_DAYS, 'days'), -1, 'days');
  return spans;
}

/** Puts a day into its place among days in order, once. */
function insert(days: LocalDate[], day: LocalDate): void {
  const at = days.findIndex((d) => d >= day);
  if (at < 0) days.push(day);
  else if (days[at] !== day) days.splice(at, 0, day);
}

/** First day on which the field guide has a work against the trouble in hand; today where it is so, or where it says nothing. */
export function workDay(context: TreatmentContext, method: TreatmentOption['method']): LocalDate {
  const { on: today } = context;
  const option = context.condition?.options.find((o) => o.method === method);
  if (!option) return today;
  const month = startOfMonth(today);
  const days = [
    today,
    ...Array.from({ length: 12 }, (_, i) => dayAfter(month, i + 1, 'months')),
    ...guideSpans(context).flatMap((s) => (s.from && s.from.date.day > today ? [s.from.date.day] : [])),
  ].sort();
  return days.find((day) => guideBound(option, context, day) === null) ?? today;
}

/**
 * The day that somebody means: today where they say so or say nothing, or where there is no window to wait for.
 * @param opens first day of the next window; null where none is known
 */
export const dayOf = (context: TreatmentContext, opens: LocalDate | null, when: When | undefined): LocalDate => {
  const { on: today } = context;
  if (when?.kind === 'day') return when.day > today ? when.day : today;
  return when?.kind === 'window' && opens !== null && opens > today ? opens : today;
};

/** What may be expected to be known on a later day: what is counted by the year is counted in that year. */
export function contextOn(context: TreatmentContext, day: LocalDate): TreatmentContext {
  if (day === context.on) return context;
  const sameYear = yearOf(day) === yearOf(context.on);
  return {
    ...context,
    on: day,
    ...(sameYear ? {} : { treeYearProduct: {}, siteYearActive: {} }),
  };
}

/** What the day itself will tell is open on a later day; the leaf stands as it is expected. */
export function choicesOn(choices: Choices, context: TreatmentContext, day: LocalDate): Choices {
  if (day === context.on) return choices;
  const { host, south, year } = context;
  return {
    ...choices,
    leaf: expectedLeaf(host, year, day, south),
    soil: null,
    temperatureC: null,
    windMs: null,
    windFromDeg: null,
    gustMs: null,
    humidity: null,
    rainNext24Mm: null,
    rainByHour: null,
    said: stillSaid(choices.said),
  };
}

/**
 * The gates that answer while something is planned: all of them for today, those that stand for a later day. Air that no station
 * measures is asked where the work is done, not at the desk.
 */
export const whilePlanning = ({ on, gates }: { on: LocalDate; gates: Gate[] }, today: LocalDate): Gate[] =>
  on > today ? standing(gates) : gates.filter((g) => !UNMEASURED_AIR.includes(g.id));

/** When a plan is to be carried out: its day, and the span in which it may be moved without asking anew. */
export interface Visit {
  plannedFor: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
}

/** The visit that a prescription for a later day makes; null for what is done today. */
export function visitOn({ on, window }: { on: LocalDate; window: Window | null }, today: LocalDate): Visit | null {
  if (on <= today) return null;
  const inside = window && on >= window.from && on <= window.to;
  return { plannedFor: on, earliest: inside ? window.from : on, latest: inside ? window.to : on };
}

/** When a plan that stands was meant for, as a form would say it. */
export const whenOf = (plan: { plannedFor: LocalDate | null }, today: LocalDate): When =>
  plan.plannedFor && plan.plannedFor > today ? { kind: 'day', day: plan.plannedFor } : { kind: 'now' };
