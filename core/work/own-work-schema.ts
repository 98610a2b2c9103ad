import { northernMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';
import { entryId, OPTION_METHODS } from '../diagnose/knowledge';

const text = z.string().trim().min(2, 'Say it in two characters at least.').max(300, 'At most 300 characters.');
/** How many of a thing, as it is said: “1”, “2 m”. */
const amount = z.string().trim().min(1, 'Say how many.').max(40, 'At most 40 characters.');

/**
 * A work of a company's own, without a label: what is counted, what a crew does, what must be so before it, and when somebody
 * looks again. What is put on a tree is a product and needs a label; this is for hands and tools.
 */
export const customWorkSchema = z.strictObject({
  id: entryId.refine((x) => x.startsWith('own-'), 'the id of an own work begins with "own-"'),
  name: text,
  method: z.enum(OPTION_METHODS),
  /** Conditions that it is for; empty for all to which its method is offered. */
  conditions: z.array(entryId).max(40).default([]),
  /** What is counted on a tree, in one word, and how many there usually are. */
  counted: z.strictObject({ what: text, usual: z.number().int().min(1).max(500) }),
  steps: z.array(text).min(1, 'Say what is done.').max(12),
  take: z
    .array(z.strictObject({ what: text, amount }))
    .max(12)
    .default([]),
  /** What must be so before anything is done: each is asked, and holds the work until somebody says so. */
  before: z.array(text).max(6).default([]),
  /** Months of the northern year in which it is done; outside of them it is held. */
  months: z.tuple([northernMonthSchema, northernMonthSchema]).default([1, 12]),
  /** It cuts living wood: the closed seasons of the region hold for it. */
  cuts: z.boolean().default(false),
  minutes: z.strictObject({ once: z.number().min(0).max(480), each: z.number().min(0).max(240) }),
  again: z
    .strictObject({ what: text, days: z.number().int().min(1).max(1500) })
    .nullable()
    .default(null),
  basis: text,
});
export type CustomWork = z.infer<typeof customWorkSchema>;
