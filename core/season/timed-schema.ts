import { z } from 'zod';
import { STAGES } from './bbch';

/** What opens and closes a time of the year more truly than months: stages of the host, or a sum of heat and days from it. */
export const timedSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('stage'), from: z.literal(STAGES), to: z.literal(STAGES) }),
  z.strictObject({ by: z.literal('heat'), model: z.string(), days: z.number().int().min(1).max(120) }),
]);
export type Timed = z.infer<typeof timedSchema>;
