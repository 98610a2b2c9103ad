import type { Condition } from '../diagnose/knowledge';
import { EXEMPT_FAMILIES } from '../gates/rules/numbers';
import type { Earlier, Gate } from '../gates/gate';
import { blocked, standing } from '../gates/rules';
import { usesHost } from '../label/match';
import type { Label, LabelUse } from '../label/schema';
import { workOut, type Prescription } from '../prescribe/prescribe';
import { faced, type Choices, type Situation } from '../prescribe/situation';
import { boundsOn, nextWindow, type Bound } from '../prescribe/when';
import { after, type Day } from '../season/follow-ups';
import type { ProgrammeStep, YearProgramme } from './schema';

/** A treatment that has its day: what is put on, against what, and what somebody has to answer for. */
export interface Treatment {
  kind: 'treat';
  label: Label;
  use: LabelUse;
  conditionId: string;
  /** The facts it was worked out on: what the programme puts on before it counted among what is done. */
  aimed: Situation;
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

export interface TreatGround {
  situation: Situation;
  shelf: readonly Label[];
  condition: (id: string) => Condition | null;
  finds: Readonly<Record<string, number>>;
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
function candidates(act: Treats, school: YearProgramme['school'], ground: TreatGround): Candidate[] {
  const { host, troubles } = ground.situation;
  return ground.shelf.flatMap((label) =>
    label.uses.flatMap((use): Candidate[] => {
      const fits =
        (act.label === null || label.key === act.label) &&
        (act.methods.length === 0 || act.methods.includes(use.method)) &&
        (act.families.length === 0 || label.actives.some((a) => act.families.includes(a.family))) &&
        (school !== 'organic' || label.organic) &&
        usesHost(use, host.id, host.groups);
      const named = act.against.filter((id) => use.targets.includes(id));
      const target = named.find((id) => troubles.some((t) => t.condition.id === id)) ?? named[0];
      const condition = fits && target !== undefined ? ground.condition(target) : null;
      return condition ? [{ label, use, condition }] : [];
    }),
  );
}

/** When a use is free within a time, or what keeps it closed. */
function freeDay(situation: Situation, { label, use }: Candidate, from: Day, to: Day): Day | Bound[] {
  // The time is the programme's own; of the rest it is asked what label, book and picking leave.
  const then = { ...situation, today: from, condition: null, troubles: [] };
  const window = nextWindow(then, label, use);
  return window && window.from <= to ? window.from : boundsOn(then, label, use, from);
}

interface Tried extends Candidate {
  day: Day;
  aimed: Situation;
  result: Prescription;
  stops: Gate[];
  holds: Gate[];
}
type Failed = { product: string; bounds: Bound[] };

function tried(candidate: Candidate, act: Treats, ground: TreatGround, from: Day, to: Day): Tried | Failed {
  const { label, use, condition } = candidate;
  const day = freeDay(ground.situation, candidate, from, to);
  if (typeof day !== 'string') return { product: label.name, bounds: day };
  const aimed = faced(ground.situation, condition, ground.finds[condition.id] ?? null);
  const when = { kind: 'day' as const, day };
  const result = workOut(aimed, label, use, { ...ground.choices, when }, false);
  // Whatever the day itself will tell is a condition of the visit, today's as well.
  const open = blocked(standing(result.gates), {});
  return {
    ...candidate,
    day,
    aimed,
    result,
    // Where groups are to change, a reason that is given for all the trees lets none of them be repeated.
    stops: open.filter((g) => g.strength === 'stop' || (act.rotate && g.id === 'resistance-again')),
    holds: open.filter((g) => g.strength === 'hold' && !(act.rotate && g.id === 'resistance-again')),
  };
}

/** How far behind another choice stands: what is free first, then another group, then fewer holds, then the nearer day. */
function rank(x: Tried, act: Treats, last: Last | null): [number, number, number, string] {
  const groups = countedGroups(x.label);
  const sameGroup = x.holds.some((g) => g.id === 'resistance-again') || groups.some((g) => last?.groups.includes(g));
  const sameProduct = act.rotate && last?.labelKey === x.label.key && groups.length > 0;
  return [x.stops.length ? 1 : 0, sameGroup || sameProduct ? 1 : 0, x.holds.length, x.day];
}

/**
 * What carries a step out on one tree, and when: the first free day of its time on which label, book, picking and what is
 * planned before it leave a product of the shelf.
 * @param from first day on which it is wished for
 * @param to last day of its time
 * @param keep what was planned before, kept as long as it may be
 */
export function treatmentOn(
  act: Treats,
  school: YearProgramme['school'],
  ground: TreatGround,
  from: Day,
  to: Day,
  last: Last | null,
  keep: { labelKey: string; useKey: string } | null,
): { day: Day; act: Treatment } | Stop {
  const all = candidates(act, school, ground);
  if (!all.length) return { why: 'no product' };
  const kept = keep && all.find((c) => c.label.key === keep.labelKey && c.use.key === keep.useKey);
  const results = (kept ? [kept, ...all.filter((c) => c !== kept)] : all).map((c) => tried(c, act, ground, from, to));
  const free = results.filter((r): r is Tried => 'result' in r);
  const first = free[0];
  const best =
    kept && first?.label === kept.label && first.use === kept.use && !first.stops.length
      ? first
      : [...free].sort((a, b) => compare(rank(a, act, last), rank(b, act, last)))[0];
  if (!best) return { why: 'no day', ...(results[0] as Failed) };
  const product = best.label.name;
  if (best.stops.length) return { why: 'gates', product, gates: best.stops };
  if (!best.result.dose.ok) return { why: 'no dose', product, sentence: best.result.dose.faults[0]!.sentence };
  return {
    day: best.day,
    act: {
      kind: 'treat',
      label: best.label,
      use: best.use,
      conditionId: best.condition.id,
      aimed: best.aimed,
      result: best.result,
      holds: best.holds,
    },
  };
}

function compare(a: readonly (number | string)[], b: readonly (number | string)[]): number {
  for (let i = 0; i < a.length; i++) {
    const [x, y] = [a[i]!, b[i]!];
    if (x !== y) return x < y ? -1 : 1;
  }
  return 0;
}

/** The situation once a treatment of the programme has been put on: what comes after counts it like what is done. */
export function withTreatment(situation: Situation, { label, use, result }: Treatment, day: Day): Situation {
  if (!result.dose.ok) return situation;
  const actives = result.dose.actives.map((a) => ({ name: a.name, grams: a.grams }));
  const entry: Earlier = {
    day,
    labelKey: label.key,
    actives: label.actives.map((a) => a.name),
    families: label.actives.map((a) => a.family),
    groups: label.actives.map((a) => `${a.group.scheme} ${a.group.code}`),
    notWith: label.notWith,
    reEntryUntil: `${after(day, Math.ceil(use.intervals.reEntryHours / 24), 'days')}T00:00:00Z`,
  };
  return {
    ...situation,
    earlier: [...situation.earlier, entry].sort((a, b) => a.day.localeCompare(b.day)),
    treeLog: [...(situation.treeLog ?? []), { day, labelKey: label.key, product: result.dose.product, actives }],
  };
}
