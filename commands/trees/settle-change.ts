import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { updateChange } from '@/store/inspections';
import { z } from 'zod';

/** The client's word on what was found while digging. */
export const settleChange = command({
  name: 'settle-change',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    approved: z.boolean(),
    how: z.string().trim().min(3, 'Say who agreed, and how.').max(400, 'At most 400 characters.'),
  }),
  run: async ({ viewer: v }, c) => {
    const changed = await updateChange(v, c.id, c.approved ? 'approved' : 'declined', c.how);
    return changed.count ? done : refuse('', 'This was settled meanwhile, or it is not in this company.');
  },
});
