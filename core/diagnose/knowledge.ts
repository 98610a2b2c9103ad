import { z } from 'zod';
import { CERTAINTIES, FINDING_STATES, PLACES_ON_TREE } from './words';

/** The shape of what Elmhorn knows. The data itself lives in knowledge/ and is passed in. */
const id = z.string().regex(/^[a-z0-9-]+$/);
const text = z.string().trim().min(2).max(500);

export const hostSchema = z.strictObject({
  id,
  name: text,
  latin: text,
  /** Groups a label may name instead of the host itself. */
  groups: z.array(id),
  /** Questions that confirm the host in the field; a "no" points to look-alikes. */
  key: z
    .array(z.strictObject({ ask: text, ifNot: z.array(id) }))
    .min(2)
    .max(4),
  growthCmPerYear: z.number().positive().max(5),
  largestCm: z.number().positive().max(600),
  /** Bees work this tree: soil systemics are held or forbidden. */
  beePlant: z.enum(['no', 'yes', 'strongly']),
  edible: z.boolean(),
  evergreen: z.boolean(),
});
export type Host = z.infer<typeof hostSchema>;

export const signSchema = z.strictObject({
  id,
  place: z.enum(PLACES_ON_TREE),
  words: text,
  /** What a grade of 4 looks like. */
  worst: text,
  /** Host groups on which it is looked for; empty for every tree. */
  groups: z.array(id),
});
export type Sign = z.infer<typeof signSchema>;

export const conditionSchema = z.strictObject({
  id,
  name: text,
  kind: z.enum([
    'insect',
    'mite',
    'fungus',
    'water mould',
    'bacterium',
    'vertebrate',
    'abiotic',
    'cultural',
    'harmless',
    'unknown',
  ]),
  groups: z.array(id),
  signs: z.array(id),
  decidingTest: text,
  about: text,
  /** Smallest certainty on which a curative treatment may rest. */
  curativeNeeds: z.enum(CERTAINTIES),
  /** The pest itself causes the weakness, so low vigour speeds treatment. */
  causesWeakness: z.boolean(),
  /** A follower: the driver behind it is what must be treated. */
  driver: id.optional(),
  crownLossLimit: z.number().min(0).max(100).optional(),
  reportable: z.boolean(),
  basis: text,
});
export type Condition = z.infer<typeof conditionSchema>;

/** A sign as the arborist left it: not looked at is not absent. */
export const findingSchema = z
  .strictObject({ sign: id, state: z.enum(FINDING_STATES), grade: z.number().int().min(0).max(4).optional() })
  .refine((f) => (f.state === 'seen') === (f.grade !== undefined && f.grade > 0), {
    message: 'a sign that is seen has a grade from 1 to 4, any other has none',
    path: ['grade'],
  });
export type Finding = z.infer<typeof findingSchema>;
