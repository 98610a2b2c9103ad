import { z } from 'zod';
import { METHODS } from '../label/methods';
import { LEAF_STATES } from '../season/leaf-state';
import { DOSE_BASES } from '../dose/dose-change';
import { SOIL_WORDS } from '../weather/air';
import { uuid } from '../../lib/ids';
import { reasonSchema } from '../../lib/reason-schema';

const text = (max: number) => z.string().trim().max(max);
const day = z.iso.date('write the day as year-month-day, like 2026-05-14');
export const instant = z.iso.datetime({ offset: true, error: 'give day and time' });
/** What was measured at the time of the work; null is what nobody measured. */
export const weatherSchema = z.strictObject({
  at: instant,
  temperatureC: z
    .number('The temperature must be a number.')
    .min(-40, 'Below −40 °C nobody treats trees.')
    .max(55, 'Above 55 °C nobody treats trees.')
    .nullable(),
  humidity: z
    .number('The humidity must be a number.')
    .min(0, 'Humidity runs from 0 to 100 %.')
    .max(100, 'Humidity runs from 0 to 100 %.')
    .nullable(),
  windMs: z
    .number('The wind must be a number.')
    .min(0, 'Wind cannot be below zero.')
    .max(60, 'Wind above 60 m/s is a hurricane.')
    .nullable(),
  windFromDeg: z.number().min(0).max(360).nullable(),
  rainMm: z.number().min(0).max(500).nullable(),
  rainNext24Mm: z.number().min(0).max(500).nullable(),
  /** Forecast by the hour, for the gates; a record keeps what was, not what was forecast. */
  rainByHour: z.array(z.number().min(0).max(300)).max(240).optional(),
  soilTemperatureC: z.number().min(-30).max(60).nullable(),
  soilMoisture: z.number().min(0).max(1).nullable(),
  sky: z.enum(['clear', 'broken', 'overcast']).nullable(),
});

/** What a crew sends when the work is done; everything else is worked out again on the server. */
export const treatmentInputSchema = z
  .strictObject({
    id: uuid,
    planId: uuid,
    startedAt: instant,
    endedAt: instant,
    /** Product used, mL or g. */
    amount: z
      .number('Enter the amount used as a number.')
      .positive('The amount used must be more than zero.')
      .max(1e6, 'That amount cannot be right.'),
    /** Which dose was followed, asked where the newest facts give another than the plan. */
    basis: z.enum(DOSE_BASES).optional(),
    lotId: uuid,
    /** The mixes it came from, in the order in which they were opened; left out, it came from the lot itself. */
    batchIds: z.array(uuid).min(1).max(20).optional(),
    weather: weatherSchema,
    soil: z.enum(SOIL_WORDS).nullable(),
    /** What the leaves do, as seen at the tree; left out, what was said on the day it was planned for. */
    leaf: z.enum(LEAF_STATES).nullish(),
    /** What the soil took in a timed test pour, mm/h. */
    intakeMmH: z.number().min(0.1).max(1000).nullish(),
    /** What was said at the tree, beside what the plan had. */
    said: z.record(text(40), text(60)).default({}),
    /** Why the crew went on in spite of a hold, by gate. */
    released: z.record(text(60), text(600)).default({}),
    protection: z.array(text(600)).max(20),
    /** Who did it together with whoever writes it. */
    withIds: z.array(uuid).max(8, 'At most eight people at one tree.').default([]),
    /** What was typed, where the person works in another unit. */
    typed: text(40).optional(),
    deviation: text(1000),
    mark: text(200),
    note: text(2000).default(''),
    photoIds: z.array(uuid).max(20),
  })
  .refine((b) => Date.parse(b.endedAt) >= Date.parse(b.startedAt), {
    path: ['endedAt'],
    message: 'The end lies before the start.',
  });
export type TreatmentInput = z.infer<typeof treatmentInputSchema>;

/** Who did it, with the licence of that day. */
const applicatorSchema = z.strictObject({
  id: uuid,
  name: text(120),
  licence: text(80),
  categories: z.array(text(60)),
  licenceExpires: day.nullable(),
});

/** One application as a regulator wants to read it. Written once; a correction is a new version. */
export const recordSchema = z.strictObject({
  format: z.literal('elmhorn-record'),
  formatVersion: z.literal(1),
  applicator: applicatorSchema,
  /** Who had a hand in it beside the applicator. */
  beside: z.array(applicatorSchema).optional(),
  product: z.strictObject({
    labelId: uuid,
    key: text(60),
    version: z.number(),
    name: text(600),
    registration: text(60),
    formulation: text(60),
    signalWord: text(20),
    restricted: z.boolean(),
    actives: z.array(z.strictObject({ name: text(80), concentration: text(60), group: text(40) })),
  }),
  use: z.strictObject({ key: text(60), title: text(600) }),
  method: z.enum(METHODS),
  target: z.strictObject({ id: text(60), name: text(500) }),
  host: z.strictObject({ id: text(60), name: text(500), latin: text(500) }),
  tree: z.strictObject({
    id: uuid,
    tag: text(24),
    diameterCm: z.number(),
    girthCm: z.number(),
    lat: z.number().nullable(),
    lon: z.number().nullable(),
  }),
  place: z.strictObject({ id: uuid, name: text(120), address: text(300), client: text(120) }),
  unit: z.enum(['mL', 'g']),
  planned: z.number(),
  /** Where the newest facts gave another dose than the plan: what was read, what each gives, and which was followed. */
  doseChange: z
    .strictObject({
      newest: z.number().nullable(),
      plannedGirthCm: z.number(),
      newestGirthCm: z.number().nullable(),
      followed: z.enum(DOSE_BASES),
    })
    .optional(),
  amount: z.number().positive(),
  typed: text(40).optional(),
  lot: z.strictObject({ id: uuid, number: text(60), expires: day }),
  /** The mixes that it came from: how much of each, and the lots in it by their part. */
  batches: z
    .array(
      z.strictObject({
        id: uuid,
        code: text(20),
        mixMl: z.number(),
        lots: z.array(z.strictObject({ number: text(60), part: z.number() })),
      }),
    )
    .optional(),
  mixMl: z.number().nullable(),
  waterMl: z.number().nullable(),
  concentration: text(200),
  /** The rate of the label that was followed, in its own words; records of before have none. */
  rate: text(600).optional(),
  actives: z.array(z.strictObject({ name: text(80), grams: z.number() })),
  sites: z.array(z.strictObject({ number: z.number(), bearing: z.number(), heightCm: z.number() })),
  drill: text(120),
  areaM2: z.number().nullable(),
  areaWords: text(200),
  weather: weatherSchema,
  soil: z.enum(SOIL_WORDS).nullable(),
  protection: z.array(text(600)),
  reEntryHours: z.number(),
  reEntryUntil: instant,
  /** First day on which the fruit may be picked and eaten; missing where it bears none. */
  eatFrom: z.iso.date().optional(),
  deviation: text(1000),
  mark: text(200),
  note: text(2000),
  photoIds: z.array(uuid),
  gates: z.array(
    z.strictObject({
      id: text(60),
      strength: z.enum(['stop', 'hold', 'note']),
      sentence: text(1000),
      released: text(1000).optional(),
    }),
  ),
});
export type ApplicationRecord = z.infer<typeof recordSchema>;

/** What a correction may change, and why. */
export const correctionSchema = z.strictObject({
  id: uuid,
  rootId: uuid,
  amount: treatmentInputSchema.shape.amount,
  lotId: uuid,
  startedAt: instant,
  endedAt: instant,
  note: text(2000),
  mark: text(200),
  deviation: text(1000),
  withdrawn: z.boolean(),
  reason: reasonSchema('Say in a few words why this is corrected.', 600),
});
export type Correction = z.infer<typeof correctionSchema>;
