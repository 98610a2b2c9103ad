import type { Condition } from '../diagnose/knowledge';
import { EXEMPT_FAMILIES } from '../gates/rules/numbers';
import type { Gate } from '../gates/gate';
import type { Earlier } from '../gates/context';
import { blocked, standing } from '../gates/rules';
import { usesHost } from '../label/match';
import type { Label, LabelUse } from '../label/schema';
import { workOutOn, type Prescription } from '../prescribe/prescribe';
import { faced, type Choices, type TreatmentContext } from '../gates/context';
import { firstOpen, type Bound } from '../prescribe/when';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { ProgrammeStep, YearProgramme } from './schema';

/** A treatment that has its day: what is put on, against what, and what somebody has to answer for. */
export interface Treatment {
  kind: 'treat';
  label: Label;
  use: LabelUse;
  conditionId: string;
  /** The facts it was worked out on: what the programme puts on before it counted among what is done. */
  aimed: TreatmentContext;
  result: Prescription;
  /** What holds it on that day, to be gone on in spite of with a reason. */
  holds: Gate[];
}
/** Why a step has no day on a tree. */
export type Stop =
  /** Nothing on the shelf is for this host and this trouble. */
  | { why: 'no product' }
  /** No day of its time is free: what closes it, by the product that came nearest. */
  | { why: 'no day'; product: string; bounds: Bound[] }
  | { why: 'gates'; product: string; gates: Gate[] }
  | { why: 'no dose'; product: string; sentence: string }
  | { why: 'work'; gates: Gate[] }
  /** Holds that a certified person may go on in spite of, with a reason that nobody has given yet. */
  | { why: 'holds'; product: string | null; gates: Gate[] }
  | { why: 'not measured' };

/** What was put on last in a series: the next of a rotation is something else. */
export interface Last {
  labelKey: string;
  groups: string[];
}

export interface TreatContext {
  treatmentContext: TreatmentContext;
  shelf: readonly Label[];
  condition: (id: string) => Condition | null;
  detections: Readonly<Record<string, number>>;
  choices: Choices;
}
type Treats = Extract<ProgrammeStep['act'], { kind: 'treat' }>;

interface Candidate {
  label: Label;
  use: LabelUse;
  condition: Condition;
}

/** Groups that a pest can grow used to. */
export const countedGroups = (label: Label): string[] =>
  label.actives
    .filter((a) => a.group.scheme !== 'none' && !EXEMPT_FAMILIES.includes(a.family))
    .map((a) => `${a.group.scheme} ${a.group.code}`);

/** Uses on the shelf that carry a step out on this host, in the order of the shelf. */
function candidates(act: Treats, school: YearProgramme['school'], ground: TreatContext): Candidate[] {
  const { host, problems } = ground.treatmentContext;
  return ground.shelf.flatMap((label) =>
    label.uses.flatMap((use): Candidate[] => {
      const fits =
        (act.label === null || label.key === act.label) &&
        (act.methods.length === 0 || act.methods.includes(use.method)) &&
        (act.families.length === 0 || label.actives.some((a) => act.families.includes(a.family))) &&
        (school !== 'organic' || label.organic) &&
        usesHost(use, host.id, host.groups);
      const named = act.against.filter((id) => use.targets.includes(id));
      const target = named.find((id) => problems.some((t) => t.condition.id === id)) ?? named[0];
      const condition = fits && target !== undefined ? ground.condition(target) : null;
      return condition ? [{ label, use, condition }] : [];
    }),
  );
}

/** When a use is free within a time, or what keeps it closed: of the time itself, the programme has the word. */
const freeDay = (
  context: TreatmentContext,
  { label, use }: Candidate,
  from: LocalDate,
  to: LocalDate,
): LocalDate | Bound[] => firstOpen({ ...context, on: from, condition: null, problems: [] }, label, use, to);

/** A candidate with its free day, before anything else is asked. */
interface Free extends Candidate {
  day: LocalDate;
  /** A pest might grow used to it: its group, or the product where they are to change, was the last one. */
  again: boolean;
}
/** The same worked out for that day, with what stands against it. */
interface Tried extends Free {
  aimed: TreatmentContext;
  result: Prescription;
  stops: Gate[];
  holds: Gate[];
}

function tried(candidate: Free, act: Treats, ground: TreatContext): Tried {
  const { label, use, condition, day } = candidate;
  const aimed = faced(ground.treatmentContext, condition, ground.detections[condition.id] ?? null);
  const choices = { ...ground.choices, when: { kind: 'day' as const, day } };
  const result = workOutOn(aimed, label, use, choices, { on: day, window: null }, false);
  // Whatever the day itself will tell is a condition of the visit, today's as well.
  const open = blocked(standing(result.gates), {});
  // Where groups are to change, a reason that is given for all the trees lets none of them be repeated.
  const fixed = (g: Gate) => g.strength === 'stop' || (act.rotate && g.id === 'resistance-again');
  return { ...candidate, aimed, result, stops: open.filter(fixed), holds: open.filter((g) => !fixed(g)) };
}

const repeats = (label: Label, act: Treats, last: Last | null): boolean => {
  const groups = countedGroups(label);
  return (
    groups.some((g) => last?.groups.includes(g)) || (act.rotate && groups.length > 0 && last?.labelKey === label.key)
  );
};
/** What is free comes first, then another group, then fewer holds, then the nearer day. */
const better = (a: Tried, b: Tried): number =>
  Math.sign(a.stops.length) - Math.sign(b.stops.length) ||
  Number(a.again) - Number(b.again) ||
  a.holds.length - b.holds.length ||
  a.day.localeCompare(b.day);

/** The best of what is free: tried in order of group and day, until one has nothing against it. */
function bestOf(free: readonly Free[], act: Treats, ground: TreatContext): Tried | null {
  const order = [...free].sort((a, b) => Number(a.again) - Number(b.again) || a.day.localeCompare(b.day));
  const out: Tried[] = [];
  for (const candidate of order) {
    const one = tried(candidate, act, ground);
    out.push(one);
    if (!one.stops.length && !one.holds.length) break;
  }
  return out.sort(better)[0] ?? null;
}

/**
 * What carries a step out on one tree, and when: the first free day of its time on which label, book, picking and what is
 * planned before it leave a product of the shelf.
 * @param from first day on which it is wished for
 * @param to last day of its time
 * @param keep what was planned before, kept as long as it may be
 */
export function treatmentOn({
  act,
  school,
  ground,
  from,
  to,
  last,
  keep,
}: {
  act: Treats;
  school: YearProgramme['school'];
  ground: TreatContext;
  from: LocalDate;
  to: LocalDate;
  last: Last | null;
  keep: { labelKey: string; useKey: string } | null;
}): { day: LocalDate; act: Treatment } | Stop {
  const all = candidates(act, school, ground);
  if (!all.length) return { why: 'no product' };
  const days = all.map((c) => ({ ...c, day: freeDay(ground.treatmentContext, c, from, to) }));
  const free = days.flatMap((c): Free[] =>
    typeof c.day === 'string' ? [{ ...c, day: c.day, again: repeats(c.label, act, last) }] : [],
  );
  const kept = keep && free.find((c) => c.label.key === keep.labelKey && c.use.key === keep.useKey);
  const own = kept && tried(kept, act, ground);
  const best = own && !own.stops.length ? own : bestOf(free, act, ground);
  if (!best) {
    const [first] = days;
    return { why: 'no day', product: first!.label.name, bounds: first!.day as Bound[] };
  }
  const product = best.label.name;
  if (best.stops.length) return { why: 'gates', product, gates: best.stops };
  if (!best.result.dose.ok) return { why: 'no dose', product, sentence: best.result.dose.issues[0]!.message };
  const { day, label, use, condition, aimed, result, holds } = best;
  return { day, act: { kind: 'treat', label, use, conditionId: condition.id, aimed, result, holds } };
}

/** What is known once a treatment of the programme has been put on: what comes after counts it like what is done. */
export function withTreatment(
  context: TreatmentContext,
  { label, use, result }: Treatment,
  day: LocalDate,
): TreatmentContext {
  if (!result.dose.ok) return context;
  const actives = result.dose.actives.map((a) => ({ name: a.name, grams: a.grams }));
  const entry: Earlier = {
    day,
    labelKey: label.key,
    actives: label.actives.map((a) => a.name),
    families: label.actives.map((a) => a.family),
    groups: label.actives.map((a) => `${a.group.scheme} ${a.group.code}`),
    notWith: label.notWith,
    reEntryUntil: `${dayAfter(day, Math.ceil(use.intervals.reEntryHours / 24), 'days')}T00:00:00Z`,
  };
  return {
    ...context,
    earlier: [...context.earlier, entry].sort((a, b) => a.day.localeCompare(b.day)),
    treeLog: [...(context.treeLog ?? []), { day, labelKey: label.key, product: result.dose.product, actives }],
  };
}
