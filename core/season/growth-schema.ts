import { z } from 'zod';
import { STAGES } from './bbch';

const code = z.literal(STAGES);
const reached = z.strictObject({ code, sum: z.number().min(0).max(4000) });

/** How a host's stages follow from the weather: heat in spring after enough chill, short days and cold in autumn. */
export const growthSchema = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  /** Hosts or groups of hosts that it is for. */
  hosts: z.array(z.string()).min(1),
  /** Heat counts above it, °C, from 1 January (1 July in the south), by single sine. */
  baseC: z.number().min(0).max(15),
  /**
   * A winter without chill asks for more heat: each sum is multiplied by 1 + extra · e^(−days / scale), where days are those
   * of a mean up to `belowC` since two months before the count begins (the form of Cannell and Smith, 1983).
   */
  chill: z
    .strictObject({
      belowC: z.number().min(0).max(12),
      scale: z.number().min(5).max(200),
      extra: z.number().min(0).max(3),
    })
    .nullable(),
  /** Sums of heat, degree-days, in the order in which they come. */
  spring: z.array(reached).min(1),
  /** From the day that is shorter than so many hours on, cold counts below a mean, degree-days (the form of Delpierre and others, 2009). */
  autumn: z
    .strictObject({
      dayLengthH: z.number().min(8).max(18),
      belowC: z.number().min(5).max(30),
      stages: z.array(reached).min(1),
    })
    .nullable(),
  /**
   * Shoots grow in flushes (citrus), at least so many days apart: growing shoots seen later than that are another flush, which
   * water brings and no sum of heat tells. Null where they grow but once.
   */
  flushesApart: z.number().int().min(20).max(120).nullable(),
  /** Nine in ten trees that nobody has watched yet lie within so many days. */
  sureDays: z.number().min(1).max(30),
  basis: z.string().min(10).max(240),
});
export type Growth = z.infer<typeof growthSchema>;
