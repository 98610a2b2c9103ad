import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { assignedVisits, leaveOut, visitsNamed } from '@/store/assignments';
import { settleAnew } from './settle';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

/** Visits of a programme that are not made this time, and why; the series goes on from their day. */
export const skipVisits = command({
  name: 'skip-visits',
  right: 'settle a follow-up',
  schema: z.object({
    visitIds: z.array(uuid).min(1, 'Choose one visit at least.').max(300, 'At most 300 visits at once.'),
    because: reasonSchema('Say why it is left out.', 500),
  }),
  run: async ({ viewer, receivedAt, station }, p): Promise<Result> => {
    const named = await visitsNamed(viewer, p.visitIds);
    const ids = new Set(p.visitIds);
    const [first] = named;
    if (!first || named.length < ids.size) return refuse('visitIds', 'A visit among them is not in this company.');
    if (named.some((v) => v.assignmentId !== first.assignmentId))
      return refuse('visitIds', 'Leave out the visits of one programme at a time.');
    const treeIds = [...new Set(named.map((v) => v.treeId))];
    const stands = (await assignedVisits(viewer, first.assignmentId, treeIds)).filter((v) => ids.has(v.id));
    if (stands.some((v) => v.state !== 'planned'))
      return refuse('visitIds', 'Only what is planned is left out; what is done stays in the book.');
    await leaveOut(viewer, p.visitIds, p.because);
    await settleAnew({ viewer, receivedAt, station }, first.assignmentId, treeIds);
    return done;
  },
});
