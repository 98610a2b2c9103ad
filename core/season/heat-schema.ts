import { z } from 'zod';

/** What heat brings about, with the sum it takes in degree-days °C, from when, and how sure: shown with its basis, editable. */
export const heatModelSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  what: z.string().min(3).max(120),
  /** The condition that it is about, where the guide has it. */
  condition: z.string().nullable(),
  /** Groups of hosts on which it lives, where they are fewer than those of the condition. */
  hosts: z.array(z.string()).default([]),
  baseC: z.number().min(0).max(20),
  ceilingC: z.number().min(15).max(45).optional(),
  method: z.enum(['single-sine', 'average']),
  /** Counted from the first of January (July in the south), or from what somebody saw. */
  from: z.union([z.literal('new year'), z.string().min(5).max(80)]),
  sum: z.number().positive().max(3000),
  basis: z.string().min(10).max(200),
});
export type HeatModel = z.infer<typeof heatModelSchema>;
