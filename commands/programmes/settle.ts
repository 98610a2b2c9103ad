import type { Context } from '@/facts/context';
import { v7 } from 'uuid';
import { assignOver, type Assigning, type AssignedTree } from '@/facts/assigning';
import { told, type UnitSystem } from '@/lib/units/units';
import type { Gate } from '@/core/gates/gate';
import { workOutOn } from '@/core/prescribe/prescribe';
import type { Change } from '@/core/programmes/changes';
import { releasing, type AssignedVisit, type WorkAct } from '@/core/programmes/assign';
import type { DayReason } from '@/core/programmes/spans';
import { costOf } from '@/core/programmes/sums';
import type { Stop, Treatment } from '@/core/programmes/treat';
import { factsOn } from '@/core/work/work';
import { findWork } from '@/knowledge/works';
import {
  insertInspectionsDue,
  dropCarried,
  getAssignment,
  moveVisit,
  writeVisits,
  type Assignment,
  type StopTold,
  type VisitWritten,
} from '@/store/assignments';
import { insertAssignedPlans, type NewPlan } from '@/store/plans';
import { insertAssignedWorks, type NewWork } from '@/store/works';
import type { Held } from '@/store/stock';

type Here = Pick<Context, 'viewer' | 'receivedAt' | 'station'>;
const gatesTold = (gates: readonly Gate[]) => gates.map(({ id, title, satisfy }) => ({ id, title, satisfy }));
/** What stands against a visit, as it is kept. */
export function stopTold(stop: Stop): StopTold {
  if (stop.why === 'gates' || stop.why === 'holds') return { ...stop, gates: gatesTold(stop.gates) };
  if (stop.why === 'work') return { why: 'work', product: null, gates: gatesTold(stop.gates) };
  return stop;
}

interface Written {
  visits: VisitWritten[];
  plans: (NewPlan & { visitId: string })[];
  works: NewWork[];
  looks: Parameters<typeof insertInspectionsDue>[1][number][];
  moves: Parameters<typeof moveVisit>[1][];
  dropped: string[];
}

/** Puts down what has changed on trees of a laid programme: visits, their plans and dates, and what moved. */
export async function writeChanges(
  here: Here,
  assignment: Pick<Assignment, 'id' | 'reason' | 'programme'>,
  held: Held,
  trees: readonly AssignedTree[],
) {
  const out: Written = { visits: [], plans: [], works: [], looks: [], moves: [], dropped: [] };
  const settling = { ...here, assignment, held, shares: sharesOf(here, trees) };
  for (const tree of trees) for (const change of tree.changes) settleOne(settling, tree, change, out);
  await writeVisits(here.viewer, out.visits);
  if (out.dropped.length) await dropCarried(here.viewer, out.dropped);
  await insertAssignedPlans(here.viewer, out.plans);
  await insertAssignedWorks(here.viewer, out.works);
  if (out.looks.length) await insertInspectionsDue(here.viewer, out.looks);
  for (const move of out.moves) await moveVisit(here.viewer, move);
  return out;
}

/** The share of each tree in coming out on a day: once for the place, by all that is planned there that day. */
function sharesOf({ viewer }: Here, trees: readonly AssignedTree[]): (day: string) => number {
  const perDay = new Map<string, number>();
  for (const v of trees.flatMap((t) => t.visits))
    if (v.state === 'planned') perDay.set(v.day, (perDay.get(v.day) ?? 0) + 1);
  return (day) => viewer.prices.visit / (perDay.get(day) ?? 1);
}

/** Why somebody moved it by hand; null where nobody did. */
const handOf = (reasons: readonly DayReason[]): string | null =>
  reasons.flatMap((r) => (r.by === 'hand' ? [r.because] : []))[0] ?? null;

/** What is the same for all trees of a programme while it is settled. */
interface Settling extends Here {
  assignment: Pick<Assignment, 'id' | 'reason' | 'programme'>;
  held: Held;
  /** The share of a tree in coming out on a day, minor units. */
  shares: (day: string) => number;
}

function settleOne(settling: Settling, tree: AssignedTree, { kind, now, was }: Change, out: Written): void {
  const { assignment, held, shares, viewer } = settling;
  if (kind === 'move') {
    const { day, earliest, latest, reasons } = now;
    const byHand = handOf(reasons);
    out.moves.push({ id: v7(), visitId: was.id, from: was.day, to: day, earliest, latest, reasons, byHand });
    return;
  }
  const visitId = was?.id ?? v7();
  if (was?.state === 'planned') out.dropped.push(visitId);
  const of = assignment.programme.steps.find((s) => s.key === (now ?? was)!.step);
  const act = now?.act ?? null;
  const labelId = act?.kind === 'treat' ? (held.labels.find((l) => l.key === act.label.key)?.id ?? null) : null;
  const stop = now?.stop ? stopTold(now.stop) : null;
  const { step, year, nth, day, earliest, latest } = (now ?? was)!;
  const state = kind === 'off' || !now ? 'off' : stop ? 'stopped' : now.state === 'expected' ? 'expected' : 'planned';
  out.visits.push({
    id: visitId,
    assignmentId: assignment.id,
    treeId: tree.tree.id,
    step,
    year,
    nth,
    kind: of?.act.kind ?? 'look',
    state,
    day,
    earliest,
    latest,
    reasons: now?.reasons ?? [],
    byHand: handOf(now?.reasons ?? []),
    stop: state === 'stopped' ? stop : null,
    labelId,
    useKey: act?.kind === 'treat' ? act.use.key : null,
  });
  if (state !== 'planned' || !now || !act) return;
  const visit = { id: visitId, of: now, cost: costOf(now, viewer.prices) + shares(day) };
  if (act.kind === 'treat') out.plans.push({ ...planOf(settling, tree, visit, act), labelId: labelId! });
  else if (act.kind === 'work') out.works.push(workOf(settling, tree, visit, act));
  else
    out.looks.push({
      id: v7(),
      visitId,
      treeId: tree.tree.id,
      what: of?.act.kind === 'look' ? `${of.name}: ${of.act.how}`.slice(0, 200) : step,
      reason: `${assignment.programme.name}: ${of?.why ?? ''}`.slice(0, 300),
      due: day,
      earliest,
      latest,
    });
}

const once = (cost: number, years: number) => ({ now: Math.round(cost), overYears: Math.round(cost), years });

/** A visit that is put down, with what it costs. */
interface VisitDue {
  id: string;
  of: AssignedVisit;
  cost: number;
}

function planOf(
  { viewer, receivedAt, assignment }: Settling,
  { tree, ground }: AssignedTree,
  { id: visitId, of: { day, earliest, latest }, cost }: VisitDue,
  act: Treatment,
): Omit<NewPlan & { visitId: string }, 'labelId'> {
  const choices = { ...ground.choices, when: { kind: 'day' as const, day } };
  // The sites in the wood are placed for the plan alone; what needs none stands as it was worked out.
  const ring = act.use.sites !== undefined;
  const anew = (system: UnitSystem) =>
    workOutOn(act.aimed, act.label, act.use, { ...choices, system }, { on: day, window: null }, ring);
  const result = told((system) => (ring || system !== viewer.units ? anew(system) : act.result));
  return {
    id: v7(),
    treeId: tree.id,
    useKey: act.use.key,
    conditionId: act.conditionId,
    at: receivedAt,
    choices,
    result,
    released: releasing(act.holds, assignment.reason),
    price: once(cost, assignment.programme.years),
    // Today's visit is for today; the rest waits for its day.
    visit: day > ground.treatmentContext.on ? { plannedFor: day, earliest, latest } : null,
    visitId,
  };
}

function workOf(
  { viewer, assignment }: Settling,
  { tree, ground }: AssignedTree,
  { id: visitId, of: { day }, cost }: VisitDue,
  act: WorkAct,
): NewWork {
  const facts = factsOn(ground.work!, day);
  const work = findWork(act.work)!;
  return {
    id: v7(),
    treeId: tree.id,
    workId: act.work,
    conditionId: facts.condition?.id ?? null,
    answers: act.answers,
    sheet: told((system) => (system === viewer.units ? act.sheet : work.workOut({ ...facts, system }, act.answers))),
    released: releasing(act.holds, assignment.reason),
    plannedFor: day > ground.treatmentContext.on ? day : null,
    price: once(cost, assignment.programme.years),
    visitId,
  };
}

/** What follows from a record or a look by itself; what would drop a plan, or change its product, is asked first. */
const FOLLOWS: readonly Change['kind'][] = ['new', 'plan', 'move', 'wait', 'off'];
export const following = (trees: readonly AssignedTree[]): AssignedTree[] =>
  trees.map((t) => ({ ...t, changes: t.changes.filter((c) => FOLLOWS.includes(c.kind)) }));

/**
 * A laid programme is settled anew on trees on which something was done or found: what comes after is counted from that.
 * @param treeIds null for all its trees
 */
export async function settleAnew(here: Here, assignmentId: string, treeIds: readonly string[] | null): Promise<void> {
  const assignment = await getAssignment(here.viewer, assignmentId);
  if (!assignment || assignment.endedOn) return;
  const { held, trees } = await assignOver({
    viewer: here.viewer,
    stationFor: here.station,
    now: here.receivedAt,
    assigning: assignment satisfies Assigning,
    assignmentId: assignment.id,
    treeIds,
  });
  await writeChanges(here, assignment, held, following(trees));
}
