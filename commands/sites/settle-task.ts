import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { settleTask as settle } from '@/store/tasks';
import { z } from 'zod';

/** A task is done, is left out, or is open again. */
export const settleTask = command({
  name: 'settle-task',
  right: 'settle a follow-up',
  schema: z.object({ id: uuid, to: z.enum(['open', 'done', 'dropped']) }),
  run: async ({ viewer }, { id, to }): Promise<Result> =>
    (await settle(viewer, id, to))
      ? done
      : refuse('', 'This was settled or opened again meanwhile, or it is not in this company.'),
});
