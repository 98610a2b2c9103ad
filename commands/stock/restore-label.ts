import { done } from '@/lib/result';
import { z } from 'zod';
import { command } from '@/commands/command';
import { putLabelBack as putBack } from '@/store/stock';

/** A label that was taken off stands on the shelf again, as it was. */
export const restoreLabel = command({
  name: 'restore-label',
  right: 'keep the shelf',
  schema: z.object({ labelKey: z.string().max(60) }),
  run: async ({ viewer: v }, p) => {
    await putBack(v, p.labelKey);
    return done;
  },
});
