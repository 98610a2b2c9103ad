import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { findTest } from '@/knowledge';
import { insertSample } from '@/store/inspections';
import { z } from 'zod';

/** A sample or a photograph was sent: to whom, and for which test. No picture is read by machine. */
export const sendSample = command({
  name: 'send-sample',
  right: 'examine',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    what: z.string().trim().min(3, 'Say what was sent.').max(400, 'At most 400 characters.'),
    sentTo: z.string().trim().min(2, 'Say to whom.').max(200, 'At most 200 characters.'),
    testId: z.string().max(60).nullable(),
    sentOn: z.iso.date('Give the day it was sent.'),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, s): Promise<Result> => {
    if (!(await treeOf(viewer, s.treeId, receivedAt))) return noTree;
    if (s.testId !== null && findTest(s.testId)?.cost !== 'laboratory')
      return refuse('testId', 'This is not a laboratory test.');
    if (s.sentOn > todayOf(viewer, receivedAt)) return refuse('sentOn', 'That day has not come yet.');
    await insertSample(viewer, s);
    return done;
  },
});
