import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { getAssignment, reasonFor } from '@/store/assignments';
import { settleAnew } from './settle';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

/** Holds of a laid programme are gone on in spite of, with one written reason for all its trees: what they kept back is planned. */
export const overrideHolds = command({
  name: 'override-holds',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    reason: reasonSchema('Say why it goes on all the same.', 600),
  }),
  run: async ({ viewer, receivedAt, station }, { id, reason }): Promise<Result> => {
    const assignment = await getAssignment(viewer, id);
    if (!assignment) return refuse('id', 'This programme is not in this company.');
    if (assignment.endedOn) return refuse('id', 'This programme was ended.');
    await reasonFor(viewer, id, reason);
    await settleAnew({ viewer, receivedAt, station }, id, null);
    return done;
  },
});
