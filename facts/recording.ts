import { refuse, type Result } from '@/lib/result';
import { sentBefore, type Context } from '@/facts/context';
import { saidSchema } from '@/facts/answers';
import { atTheTree, newestOf } from '@/facts/at-the-tree';
import { fromMixes, type FromMixes } from '@/facts/batches';
import { spotOf } from '@/facts/diagnosis';
import { treatmentContextOfPlan, weighingOf } from '@/facts/treatment-context';
import { detectionsNear, treeOf, treesOf } from '@/facts/tree';
import { STILL_INSTALLED } from '@/facts/not-then';
import type { TreatmentInput } from '@/core/records/record';
import { writeUp, type Applicator, type Drawn } from '@/core/records/write';
import type { Dose } from '@/core/dose/dose';
import { enteredOf, fillOf, removalsOf } from '@/core/devices/devices';
import type { Draw } from '@/core/mix/batch';
import { stepOfUse } from '@/core/prescribe/costs';
import { doseChange, doseChangeSentence, type DoseAnswer, type DoseBasis } from '@/core/dose/dose-change';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { TreatmentContext } from '@/core/gates/context';
import type { FollowUp } from '@/core/season/follow-ups';
import { NO_YEAR } from '@/core/season/year';
import { findCondition } from '@/knowledge';
import { PlanGone, writeRecord, type NewRecord } from '@/store/records';
import { installedDevicesOf, type InstallationRow } from '@/store/devices';
import { assignmentBehind } from '@/store/assignments';
import { peopleNamed, type Licensed } from '@/store/people';
import { getPlan, type Plan } from '@/store/plans';
import { heldBy, lotsOf } from '@/store/stock';
import type { Viewer } from '@/store/auth';
import { nearbyDetections } from '@/store/diagnoses';
import { v7 } from 'uuid';

/** What is read off a device is not truer than this. */
const READING = 0.02;
/** Less than this part of a dose left out is no visit. */
const LEAST_REST = 0.1;

/** A booking that may be written: the record, and the laying whose visit it carries out. */
export interface Written {
  record: NewRecord;
  due: FollowUp[];
  assignment: { assignmentId: string; treeId: string } | null;
  lot: { id: string; onHand: number } | null;
  /** What hung and did not go in, as a part of the dose; null where all of it did. */
  left: { part: number } | null;
}

const asApplicator = ({ id, name, licenceNumber, licenceCategories, licenceExpires }: Licensed): Applicator => ({
  id,
  name,
  licence:
    licenceNumber && licenceExpires
      ? { number: licenceNumber, categories: licenceCategories, expires: licenceExpires }
      : null,
});

/** The moment of the work as it is judged: never later than it was received. */
export const momentOf = (startedAt: string, now: Date): Date =>
  new Date(Math.min(Date.parse(startedAt), now.getTime()));

export type Worked = Extract<Dose, { ok: true }>;
/** What the work followed: dose, ring and ground, and how the newest facts changed them. */
export interface Followed extends Pick<Prescription, 'ring' | 'treated'> {
  dose: Worked;
  change: DoseAnswer | null;
}
/**
 * The dose that a job follows: the plan's, unless the newest facts give another; then whoever does it has said which.
 * @param planned what was worked out when it was planned
 * @param newest the same with the newest facts
 */
export function doseFollowed(
  planned: Pick<Prescription, 'dose' | 'ring' | 'treated'>,
  newest: Pick<Prescription, 'dose' | 'ring' | 'treated'>,
  basis: DoseBasis | undefined,
): Result<Followed> {
  if (!planned.dose.ok) return refuse('planId', 'This plan has no dose; prescribe anew.');
  const was = doseChange(planned.dose, newest.dose);
  if (!was) return { ok: true, value: { ...planned, dose: planned.dose, change: null } };
  if (!basis)
    return refuse(
      'basis',
      `${doseChangeSentence(was, 'metric')} Choose the newest dose, or keep the planned one with a reason.`,
    );
  if (basis === 'planned')
    return { ok: true, value: { ...planned, dose: planned.dose, change: { was, followed: basis } } };
  return newest.dose.ok
    ? { ok: true, value: { ...newest, dose: newest.dose, change: { was, followed: basis } } }
    : refuse('basis', doseChangeSentence(was, 'metric'));
}

/** What went in of devices that were pulled: no more than that is booked. Null where the amount may stand. */
function beyondEntered(dose: Extract<Dose, { ok: true }>, installed: readonly InstallationRow[], amount: number) {
  if (!installed.length) return null;
  const entered = enteredOf(dose.product, fillOf(dose) ?? dose.product, removalsOf(installed));
  return amount > entered * (1 + READING) + 1e-6
    ? refuse(
        'amount',
        `Only ${Number(entered.toPrecision(4))} ${dose.dimension === 'volume' ? 'mL' : 'g'} of the product went in: the rest was pulled with its device.`,
      )
    : null;
}

/**
 * Works a booking out: plan, tree, gates, lot and what follows. Nothing is written.
 * @param share what it takes of mixes that serve a row; left out, it is worked out from the mixes that the booking names
 */
export async function treatmentInputOf(
  { viewer, receivedAt }: Context,
  b: TreatmentInput,
  share?: { draws: Draw[]; drawn: Drawn[]; lot: FromMixes['lot'] },
): Promise<Result<Written>> {
  const plan = await getPlan(viewer, b.planId);
  if (!plan) return refuse('planId', 'This plan is not in this company.');
  const doneAt = momentOf(b.startedAt, receivedAt);
  const [tree, held, lots, installed] = await Promise.all([
    treeOf(viewer, plan.treeId, doneAt),
    heldBy(viewer),
    lotsOf(viewer, plan.label.key),
    installedDevicesOf(viewer, plan.id),
  ]);
  // Whoever writes it is named first, once.
  const others = [...new Set(b.withIds)].filter((id) => id !== viewer.personId);
  const beside = others.length ? await peopleNamed(viewer, others) : [];
  if (beside.length < others.length) return refuse('withIds', 'Somebody named beside you is not of this company.');
  const waits = tree?.unsettled.find((u) => u.planId === plan.id && u.recordId !== b.id);
  if (waits)
    return refuse('planId', `${waits.byName} did this already; the record waits to be settled. Settle that one first.`);
  if (installed.some((d) => !d.removedAt)) return refuse('planId', STILL_INSTALLED);
  const use = plan.label.uses.find((u) => u.key === plan.useKey);
  const condition = findCondition(plan.conditionId);
  if (!tree || !use || !condition || !plan.result.dose.ok)
    return refuse('planId', 'What this plan rests on is gone; prescribe anew.');
  if (!saidSchema.safeParse(b.said).success) return refuse('said', 'An answer was given that was not offered.');
  const detections = await detectionsNear(viewer, tree);
  // The day of the work and not of its arrival; the leaf is what is seen, so the seasons have nothing to add.
  const treatmentContext = treatmentContextOfPlan(viewer, tree, { held, detections, now: doneAt, plan, year: NO_YEAR });
  const there = atTheTree(treatmentContext, plan, b);
  const followed = doseFollowed(plan.result, there, b.basis);
  if (!followed.ok) return followed;
  const { dose, ring, treated, change } = followed.value;
  const beyond = beyondEntered(dose, installed, b.amount);
  if (beyond) return beyond;
  const mixed =
    share || !b.batchIds
      ? null
      : await fromMixes(viewer, b.batchIds, { ...plan, dose, planIds: [plan.id] }, [b.amount]);
  if (mixed && !mixed.ok) return mixed;
  const from =
    share ?? (mixed ? { draws: mixed.value.draws[0]!, drawn: mixed.value.drawn[0]!, lot: mixed.value.lot } : null);
  const lot = from?.lot ?? lots.find((l) => l.id === b.lotId) ?? null;
  const up = writeUp(
    {
      now: receivedAt,
      timeZone: tree.timeZone,
      applicator: { id: viewer.personId, name: viewer.name, licence: viewer.licence },
      beside: beside.map(asApplicator),
      labelId: plan.labelId,
      label: plan.label,
      use,
      step: stepOfUse(use, weighingOf(viewer, tree, doneAt)),
      condition,
      host: treatmentContext.host,
      tree: { id: tree.id, tag: tree.tag, lat: tree.lat, lon: tree.lon },
      place: { id: tree.siteId, name: tree.siteName, address: tree.address, client: tree.clientName },
      dose,
      ring,
      treated,
      change,
      gates: there.gates,
      released: { ...plan.released, ...b.released },
      lot,
      drawn: from?.drawn ?? null,
    },
    b,
  );
  if (!up.ok) return { ok: false, issues: up.issues };
  // Under a programme the next one is a visit of the programme, counted from this record; the label's own would be a second.
  const assignment = plan.visitId === null ? null : await assignmentBehind(viewer, { planId: plan.id });
  const due = up.followUps.filter((f) => !assignment || f.kind !== 'treat-again');
  const record: NewRecord = {
    id: b.id,
    rootId: b.id,
    version: 1,
    planId: plan.id,
    startedAt: b.startedAt,
    endedAt: b.endedAt,
    doneOn: up.doneOn,
    byPerson: viewer.personId,
    withdrawn: false,
    correction: null,
    words: up.words,
    data: up.data,
    followUps: due,
    // What came from a mix has left its lot already.
    moves: from
      ? []
      : [{ id: v7(), lotId: b.lotId, amount: -b.amount, reason: `used on ${tree.tag}, ${tree.siteName}` }],
    draws: (from?.draws ?? []).map(({ batchId, mixMl }) => ({ id: v7(), batchId, mixMl })),
  };
  const out = 1 - b.amount / dose.product;
  const left = installed.length && out > LEAST_REST ? { part: out } : null;
  return { ok: true, value: { record, due, assignment, lot, left } };
}

/** Writes a booking: the record, the stock, the follow-ups and the end of the plan, together or not at all. */
export async function writeTreatment({ viewer }: Pick<Context, 'viewer'>, { record }: Written): Promise<Result> {
  try {
    // A record that came here by another way than a command has this id: it stands, and this is not it.
    return (await writeRecord(viewer, v7, record)) ? { ok: true, value: null } : sentBefore;
  } catch (error) {
    if (error instanceof PlanGone)
      return refuse('planId', 'Somebody else has carried out or dropped this plan meanwhile. Nothing was written.');
    if ((error as { code?: string }).code === '23514')
      return refuse('lotId', 'Somebody else took from this lot or mix meanwhile; there is not enough left.');
    throw error;
  }
}

/** A plan at its tree as it is today, with everything that its gates ask. */
export interface RowContext {
  plan: Plan;
  timeZone: string;
  lat: number | null;
  lon: number | null;
  treatmentContext: TreatmentContext;
}
/** The dose of each plan by the newest facts of its tree, or as planned where those allow none; without a dose, it is missing. */
export async function newestDoses(viewer: Viewer, now: Date, plans: readonly Plan[]): Promise<Map<string, Worked>> {
  const contexts = await rowContexts(viewer, now, plans);
  return new Map(
    plans.flatMap((plan): [string, Worked][] => {
      const ground = contexts.find((g) => g.plan.id === plan.id);
      const newest = ground ? newestOf(ground).dose : plan.result.dose;
      const dose = newest.ok ? newest : plan.result.dose;
      return dose.ok && plan.result.dose.ok
        ? [[plan.id, doseChange(plan.result.dose, dose) ? dose : plan.result.dose]]
        : [];
    }),
  );
}

/** Plans with their trees, as they are gone to together: a few statements, however many there are. */
export async function rowContexts(viewer: Viewer, now: Date, plans: readonly Plan[]): Promise<RowContext[]> {
  const found = await treesOf(viewer, [...new Set(plans.map((n) => n.treeId))], now);
  // What is of the place is the same thing for all its trees: a page that carries many carries it once.
  const places = new Map(found.map((t) => [t.siteId, t.siteMap]));
  const trees = found.map((t) => ({ ...t, siteMap: places.get(t.siteId) ?? t.siteMap }));
  const [held, detections] = await Promise.all([heldBy(viewer), nearbyDetections(viewer, trees)]);
  return plans.flatMap((plan): RowContext[] => {
    const tree = trees.find((t) => t.id === plan.treeId);
    if (!tree) return [];
    const treatmentContext = treatmentContextOfPlan(viewer, tree, {
      held,
      detections: detections.get(tree.id)!,
      now,
      plan,
      year: NO_YEAR,
    });
    return [{ plan, timeZone: tree.timeZone, ...spotOf(tree), treatmentContext }];
  });
}
