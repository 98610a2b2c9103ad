import { inWindow, localMonth } from '../../lib/calendar/hemisphere';
import type { Prices } from '../cost/prices';
import { every, outlook, presentValue, type Outcome, type Payment } from '../cost/value';
import type { TreatmentOption } from '../diagnose/knowledge';
import type { Dose } from '../dose/dose';
import { aloneMinutes } from '../label/minutes';
import { METHOD_NAMES, optionsOf, type Method } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { programmed, USUAL_PROGRAMME, visitsOf, weightOf, yearsInto, type Life, type Step } from '../season/programme';
import { type FollowUpRule } from '../season/rules';
import { localRules } from '../season/local-rules';
import { type Weighing } from '../gates/context';

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
export interface CustomResults {
  none: number;
  some: number;
  good: number;
}
export interface Control {
  /** Share of the trouble that goes: the poorest, the likely and the best outcome, 0 to 1. */
  low: number;
  likely: number;
  high: number;
  lasts: string;
  /** What moved the practice estimate; empty where nothing did. */
  from: LocalDate;
}

/** Practice figures: what is left of a method outside its window, or where the field guide does not name it for the trouble. */
const OUTSIDE_WINDOW = 0.5;
const NOT_NAMED = 0.6;

/**
 * What may be expected of a way to act: the method's practice figure, less outside the window that the field guide gives
 * for this trouble or where it does not name the method, drawn towards one's own checks as they grow.
 * @param day when it would first be done
 */
export function expected({
  method,
  names,
  day,
  w,
  own,
}: {
  method: Method | 'work';
  names: readonly TreatmentOption['method'][];
  day: LocalDate;
  w: Pick<Weighing, 'options' | 'south'>;
  own?: CustomResults;
}): Control & { window: string | null } {
  const [low, likely, high, lasts] = EXPECTED[method];
  const named = w.options?.filter((o) => names.includes(o.method)) ?? null;
  const open = named?.find((o) => inWindow(day, o, w.south));
  const option = open ?? named?.[0] ?? null;
  const by = named === null || open ? 1 : option ? OUTSIDE_WINDOW : NOT_NAMED;
  const why =
    named === null || open
      ? ''
      : option
        ? 'halved outside its window'
        : 'lowered: the field guide does not name it for this';
  const n = own ? own.none + own.some + own.good : 0;
  const mean = own && n ? (own.some * 0.5 + own.good * 0.9) / n : 0;
  const weight = n / (n + 12);
  const mid = likely * by * (1 - weight) + mean * weight;
  const half = 1 - 0.5 * weight;
  return {
    low: Math.max(0, mid - (likely - low) * by * half),
    likely: mid,
    high: Math.min(1, mid + (high - likely) * by * half),
    lasts,
    from: [why, n ? `with ${n} of your own checks` : ''].filter(Boolean).join(', '),
    window: option?.when ?? null,
  };
}
export const expectedOfUse = (
  use: LabelUse,
  day: LocalDate,
  w: Pick<Weighing, 'options' | 'south'>,
  own?: CustomResults,
) => expected({ method: use.method, names: optionsOf(use.method), day, w, own });

/** The likely control by a method, as practice expects it, 0 to 1. */
export const expectedControl = (method: Method): number => EXPECTED[method][1];

/** What a step of a plan was to cost when it was planned: once, and over the programme’s years in the money of that day. */
export interface Priced {
  now: number;
  overYears: number;
  years: number;
}
export const priced = ({ now, overYears }: { now: number; overYears: number }, w: Weighing): Priced => ({
  now,
  overYears,
  years: (w.programme ?? USUAL_PROGRAMME).years,
});

type Planner = Pick<Weighing, 'programme' | 'school' | 'south'>;
/** A use of a label as a step of a plan: its rules under the programme, in the months of the place. */
export const stepOfUse = (use: LabelUse, w: Planner): Step => ({
  name: METHOD_NAMES[use.method],
  rules: programmed(
    localRules(use.followUps, w.south),
    use.method === 'trunk-injection',
    w.programme ?? USUAL_PROGRAMME,
    w.school,
  ),
  minDays: use.intervals.minDays ?? 0,
  maxPerYear: use.intervals.maxPerYear ?? null,
  months: use.months.map((m) => localMonth(m, w.south)),
});
/** A work without a label as a step of a plan. */
export const stepOfWork = (name: string, rules: readonly FollowUpRule[], life: Life | undefined, w: Planner): Step => ({
  name,
  life,
  rules: programmed(localRules(rules, w.south), false, w.programme ?? USUAL_PROGRAMME, w.school),
  minDays: 0,
  maxPerYear: null,
  months: [],
});

/** What a step brings over the programme's years, and what that costs and drills when each time costs `once`. */
export function overTheYears(step: Step, once: number, weighing: Weighing) {
  const { years } = weighing.programme ?? USUAL_PROGRAMME;
  const visits = visitsOf(step, weighing.on, years);
  const times = visits.filter((v) => v.kind === 'treat');
  return {
    visits,
    times: times.length,
    overYears: Math.round(
      presentValue(
        times.map((v) => ({ year: yearsInto(weighing.on, v.day), amount: once * weightOf(v) })),
        weighing.prices.discount,
      ),
    ),
    visitsAYear: times.reduce((a, v) => a + weightOf(v), 0) / years,
  };
}

/** What a use of a label costs at the tree itself, minor units: product, hands, devices; coming out is another matter. */
export const atTree = (label: Label, use: LabelUse, dose: Dose, p: Prices): number =>
  putOnAtTree(
    { priceMinor: label.priceMinor ?? 0, product: dose.product, method: use.method, holes: dose.sites?.count ?? 0 },
    p,
  );
/** The same of what is kept of a plan: a price for a litre or kilogram, an amount in mL or g, a method, a number of holes. */
export const putOnAtTree = (
  put: { priceMinor: number; product: number; method: Method; holes: number },
  p: Prices,
): number =>
  (put.priceMinor * put.product) / 1000 + (aloneMinutes(put.method, put.holes) / 60) * p.hour + put.holes * p.device;
/** What a work costs at the tree itself, minor units. */
export const workAtTree = (minutes: number, p: Prices): number => (minutes / 60) * p.hour;
/** What a use of a label costs once on this tree alone, coming out for it included. */
export const onceOfUse = (label: Label, use: LabelUse, dose: Dose, p: Prices): number =>
  p.visit + atTree(label, use, dose, p);

/**
 * Treat, remove and replant, or leave: expected cost over the years, with the chance that the tree is lost meanwhile.
 * @param lossWithout yearly chance of losing the tree when nothing is done, 0 to 1
 */
export function courses(
  w: { overYears: number; control: Pick<Control, 'likely'> },
  by: Weighing,
  lossWithout: number,
): Outcome[] {
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

/**
 * Chance that the tree is lost within a year untreated.
 * @param perYear share of trees that have the condition and are lost in a year; null where hardly any is
 * @param crownLoss percent; a tree that has lost much of its crown goes sooner
 */
export const lossUntreated = (perYear: number | null, crownLoss: number | null): number =>
  Math.min(0.6, (perYear ?? 0.002) * (1 + (crownLoss ?? 0) / 30));

/** What keeping a tree by this use costs over the programme, and what a new one in its place does; expected, minor units. */
export function keepOrReplace({
  label,
  use,
  dose,
  by,
  lossWithout,
}: {
  label: Label;
  use: LabelUse;
  dose: Dose;
  by: Weighing;
  lossWithout: number;
}): { keep: number; remove: number } {
  const { overYears } = overTheYears(stepOfUse(use, by), onceOfUse(label, use, dose, by.prices), by);
  const [keep, remove] = courses({ overYears, control: expectedOfUse(use, by.on, by) }, by, lossWithout);
  return { keep: keep!.expected, remove: remove!.expected };
}
