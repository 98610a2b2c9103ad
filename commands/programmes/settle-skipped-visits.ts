import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { settleSkipped as settle } from '@/store/assignments';
import { z } from 'zod';

/** What a programme left out has been dealt with: it stands in the list no longer, or again. */
export const settleSkippedVisits = command({
  name: 'settle-skipped-visits',
  right: 'prescribe',
  schema: z.object({
    visitIds: z.array(uuid).min(1, 'Choose one at least.').max(3000, 'At most 3,000 at once.'),
    settled: z.boolean(),
  }),
  run: async ({ viewer }, p): Promise<Result> => {
    const { count } = await settle(viewer, p.visitIds, p.settled);
    return count ? done : refuse('visitIds', 'None of these is left out any more.');
  },
});
