import { z } from 'zod';
import { uuid } from '@/lib/ids';
import { WANTS_WORDS, WHY_LEFT } from './day';
import { givesReason } from '@/lib/reason';

/** What a crew came to and did not do, with why; a reason that says nothing by itself wants a few words. */
export const leaveSchema = z
  .object({
    id: uuid,
    itemIds: z.array(uuid).min(1, 'Choose one at least.').max(200, 'At most 200 at once.'),
    why: z.enum(WHY_LEFT, 'Say why it was left.'),
    words: z.string().trim().max(600, 'At most 600 characters.').default(''),
  })
  .refine((x) => !WANTS_WORDS.includes(x.why) || givesReason(x.words), {
    path: ['words'],
    message: 'Say in a few words what it was.',
  });
