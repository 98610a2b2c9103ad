import { northernMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';

/** One rule of a plan: what comes next, how long after what was done, and why. */
export const followUpRule = z
  .strictObject({
    id: z
      .string()
      .regex(/^[a-z0-9-]+$/)
      .max(60),
    kind: z.enum(['check-effect', 'treat-again', 'pull-device', 'look', 'site-work']),
    what: z.string().trim().min(3).max(200),
    after: z.strictObject({
      count: z.number().int().min(0).max(120),
      unit: z.enum(['days', 'weeks', 'months', 'years']),
    }),
    /** Earliest and latest, in the same unit; without them only the date itself counts. */
    earliest: z.number().int().min(0).max(120).optional(),
    latest: z.number().int().min(0).max(120).optional(),
    /** Months in which the visit makes sense; a date outside moves to the first day of the next such month. */
    months: z.array(northernMonthSchema).max(12).optional(),
    /** Shown when the visit depends on what an earlier one finds. */
    onlyIf: z.string().max(160).optional(),
    why: z.string().trim().min(3).max(300),
  })
  .refine((r) => r.earliest === undefined || r.earliest <= r.after.count, {
    message: 'the earliest day must not be after the due day',
    path: ['earliest'],
  })
  .refine((r) => r.latest === undefined || r.latest >= r.after.count, {
    message: 'the latest day must not be before the due day',
    path: ['latest'],
  });

export type FollowUpRule = z.infer<typeof followUpRule>;
