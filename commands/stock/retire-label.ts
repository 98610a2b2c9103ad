import { done, refuse } from '@/lib/result';
import { z } from 'zod';
import { command } from '@/commands/command';
import { labelStill, takeLabelOff as takeOff } from '@/store/stock';

/** A label goes off the shelf: nothing is prescribed by it any more. What waits by it, or is in stock, is settled first. */
export const retireLabel = command({
  name: 'retire-label',
  right: 'keep the shelf',
  schema: z.object({ labelKey: z.string().max(60) }),
  run: async ({ viewer: v }, p) => {
    const { plans, lots } = await labelStill(v, p.labelKey);
    if (plans)
      return refuse(
        'labelKey',
        `${plans === 1 ? 'One plan waits' : `${plans} plans wait`} by this label. Carry out or drop ${plans === 1 ? 'it' : 'them'} first.`,
      );
    if (lots.length) return refuse('labelKey', `Lot ${lots.join(', ')} is still in stock. Count it to nothing first.`);
    await takeOff(v, p.labelKey);
    return done;
  },
});
