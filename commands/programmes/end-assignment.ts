import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { dayIn } from '@/lib/calendar/zone';
import { dropCarried, endAssignmentRow as end, getAssignment, assignedVisits } from '@/store/assignments';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

/** A laid programme ends: what is still to come is dropped, what was done stays in the book. */
export const endAssignment = command({
  name: 'end-assignment',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    because: reasonSchema('Say why it ends.', 500),
  }),
  run: async ({ viewer, receivedAt }, { id, because }): Promise<Result> => {
    const assignment = await getAssignment(viewer, id);
    if (!assignment) return refuse('id', 'This programme is not in this company.');
    if (!(await end(viewer, id, dayIn(receivedAt, assignment.timeZone), because)))
      return refuse('id', 'It was ended before.');
    const open = (await assignedVisits(viewer, id, null)).filter((v) => v.state === 'planned');
    await dropCarried(
      viewer,
      open.map((v) => v.id),
    );
    return done;
  },
});
