import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { getAssignment, visitsNamed } from '@/store/assignments';
import { moveTo } from './move-to';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

/** Visits of a programme are moved to a day by hand, with why; what comes after them follows, and what it breaks is told. */
export const moveVisits = command({
  name: 'move-visits',
  right: 'prescribe',
  schema: z.object({
    visitIds: z.array(uuid).min(1, 'Choose one visit at least.').max(300, 'At most 300 visits at once.'),
    day: z.iso.date('Give the day like 2027-05-14.'),
    because: reasonSchema('Say why it is moved.', 500),
  }),
  run: async (context, p): Promise<Result<{ followed: number }>> => {
    const { viewer } = context;
    const named = await visitsNamed(viewer, p.visitIds);
    const [first] = named;
    if (!first || named.length < new Set(p.visitIds).size)
      return refuse('visitIds', 'A visit among them is not in this company.');
    const assignment = await getAssignment(viewer, first.assignmentId);
    if (!assignment || named.some((v) => v.assignmentId !== assignment.id))
      return refuse('visitIds', 'Move the visits of one programme at a time.');
    if (assignment.endedOn) return refuse('visitIds', 'This programme was ended.');
    const treeIds = [...new Set(named.map((v) => v.treeId))];
    const byHand = new Map(p.visitIds.map((id) => [id, { day: p.day, because: p.because }]));
    const moved = await moveTo(context, assignment, treeIds, byHand);
    return moved.ok ? { ok: true, value: { followed: moved.followed } } : moved;
  },
});
