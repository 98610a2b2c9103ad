import { z } from 'zod';
import { STAGES } from './bbch';

/** Days after a stage or a sum of heat; before it where negative. */
const shift = z.number().int().min(-60).max(250).optional();

/** What opens and closes a time of the year more truly than months: stages of the host, or a sum of heat and days from it. */
export const timedSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('stage'),
    from: z.literal(STAGES),
    to: z.literal(STAGES),
    fromDays: shift,
    toDays: shift,
  }),
  z.strictObject({
    by: z.literal('heat'),
    model: z.string(),
    /** Days from the day of the sum to the last. */
    days: z.number().int().min(1).max(200),
    fromDays: shift,
  }),
]);
export type Timed = z.infer<typeof timedSchema>;
