import type { TreatmentOption } from '../diagnose/knowledge';
import type { Gate } from '../gates/gate';
import { forbidding } from '../gates/rules';
import { AIRBORNE, METHOD_NAMES } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { localMonth } from '../../lib/calendar/hemisphere';
import { monthName } from '../../lib/calendar/months';
import { showAmount } from '../../lib/units/units';
import type { WorkSheet } from '../work/work';
import {
  expected,
  expectedOfUse,
  onceOfUse,
  overTheYears,
  stepOfUse,
  stepOfWork,
  workAtTree,
  type Control,
  type CustomResults,
} from './costs';
import { type Weighing } from '../gates/context';
import { stopsOf } from './options';
import type { Prescription } from './prescribe';
import type { Life } from '../season/programme';
import { nameOf, WORK } from './shelf';

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
  /** Times over the years, those that depend on a look among them. */
  times: number;
  /** Holes in the trunk over the years. */
  wounds: number;
  control: Control;
  bees: string;
  water: string;
  people: string;
  needs: string[];
  stops: number;
  holds: number;
  /** The day it would be done on, where that is not today, and the label's months in the local year; empty for all. */
  on: LocalDate | null;
  months: number[];
  organic: boolean;
  /** Why it may never be done on this tree; null when it may, today or another day. */
  forbidden: string | null;
}

/** A use of a label on this tree, weighed; null where there is no dose. */
export function scoreUse({
  label,
  use,
  result,
  held,
  weighing,
  own,
}: {
  label: Label;
  use: LabelUse;
  result: Prescription;
  held: number;
  weighing: Weighing;
  own?: CustomResults;
}): Weighed | null {
  const { dose } = result;
  if (!dose.ok) return null;
  const holes = dose.sites?.count ?? 0;
  const once = onceOfUse(label, use, dose, weighing.prices);
  const { visits, ...years } = overTheYears(stepOfUse(use, weighing), once, weighing);
  const { window, ...control } = expectedOfUse(use, visits[0]?.day ?? weighing.on, weighing, own);
  const air = AIRBORNE.includes(use.method);
  const months = use.months.map((m) => localMonth(m, weighing.south));
  const needs = [
    ...(window ? [window] : []),
    ...(months.length ? [months.map(monthName).join(', ')] : []),
    ...(use.needsLeaf ? ['full leaf'] : []),
    ...(use.conditions?.maxWindMs ? [`wind under ${use.conditions.maxWindMs} m/s`] : []),
    ...(use.conditions?.rainFreeHours ? [`${use.conditions.rainFreeHours} dry hours`] : []),
    ...(label.licenceCategory ? [`licence: ${label.licenceCategory}`] : []),
    ...(use.sites?.device ? [use.sites.device] : []),
  ];
  return {
    key: nameOf({ label, use }),
    method: METHOD_NAMES[use.method],
    name: label.actives.map((a) => a.name).join(' + '),
    amount: showAmount(dose.product, dose.dimension, weighing.system).text,
    now: Math.round(once),
    ...years,
    wounds: holes * years.times,
    control,
    bees: label.beeHazard === 'none' ? 'spared' : `${label.beeHazard}${label.systemic ? ', systemic' : ''}`,
    water: use.conditions?.waterDistanceM
      ? `${use.conditions.waterDistanceM} m to be kept`
      : air
        ? 'drift'
        : 'none known',
    people: use.intervals.reEntryHours ? `out for ${use.intervals.reEntryHours} h` : 'no waiting',
    needs,
    stops: stopsOf(result, weighing.on).length,
    on: result.on > weighing.on ? result.on : null,
    months,
    holds: held,
    organic: label.organic,
    forbidden: forbidding(result.gates)?.title ?? null,
  };
}

/** A work without a label, weighed. */
export function scoreWork({
  work,
  sheet,
  held,
  weighing,
  own,
}: {
  work: { id: string; name: string; method: TreatmentOption['method']; life: Life };
  sheet: WorkSheet;
  held: number;
  weighing: Weighing;
  own?: CustomResults;
}): Weighed {
  const once = weighing.prices.visit + workAtTree(sheet.minutes, weighing.prices);
  const { overYears, visitsAYear, times } = overTheYears(
    stepOfWork(work.name, sheet.followUps, work.life, weighing),
    once,
    weighing,
  );
  const first = sheet.figures[0]!;
  const { window, ...control } = expected({ method: 'work', names: [work.method], day: weighing.on, w: weighing, own });
  return {
    key: WORK + work.id,
    method: work.name,
    name: 'no product',
    amount: `${first.value} ${first.unit}`.trim(),
    now: Math.round(once),
    overYears,
    visitsAYear,
    times,
    wounds: 0,
    control,
    bees: 'spared',
    water: 'none',
    people: 'no waiting',
    needs: [...(window ? [window] : []), ...sheet.take.slice(0, 2).map((t) => t.what.toLowerCase())],
    stops: sheet.gates.filter((g: Gate) => g.strength === 'stop').length,
    on: null,
    months: [],
    holds: held,
    organic: true,
    forbidden: null,
  };
}
