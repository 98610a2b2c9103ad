import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { settleLeftOut as settle } from '@/store/skipped-trees';
import { z } from 'zod';

/** Trees that a row was planned without have been dealt with: they stand in the list no longer, or again. */
export const settleSkippedTrees = command({
  name: 'settle-skipped-trees',
  right: 'prescribe',
  schema: z.object({
    ids: z.array(uuid).min(1, 'Choose one at least.').max(500, 'At most 500 at once.'),
    settled: z.boolean(),
  }),
  run: async ({ viewer }, p): Promise<Result> => {
    const { count } = await settle(viewer, p.ids, p.settled);
    return count ? done : refuse('ids', 'None of these is left out any more.');
  },
});
