import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { answerInspections, visitsNamed } from '@/store/assignments';
import { settleAnew } from './settle';
import { z } from 'zod';

/** What looks of a programme found: the steps that waited for them are planned now, or they are off. */
export const answerInspection = command({
  name: 'answer-inspection',
  right: 'examine',
  schema: z.object({
    visitIds: z.array(uuid).min(1, 'Choose one look at least.').max(300, 'At most 300 looks at once.'),
    /** Null takes the answer back. */
    found: z.boolean().nullable(),
  }),
  run: async ({ viewer, receivedAt, station }, p): Promise<Result> => {
    const visits = await visitsNamed(viewer, p.visitIds);
    if (visits.length < new Set(p.visitIds).size)
      return refuse('visitIds', 'A look among them is not in this company.');
    if (visits.some((v) => v.kind !== 'look'))
      return refuse('visitIds', 'Only a look is answered; work has its record.');
    await answerInspections(viewer, p.visitIds, p.found);
    for (const assignmentId of new Set(visits.map((v) => v.assignmentId)))
      await settleAnew({ viewer, receivedAt, station }, assignmentId, [
        ...new Set(visits.filter((v) => v.assignmentId === assignmentId).map((v) => v.treeId)),
      ]);
    return done;
  },
});
