import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { decides } from '@/core/programmes/schema';
import { getAssignment, visitsNamed } from '@/store/assignments';
import { getVisit, settle } from '@/store/follow-ups';
import { z } from 'zod';

export const settleFollowUp = command({
  name: 'settle-follow-up',
  right: 'settle a follow-up',
  schema: z.object({ id: uuid, done: z.boolean() }),
  run: async ({ viewer: v }, { id, done: to }): Promise<Result> => {
    // A treatment closes by its record: “done” without one would leave a spray that nobody wrote down.
    const visit = to ? await getVisit(v, id) : null;
    if (visit?.kind === 'treat-again')
      return refuse('', 'A treatment is done by its record. If it is left out this time, say why.');
    if (visit?.ruleId === 'programme') {
      const [look] = await visitsNamed(v, [visit.rootId]);
      const assignment = look && (await getAssignment(v, look.assignmentId));
      if (assignment && decides(assignment.programme, look.step))
        return refuse('', 'What this look found decides what comes next: answer it on the page of its programme.');
    }
    const changed = await settle(v, id, to ? 'open' : 'done', to ? 'done' : 'open');
    return changed.count ? done : refuse('', 'This visit was settled meanwhile, or it is not in this company.');
  },
});
