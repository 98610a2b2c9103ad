import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { assignOver, markOf } from '@/facts/assigning';
import { uuid } from '@/lib/ids';
import { getAssignment } from '@/store/assignments';
import { writeChanges } from './settle';
import { z } from 'zod';

/** The visits of a laid programme move to where weather, stages and the book now have them; each keeps why. */
export const followSeason = command({
  name: 'follow-season',
  right: 'prescribe',
  schema: z.object({
    assignmentId: uuid,
    /** The mark of the changes as somebody saw them: others are shown before they are made. */
    seen: z.string().length(64),
  }),
  run: async ({ viewer, receivedAt, station }, p): Promise<Result<{ changed: number }>> => {
    const assignment = await getAssignment(viewer, p.assignmentId);
    if (!assignment) return refuse('assignmentId', 'This programme is not in this company.');
    if (assignment.endedOn) return refuse('assignmentId', 'This programme was ended.');
    const { held, trees } = await assignOver({
      viewer,
      stationFor: station,
      now: receivedAt,
      assigning: assignment,
      assignmentId: assignment.id,
      treeIds: null,
    });
    if (markOf(trees) !== p.seen)
      return refuse('seen', 'The season has moved on since this was shown. Look at it again, then move the visits.');
    const changed = trees.reduce((sum, t) => sum + t.changes.length, 0);
    if (changed) await writeChanges({ viewer, receivedAt, station }, assignment, held, trees);
    return { ok: true, value: { changed } };
  },
});
