import { z } from 'zod';
import { uuid } from '@/lib/ids';

/** What is said of a work that was carried out, or is dropped. */
export const finishSchema = z.object({
  id: uuid,
  done: z.boolean(),
  note: z.string().trim().max(2000, 'At most 2000 characters.'),
  /** How long it took; null where nobody said, as on a phone of the release before. */
  minutes: z
    .number('Give the time in whole minutes.')
    .int('Give the time in whole minutes.')
    .min(1, 'A work takes a minute at least.')
    .max(1440, 'At most a day at once.')
    .nullable()
    .default(null),
});
