import { refuse, type Result } from '@/lib/result';
import { sentBefore } from '@/facts/context';
import { command } from '@/commands/command';
import { correct } from '@/core/records/correct';
import { correctionSchema } from '@/core/records/record';
import { stepOfUse } from '@/core/prescribe/costs';
import { southOf } from '@/lib/calendar/hemisphere';
import { recordsOfPlans, recordVersions, writeRecord } from '@/store/records';
import { insertReminder } from '@/store/follow-ups';
import { dropRestOf } from '@/store/plans';
import { dayIn } from '@/lib/calendar/zone';
import { getSite } from '@/store/sites';
import { programmeOf } from '@/store/programme';
import { getLabel, lotById } from '@/store/stock';
import { settleAnew } from '@/commands/programmes/settle';
import { findHost } from '@/knowledge';
import { assignmentBehind } from '@/store/assignments';
import { v7 } from 'uuid';

/** The next version of a record: stock and follow-ups follow it, in one transaction. */
export const amendRecord = command({
  name: 'amend-record',
  right: 'correct',
  schema: correctionSchema,
  once: (x) => x.id,
  run: async ({ viewer, receivedAt, station }, k): Promise<Result<{ id: string }>> => {
    const versions = await recordVersions(viewer, k.rootId);
    const newest = versions[0];
    if (!newest) return refuse('', 'There is no such record in this company.');
    const [held, place, lot, programme] = await Promise.all([
      getLabel(viewer, newest.data.product.labelId),
      getSite(viewer, newest.data.place.id),
      lotById(viewer, k.lotId),
      programmeOf(viewer, newest.treeId),
    ]);
    const use = held?.label.uses.find((u) => u.key === newest.data.use.key);
    if (!use) return refuse('', 'The label version of this record is gone.');
    const made = correct(
      {
        now: receivedAt,
        timeZone: place?.timeZone ?? viewer.timeZone,
        use,
        step: stepOfUse(use, {
          programme,
          school: viewer.schools.programme,
          south: southOf({ lat: newest.data.tree.lat, timeZone: place?.timeZone ?? viewer.timeZone }),
        }),
        was: newest.data,
        wasWithdrawn: newest.withdrawn,
        lot,
        host: findHost(newest.data.host.id),
      },
      k,
    );
    if (!made.ok) return made;
    const { planId } = newest;
    // Withdrawn, its plan waited again, and somebody has carried it out since.
    const again = newest.withdrawn && !k.withdrawn && planId ? await recordsOfPlans(viewer, [planId]) : [];
    if (again.length)
      return refuse('withdrawn', 'Its plan was carried out and recorded again since: this one stays withdrawn.');
    const assignment = planId && (await assignmentBehind(viewer, { planId }));
    // What waits as its rest was worked out from the amount that is corrected here: it would come to more or less than the dose.
    const rest = (k.withdrawn || k.amount !== newest.data.amount) && (await dropRestOf(viewer, newest));
    if (rest && !k.withdrawn)
      await insertReminder(viewer, {
        id: v7(),
        treeId: newest.treeId,
        on: dayIn(receivedAt, place?.timeZone ?? viewer.timeZone),
        what: 'Plan what is still out of the dose',
        reason: `The record of ${newest.doneOn} was corrected; the visit for its rest was dropped.`,
      });
    try {
      const written = await writeRecord(viewer, v7, {
        id: k.id,
        rootId: newest.rootId,
        version: newest.version + 1,
        planId: newest.planId,
        startedAt: k.startedAt,
        endedAt: k.endedAt,
        doneOn: made.doneOn,
        byPerson: newest.byPerson,
        withdrawn: k.withdrawn,
        correction: k.reason,
        words: made.words,
        data: made.data,
        followUps: made.followUps,
        moves: made.stock.map((m) => ({
          ...m,
          id: v7(),
          reason: `correction of ${newest.data.tree.tag}, ${newest.doneOn}`,
        })),
        draws: made.draws.map((d) => ({ ...d, id: v7() })),
      });
      if (!written) return sentBefore;
    } catch (error) {
      const code = (error as { code?: string }).code;
      if (code === '23505') return refuse('', 'Somebody else corrected this record meanwhile. Load it again.');
      if (code === '23514')
        return refuse(
          'lotId',
          newest.data.batches ? 'There is not enough left in its mix.' : 'There is not enough left in this lot.',
        );
      throw error;
    }
    if (assignment) await settleAnew({ viewer, receivedAt, station }, assignment.assignmentId, [assignment.treeId]);
    return { ok: true, value: { id: k.id } };
  },
});
