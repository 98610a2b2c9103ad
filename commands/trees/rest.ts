import type { Context } from '@/facts/context';
import { treatmentContextOfPlan } from '@/facts/treatment-context';
import { detectionsNear, treeOf } from '@/facts/tree';
import type { Written } from '@/facts/recording';
import { stillSaid } from '@/core/gates/said';
import { prescribe } from '@/core/prescribe/prescribe';
import { visitOn, whilePlanning } from '@/core/prescribe/when';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { NO_YEAR } from '@/core/season/year';
import { told } from '@/lib/units/units';
import { getPlan } from '@/store/plans';
import { heldBy } from '@/store/stock';
import { planRow } from '@/store/diagnoses';
import { v7 } from 'uuid';

/** Days within which a treatment is finished; later it is a new one, and is judged as such. */
const FINISHED_WITHIN_DAYS = 14;

/** What becomes of what did not go in: a visit of its own, or why the label leaves no room for it. */
export type RestOfIt = { planned: LocalDate } | { stopped: string };

/**
 * What hung and did not go in waits as a plan of its own for the next day: so much of the dose as is still out, at most what the
 * label allows over the year. Where a stop stands against it, it is said and nothing is planned.
 */
export async function planRest(
  { viewer, occurredAt }: Pick<Context, 'viewer' | 'occurredAt'>,
  { left, record }: Pick<Written, 'left' | 'record'>,
): Promise<RestOfIt | null> {
  const plan = left && record.planId ? await getPlan(viewer, record.planId) : null;
  const use = plan?.label.uses.find((u) => u.key === plan.useKey);
  if (!left || !plan || !use) return null;
  // The treatment itself stands among what was done by now.
  const [tree, held] = await Promise.all([treeOf(viewer, plan.treeId, occurredAt), heldBy(viewer)]);
  if (!tree) return null;
  const before = plan.choices.rest;
  const day = dayAfter(record.doneOn, 1, 'days');
  const treatmentContext = treatmentContextOfPlan(viewer, tree, {
    held,
    detections: await detectionsNear(viewer, tree),
    now: occurredAt,
    plan,
    year: NO_YEAR,
  });
  const choices = {
    ...plan.choices,
    said: stillSaid(plan.choices.said),
    when: { kind: 'day' as const, day },
    rest: {
      of: [...(before?.of ?? []), record.rootId],
      since: before?.since ?? record.doneOn,
      part: (before?.part ?? 1) * left.part,
    },
  };
  const result = told((system) => prescribe(treatmentContext, plan.label, use, { ...choices, system }));
  const stop = whilePlanning(result.metric, treatmentContext.on).find(
    (g) => g.strength === 'stop' && g.state === 'tripped',
  );
  if (stop) return { stopped: `${stop.title}: ${stop.sentence}` };
  if (!result.metric.dose.ok)
    return { stopped: result.metric.dose.issues[0]?.message ?? 'There is no dose for the rest.' };
  const latest = dayAfter(day, FINISHED_WITHIN_DAYS - 1, 'days');
  await planRow(viewer, {
    plans: [
      {
        id: v7(),
        treeId: tree.id,
        labelId: plan.labelId,
        useKey: plan.useKey,
        conditionId: plan.conditionId,
        at: occurredAt,
        choices,
        result,
        released: plan.released,
        price: null,
        visit: visitOn(result.metric, treatmentContext.on) && { plannedFor: day, earliest: day, latest },
      },
    ],
    savedDiagnoses: [],
    left: [],
    programme: null,
  });
  return { planned: day };
}
