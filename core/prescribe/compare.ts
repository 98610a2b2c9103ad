import type { Prices } from '../cost/prices';
import { every, outlook, presentValue, type Outcome, type Payment } from '../cost/value';
import type { TreatmentOption } from '../diagnose/knowledge';
import type { Gate } from '../gates/gate';
import { forbidding } from '../gates/rules';
import { AIRBORNE, METHOD_NAMES, type Method } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { Day } from '../season/follow-ups';
import {
  programmed,
  USUAL_PROGRAMME,
  visitsOf,
  weightOf,
  yearOf,
  type Programme,
  type Step,
  type Visit,
} from '../season/programme';
import type { FollowUpRule } from '../season/rules';
import { showAmount, type UnitSystem } from '../units/units';
import type { WorkSheet } from '../work/work';
import type { Prescription } from './prescribe';

/** One way to act, with all that a client and an arborist weigh. */
export interface Weighed {
  key: string;
  method: string;
  name: string;
  amount: string;
  /** Minor units: the first time, and over the years in today's money. */
  now: number;
  overYears: number;
  visitsAYear: number;
  /** Every visit that it brings over the years, treatments and looks, in order of day. */
  visits: Visit[];
  /** Holes in the trunk over the years. */
  wounds: number;
  /** Share of the trouble that goes: the poorest, the likely and the best outcome, 0 to 1, and for how long. */
  control: { low: number; likely: number; high: number; lasts: string; from: string };
  bees: string;
  water: string;
  people: string;
  needs: string[];
  stops: number;
  holds: number;
  organic: boolean;
  /** Why it may never be done on this tree; null when it may, today or another day. */
  forbidden: string | null;
}

/** What trials and practice expect of a method used in its window: low, likely, high. Replaced in part by one's own checks. */
const EXPECTED: Record<Method | 'work', [low: number, likely: number, high: number, lasts: string]> = {
  'trunk-injection': [0.6, 0.85, 0.97, 'one to three seasons'],
  'soil-drench': [0.5, 0.8, 0.95, 'one season and more'],
  'soil-injection': [0.5, 0.8, 0.95, 'one season and more'],
  'root-zone-feeding': [0.3, 0.6, 0.85, 'one to two seasons'],
  'bark-spray': [0.5, 0.75, 0.9, 'two to three months'],
  'foliar-spray': [0.4, 0.7, 0.9, 'one to three weeks'],
  'dormant-spray': [0.5, 0.75, 0.9, 'to midsummer'],
  dust: [0.3, 0.5, 0.75, 'until rain'],
  bait: [0.4, 0.7, 0.9, 'while it lies'],
  repellent: [0.3, 0.55, 0.8, 'four to eight weeks'],
  work: [0.3, 0.6, 0.85, 'until it comes back'],
};

/** One's own checks of a method: a look that found no, some or a good effect. Twelve looks weigh as much as the estimate. */
export interface OwnResults {
  none: number;
  some: number;
  good: number;
}
function expected(method: Method | 'work', own?: OwnResults): Weighed['control'] {
  const [low, likely, high, lasts] = EXPECTED[method];
  const n = own ? own.none + own.some + own.good : 0;
  if (!own || !n) return { low, likely, high, lasts, from: 'practice estimate' };
  const mean = (own.some * 0.5 + own.good * 0.9) / n;
  const weight = n / (n + 12);
  const mid = likely * (1 - weight) + mean * weight;
  const half = 1 - 0.5 * weight;
  return {
    low: Math.max(0, mid - (likely - low) * half),
    likely: mid,
    high: Math.min(1, mid + (high - likely) * half),
    lasts,
    from: `practice estimate and ${n} of your own checks`,
  };
}

/** The likely control by a method, as practice expects it, 0 to 1. */
export const expectedControl = (method: Method): number => EXPECTED[method][1];

/** What a step of a plan was to cost when it was planned: once, and over the programme’s years in the money of that day. */
export interface Priced {
  now: number;
  overYears: number;
  years: number;
}
export const priced = ({ now, overYears }: Pick<Weighed, 'now' | 'overYears'>, w: Weighing): Priced => ({
  now,
  overYears,
  years: (w.programme ?? USUAL_PROGRAMME).years,
});

/** What ways are weighed by: the prices of the outfit, the day, and the programme of the plan. */
export interface Weighing {
  prices: Prices;
  system: UnitSystem;
  today: Day;
  /** The programme of the tree's plan; null until somebody sets one. */
  programme: Programme | null;
  /** What the outfit does where the plan says nothing. */
  school: NonNullable<Programme['school']>;
}

/** A use of a label as a step of a plan: its rules under the programme. */
export const stepOfUse = (use: LabelUse, w: Weighing): Step => ({
  name: METHOD_NAMES[use.method],
  rules: programmed(use.followUps, use.method === 'trunk-injection', w.programme ?? USUAL_PROGRAMME, w.school),
  minDays: use.intervals.minDays ?? 0,
  maxPerYear: use.intervals.maxPerYear ?? null,
  months: use.months,
});
/** A work without a label as a step of a plan. */
export const stepOfWork = (name: string, rules: readonly FollowUpRule[], w: Weighing): Step => ({
  name,
  rules: programmed(rules, false, w.programme ?? USUAL_PROGRAMME, w.school),
  minDays: 0,
  maxPerYear: null,
  months: [],
});

/** What a step brings over the programme's years, and what that costs and drills when each time costs `once`. */
export function overTheYears(step: Step, once: number, w: Weighing) {
  const { years } = w.programme ?? USUAL_PROGRAMME;
  const visits = visitsOf(step, w.today, years);
  const times = visits.filter((v) => v.kind === 'treat');
  return {
    visits,
    times: times.length,
    overYears: Math.round(
      presentValue(
        times.map((v) => ({ year: yearOf(w.today, v.day), amount: once * weightOf(v) })),
        w.prices.discount,
      ),
    ),
    visitsAYear: times.reduce((a, v) => a + weightOf(v), 0) / years,
  };
}

/** Minutes a crew needs for one tree, by method: practice figures. */
const MINUTES: Record<Method, number> = {
  'trunk-injection': 25,
  'soil-drench': 25,
  'soil-injection': 40,
  'root-zone-feeding': 40,
  'bark-spray': 20,
  'foliar-spray': 30,
  'dormant-spray': 35,
  dust: 10,
  bait: 10,
  repellent: 10,
};

/** A use of a label on this tree, weighed; null where there is no dose. */
export function weighUse(
  label: Label,
  use: LabelUse,
  result: Prescription,
  held: number,
  w: Weighing,
  own?: OwnResults,
): Weighed | null {
  const { dose } = result;
  if (!dose.ok) return null;
  const p = w.prices;
  const product = ((label.priceMinor ?? 0) * dose.product) / 1000;
  const holes = dose.sites?.count ?? 0;
  const hours = (MINUTES[use.method] + 3 * holes) / 60;
  const once = product + p.visit + hours * p.hour + holes * p.device;
  const { times, ...years } = overTheYears(stepOfUse(use, w), once, w);
  const air = AIRBORNE.includes(use.method);
  const needs = [
    ...(use.months.length ? [`months ${use.months.join(', ')}`] : []),
    ...(use.needsLeaf ? ['full leaf'] : []),
    ...(use.conditions?.maxWindMs ? [`wind under ${use.conditions.maxWindMs} m/s`] : []),
    ...(use.conditions?.rainFreeHours ? [`${use.conditions.rainFreeHours} dry hours`] : []),
    ...(label.licenceCategory ? [`licence: ${label.licenceCategory}`] : []),
    ...(use.sites?.device ? [use.sites.device] : []),
  ];
  return {
    key: `${label.key}/${use.key}`,
    method: METHOD_NAMES[use.method],
    name: label.actives.map((a) => a.name).join(' + '),
    amount: showAmount(dose.product, dose.dimension, w.system).text,
    now: Math.round(once),
    ...years,
    wounds: holes * times,
    control: expected(use.method, own),
    bees: label.beeHazard === 'none' ? 'spared' : `${label.beeHazard}${label.systemic ? ', systemic' : ''}`,
    water: use.conditions?.waterDistanceM
      ? `${use.conditions.waterDistanceM} m to be kept`
      : air
        ? 'drift'
        : 'none known',
    people: use.intervals.reEntryHours ? `out for ${use.intervals.reEntryHours} h` : 'no waiting',
    needs,
    stops: result.gates.filter((g) => g.strength === 'stop').length,
    holds: held,
    organic: label.organic,
    forbidden: forbidding(result.gates)?.title ?? null,
  };
}

/** A work without a label, weighed. */
export function weighWork(
  work: { id: string; name: string; method: TreatmentOption['method'] },
  sheet: WorkSheet,
  held: number,
  w: Weighing,
  own?: OwnResults,
): Weighed {
  const once = w.prices.visit + (sheet.minutes / 60) * w.prices.hour;
  const { visits, overYears, visitsAYear } = overTheYears(stepOfWork(work.name, sheet.followUps, w), once, w);
  const first = sheet.figures[0]!;
  return {
    key: `work:${work.id}`,
    method: work.name,
    name: 'no product',
    amount: `${first.value} ${first.unit}`.trim(),
    now: Math.round(once),
    overYears,
    visitsAYear,
    visits,
    wounds: 0,
    control: expected('work', own),
    bees: 'spared',
    water: 'none',
    people: 'no waiting',
    needs: sheet.take.slice(0, 2).map((t) => t.what.toLowerCase()),
    stops: sheet.gates.filter((g: Gate) => g.strength === 'stop').length,
    holds: held,
    organic: true,
    forbidden: null,
  };
}

/**
 * Treat, remove and replant, or leave: expected cost over the years, with the chance that the tree is lost meanwhile.
 * @param lossWithout yearly chance of losing the tree when nothing is done, 0 to 1
 */
export function courses(w: Weighed, by: Weighing, lossWithout: number): Outcome[] {
  const { discount, removeAndReplant } = by.prices;
  const { years } = by.programme ?? USUAL_PROGRAMME;
  const yearly = every(w.overYears / (presentValue(every(1, 1, years), discount) || 1), 1, years);
  const course = (name: string, payments: Payment[], failsEachYear: number, lossCost = removeAndReplant) =>
    outlook({ name, payments, failsEachYear }, years, discount, lossCost);
  return [
    course('Treat', yearly, lossWithout * (1 - w.control.likely)),
    course('Remove and replant', [{ year: 0, amount: removeAndReplant }], 0.01, removeAndReplant / 3),
    course('Leave', [], lossWithout),
  ];
}

/** Yearly chance of losing an untreated tree, from how the condition is dealt with and how far it has gone: a rough guess, to be changed. */
export const lossUntreated = (policy: string, crownLoss: number | null): number =>
  Math.min(
    0.6,
    ({ treat: 0.08, manage: 0.15, restore: 0.04, relieve: 0.005, leave: 0.003, driver: 0.02 }[policy] ?? 0.03) *
      (1 + (crownLoss ?? 0) / 30),
  );
