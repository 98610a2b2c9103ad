import { z } from 'zod';
import { lifeSchema } from '../season/life-schema';

const text = z.string().trim().min(2).max(500);

/**
 * What stands beside a condition in the guide and weighs nothing in a diagnosis: its year, what eats it, what is planted after
 * it, what a winter does to it, what may still be eaten, and what each wrong treatment would do. All of it may be missing.
 */
export const besideSchema = z.strictObject({
  life: lifeSchema.default([]),
  /** What eats it, and what spares those that do; null where nobody can count on them. */
  enemies: z.strictObject({ who: text, spare: text.nullable() }).nullable().default(null),
  replanting: text.nullable().default(null),
  /** What a hard or a mild winter does to it in the year after. */
  winters: z.strictObject({ hard: text.nullable(), mild: text.nullable() }).nullable().default(null),
  /** What of the fruit or nut may still be eaten, and what may not. */
  eaten: text.nullable().default(null),
  wrong: z
    .array(z.strictObject({ what: text, does: text }))
    .max(12)
    .default([]),
});
export type Beside = z.infer<typeof besideSchema>;
