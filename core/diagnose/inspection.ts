import type { Issue } from '../../lib/result';
import { z } from 'zod';
import { TARGETS } from './targets';
import { numberAt } from '../../lib/units/typed';
import { findingSchema, testResultSchema } from './knowledge';
import { VIGOURS } from './words';

/** Bearings in degrees clockwise from north. */
const bearing = z.number().int().min(0, 'A bearing runs from 0 to 359.').max(360, 'A bearing runs from 0 to 360.');

export const detailSchema = z.strictObject({
  soilMoisture: z.enum(['dry', 'moist', 'wet']).nullable().default(null),
  /** Arcs without living bark, or under a girdling root; degrees clockwise from north. */
  barkLoss: z
    .array(z.strictObject({ from: bearing, to: bearing, kind: z.enum(['bare', 'girdled']).default('bare') }))
    .max(12)
    .default([]),
  /** Main roots one by one, by sounding and probe. */
  anchors: z
    .array(
      z.strictObject({
        bearing,
        state: z.enum(['sound', 'doubtful', 'decayed']),
        /** How far a thin probe sank in, cm. */
        probeCm: z.number().min(0, 'From 0 cm.').max(100, 'At most 100 cm.').nullable().optional(),
      }),
    )
    .max(24)
    .default([]),
  peopleBelow: z.boolean().nullable().default(null),
  /** House, drive, play within reach of it, and where the storm usually comes from. */
  targets: z
    .array(
      z.strictObject({
        kind: z.enum(TARGETS),
        metres: z.number().min(0, 'From 0 m.').max(200, 'At most 200 m.'),
        bearing: bearing.nullable().default(null),
      }),
    )
    .max(8)
    .default([]),
  windFromDeg: bearing.nullable().default(null),
  /** This look checks an earlier treatment. */
  check: z
    .strictObject({
      recordId: z.uuid(),
      effect: z.enum(['none', 'some', 'good']),
      /** Answers to the questions about the application; null is not answered. */
      answers: z.record(z.string().max(20), z.boolean().nullable()).default({}),
    })
    .nullable()
    .default(null),
});
export type InspectionDetail = z.infer<typeof detailSchema>;

/** What the examining bench sends for one tree. */
export const inspectionSchema = z.object({
  id: z.uuid(),
  treeId: z.uuid(),
  hostKey: z.array(z.boolean().nullable()).max(4),
  crownLoss: z.string('This must be text.').max(40, 'That is too long for a number.'),
  vigour: z.enum(VIGOURS).nullable(),
  findings: z.array(findingSchema).max(300),
  tests: z.array(testResultSchema).max(60).default([]),
  detail: detailSchema.prefault({}),
  note: z.string().max(4000, 'At most 4000 characters.'),
  /** What the client must agree to, when digging found something. */
  change: z.string().max(1000, 'At most 1000 characters.').default(''),
  changePrice: z.string().max(40, 'That is too long for a number.').default(''),
  /** Trees of the same row that look alike, each with what differs. */
  alike: z
    .array(z.object({ id: z.uuid(), treeId: z.uuid(), except: z.array(findingSchema).max(40).default([]) }))
    .max(60, 'At most 60 trees at once.')
    .default([]),
});

/** The share of the crown that is gone, %, as it was typed; null where nobody said. */
export const readCrownLoss = (issues: Issue[], text: string): number | null =>
  numberAt(issues, 'crownLoss', text, { name: 'Crown loss', min: 0, max: 100, unit: '%', whole: true }, true);

/** The price of a change found after digging, in the company's money, as it was typed; null where nobody said. */
export const readChangePrice = (issues: Issue[], text: string): number | null =>
  numberAt(issues, 'changePrice', text, { name: 'The price', min: 0, max: 1_000_000 }, true);
