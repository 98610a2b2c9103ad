import { z } from 'zod';
import { uuid } from '@/lib/ids';
import { BATCH_ENDS } from './batch';
import { givesReason } from '@/lib/reason';

/** What becomes of the rest of a mix; what is handed in or spilled is told with where it went. */
export const endSchema = z
  .object({
    id: uuid,
    batchId: uuid,
    how: z.enum(BATCH_ENDS, 'Say what became of it.'),
    /** mL of the mix; null for all that is left. What is kept stays in it. */
    mixMl: z.number('Say how much.').positive('Say how much.').nullable(),
    words: z.string().trim().max(600, 'At most 600 characters.').default(''),
  })
  .refine((x) => x.how === 'kept' || givesReason(x.words), {
    path: ['words'],
    message: 'Say where it went: to whom it was handed in, or where it was spilled and what was done.',
  });
