import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { weighingOf } from '@/facts/treatment-context';
import { treeOf } from '@/facts/tree';
import { finishSchema } from '@/core/work/finish-schema';
import { stepOfWork } from '@/core/prescribe/costs';
import { dayIn } from '@/lib/calendar/zone';
import { followUps } from '@/core/season/follow-ups';
import { settleAnew } from '@/commands/programmes/settle';
import { assignmentBehind } from '@/store/assignments';
import { getWorkPlan, settleWork } from '@/store/works';
import { v7 } from 'uuid';

/** A work carried out or dropped; its follow-ups are counted from the day on which it was. */
export const finishWork = command({
  name: 'finish-work',
  right: 'apply',
  schema: finishSchema,
  run: async ({ viewer, receivedAt, occurredAt, station }, p): Promise<Result> => {
    const plan = await getWorkPlan(viewer, p.id);
    const tree = plan && (await treeOf(viewer, plan.treeId, occurredAt));
    if (!plan || !tree) return refuse('', 'This work is not in this company.');
    // The day on which it was done, whenever it is heard of.
    const today = dayIn(occurredAt, tree.timeZone);
    const assignment = await assignmentBehind(viewer, { workPlanId: p.id });
    const { rules } = stepOfWork(plan.workId, plan.sheet.followUps, undefined, weighingOf(viewer, tree, occurredAt));
    const settled = await settleWork(
      viewer,
      p.done
        ? { id: p.id, state: 'done', doneOn: today, doneAt: occurredAt, minutes: p.minutes, note: p.note }
        : { id: p.id, state: 'dropped', doneOn: null, doneAt: null, minutes: null, note: p.note },
      v7,
      // Under a programme the next one is a visit of the programme.
      p.done ? followUps(rules, today).filter((f) => !assignment || f.kind !== 'treat-again') : [],
    );
    if (settled && assignment)
      await settleAnew({ viewer, receivedAt, station }, assignment.assignmentId, [assignment.treeId]);
    return settled ? done : refuse('', 'This work was carried out or dropped meanwhile.');
  },
});
