import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { takeBackItems } from '@/store/day';
import { z } from 'zod';

/** What was said to be left undone by a slip stands on its round again, where it stood. */
export const reopenNotDone = command({
  name: 'reopen-not-done',
  right: 'apply',
  schema: z.object({ id: uuid }),
  run: async ({ viewer }, { id }) =>
    (await takeBackItems(viewer, id)) ? done : refuse('', 'This was taken back already, or its day is closed.'),
});
