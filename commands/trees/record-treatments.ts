import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { fromMixes } from '@/facts/batches';
import { atTheTree } from '@/facts/at-the-tree';
import {
  treatmentInputOf,
  doseFollowed,
  momentOf,
  rowContexts,
  writeTreatment,
  type Worked,
  type Written,
} from '@/facts/recording';
import { saidSchema } from '@/facts/answers';
import { settleAnew } from '@/commands/programmes/settle';
import { treatmentInputSchema, type TreatmentInput } from '@/core/records/record';
import { uuid } from '@/lib/ids';
import { sharesOf } from '@/core/records/row';
import { tagRuns } from '@/core/site-map/tags';
import { getPlans } from '@/store/plans';
import { z } from 'zod';

/** More trees than this are written in several goes. */
const MOST = 60;

const {
  startedAt,
  endedAt,
  lotId,
  batchIds,
  weather,
  soil,
  leaf,
  intakeMmH,
  said,
  released,
  protection,
  withIds,
  deviation,
  mark,
  note,
  basis,
  amount,
} = treatmentInputSchema.shape;

/** Faults of many trees: the same sentence at the same place is said once, with their tags. */
function together(issues: readonly { tag: string; issue: Issue }[]): Issue[] {
  const same = new Map<string, { issue: Issue; tags: string[] }>();
  for (const { tag, issue } of issues) {
    const key = `${issue.path} ${issue.message}`;
    const of = same.get(key) ?? { issue, tags: [] };
    of.tags.push(tag);
    same.set(key, of);
  }
  return [...same.values()]
    .slice(0, 40)
    .map(({ issue, tags }) => ({ path: issue.path, message: `${tagRuns(tags)}: ${issue.message}` }));
}

/** A row of like trees, done in one go from one mix, is written in one go: a record each, or none of them. */
export const recordTreatments = command({
  name: 'record-treatments',
  right: 'apply',
  schema: z
    .strictObject({
      id: uuid,
      /** In the order in which they were done. */
      rows: z
        .array(z.strictObject({ planId: uuid, recordId: uuid, basis, amount: amount.optional() }))
        .min(1, 'Choose one tree at least.')
        .max(MOST, `At most ${MOST} trees at once.`),
      /** Product used on all of them, mL or g; null where it was as planned. */
      total: z.number('Enter the amount used as a number.').positive().max(1e7).nullable(),
      startedAt,
      endedAt,
      lotId,
      batchIds,
      weather,
      soil,
      leaf,
      intakeMmH,
      said,
      released,
      protection,
      withIds,
      deviation,
      mark,
      note,
    })
    .refine((b) => Date.parse(b.endedAt) >= Date.parse(b.startedAt), {
      path: ['endedAt'],
      message: 'The end lies before the start.',
    }),
  once: (x) => x.id,
  run: async (context, { id: _, rows, total, batchIds, ...same }): Promise<Result<{ recordIds: string[] }>> => {
    const { viewer } = context;
    if (!saidSchema.safeParse(same.said).success) return refuse('said', 'An answer was given that was not offered.');
    const ids = new Set(rows.map((r) => r.planId));
    if (ids.size < rows.length) return refuse('rows', 'A tree stands in it twice.');
    const plans = await getPlans(viewer, [...ids]);
    if (plans.length < ids.size) return refuse('rows', 'A plan among them is not in this company.');
    if (new Set(plans.map((n) => n.treeId)).size < plans.length) return refuse('rows', 'A tree stands in it twice.');
    const [first] = plans as [(typeof plans)[number]];
    if (plans.some((n) => n.labelId !== first.labelId || n.useKey !== first.useKey || n.siteId !== first.siteId))
      return refuse('rows', 'One go is one product, one use and one place.');
    const tagOf = new Map(plans.map((n) => [n.id, n.tag]));
    const contexts = await rowContexts(viewer, momentOf(same.startedAt, context.receivedAt), plans);
    const doses: Worked[] = [];
    const unanswered: { tag: string; issue: Issue }[] = [];
    for (const { planId, basis } of rows) {
      const ground = contexts.find((g) => g.plan.id === planId);
      const followed = ground
        ? doseFollowed(ground.plan.result, atTheTree(ground.treatmentContext, ground.plan, same), basis)
        : refuse('rows', 'What this plan rests on is gone; prescribe anew.');
      if (followed.ok) doses.push(followed.value.dose);
      else for (const issue of followed.issues) unanswered.push({ tag: tagOf.get(planId)!, issue });
    }
    if (unanswered.length) return { ok: false, issues: together(unanswered) };
    // What was given each tree is a figure; where only the whole is known it is shared by the doses.
    const shares = sharesOf(
      doses.map((d) => d.product),
      total,
      same,
    ).map((s, i) => ({ ...s, amount: rows[i]!.amount ?? s.amount }));
    const mixed = batchIds
      ? await fromMixes(
          viewer,
          batchIds,
          { ...first, dose: doses[0]!, planIds: [...ids] },
          shares.map((s) => s.amount),
        )
      : null;
    if (mixed && !mixed.ok) return mixed;
    const ready: Written[] = [];
    const issues: { tag: string; issue: Issue }[] = [];
    for (const [i, { planId, recordId, basis }] of rows.entries()) {
      const treatmentInput: TreatmentInput = { ...same, ...shares[i]!, id: recordId, planId, basis, photoIds: [] };
      const worked = await treatmentInputOf(
        context,
        treatmentInput,
        mixed?.value && { draws: mixed.value.draws[i]!, drawn: mixed.value.drawn[i]!, lot: mixed.value.lot },
      );
      if (worked.ok) ready.push(worked.value);
      else for (const issue of worked.issues) issues.push({ tag: tagOf.get(planId)!, issue });
    }
    const used = shares.reduce((sum, s) => sum + s.amount, 0);
    const lot = ready[0]?.lot;
    if (!mixed && lot && used > lot.onHand + 1e-9)
      return refuse('lotId', 'This lot does not hold enough for all of them; write them in two goes, a lot each.');
    if (issues.length) return { ok: false, issues: together(issues) };
    for (const treatmentInput of ready) {
      const written = await writeTreatment(context, treatmentInput);
      if (!written.ok) return written;
    }
    for (const assignmentId of new Set(ready.flatMap((r) => r.assignment?.assignmentId ?? [])))
      await settleAnew(
        context,
        assignmentId,
        ready.flatMap((r) => (r.assignment?.assignmentId === assignmentId ? [r.assignment.treeId] : [])),
      );
    return { ok: true, value: { recordIds: rows.map((r) => r.recordId) } };
  },
});
