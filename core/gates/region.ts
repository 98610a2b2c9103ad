import { z } from 'zod';
import { METHODS } from '../label/methods';

/**
 * What a region adds to the label; never loosens it. A company copies a profile and keeps it; each change is a version with
 * who and when. Elmhorn never states that a use is legal: it says which of the rules entered here were met.
 */
const host = z.string().trim().min(1).max(60);
const sentence = z.string().trim().min(3, 'say it in a few words').max(400);
/** A day of the year; 29 February stands for the end of February. */
const monthDay = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'write month and day, like 04-01')
  .refine((d) => z.iso.date().safeParse(`2024-${d}`).success, 'there is no such day in the year');

/** Said of a closed season in which even diseased wood stays on. */
export const DISEASED_TOO = 'diseased wood too';

export const regionSchema = z.strictObject({
  name: z.string().trim().min(2).max(80),
  soilSystemicForbiddenOn: z.array(host).max(60).default([]),
  minWaterDistanceM: z.number().min(0).max(500),
  minBoundaryDistanceM: z.number().min(0).max(100).default(0),
  licenceNeeded: z.boolean(),
  licenceClasses: z.array(z.string().trim().min(2).max(60)).max(20).default([]),
  /** Actives that may not be used here at all. */
  banned: z
    .array(z.strictObject({ active: z.string().trim().min(2).max(80), why: sentence }))
    .max(60)
    .default([]),
  /** Actives kept for licences of one class. */
  reserved: z
    .array(
      z.strictObject({
        active: z.string().trim().min(2).max(80),
        category: z.string().trim().min(2).max(60),
        why: sentence,
      }),
    )
    .max(60)
    .default([]),
  /** Methods banned on some hosts. */
  bannedUses: z
    .array(z.strictObject({ method: z.enum(METHODS), hosts: z.array(host).max(40), why: sentence }))
    .max(40)
    .default([]),
  closedSeasons: z
    .array(
      z.strictObject({
        hosts: z.array(host).min(1).max(40),
        from: monthDay,
        to: monthDay,
        why: sentence,
        /** Cuts that take a disease out pass, with clean tools and their reason. */
        diseaseCuts: z.boolean().default(true),
      }),
    )
    .max(20)
    .default([]),
  /** Methods that must be announced to neighbours, and how long before. */
  notify: z
    .strictObject({ methods: z.array(z.enum(METHODS)).max(20), hours: z.number().min(0).max(720) })
    .nullable()
    .default(null),
  reportable: z.array(z.string().max(60)).max(60).default([]),
  recordYears: z.number().int().min(1).max(50).default(3),
  recordFields: z.array(z.string().trim().min(2).max(80)).max(40).default([]),
  /** How long a check against the label in hand holds. */
  labelCheckMonths: z.number().int().min(1).max(120).default(24),
  checked: z
    .strictObject({
      by: z.string().trim().min(2).max(120),
      on: z.iso.date(),
      /** What it was compared with: the law or code, and its date. */
      against: z.string().trim().max(300).optional(),
    })
    .nullable()
    .default(null),
  /** How present a condition is here: 0.03 absent, 0.3 rare, 2 spreading; 1 where nothing is said. */
  presence: z.record(z.string().max(60), z.number().min(0.001).max(10)).default({}),
});
/** Words for how present a condition is in a region. */
export const PRESENCE = { absent: 0.03, rare: 0.3, usual: 1, spreading: 2 } as const;
export type Region = z.infer<typeof regionSchema>;
