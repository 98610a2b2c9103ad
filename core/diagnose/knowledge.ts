import { northernMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';
import { besideSchema } from './beside-schema';
import { timedSchema } from '../season/timed-schema';
import { CERTAINTIES, COMMON_WORDS, FINDING_STATES, KINDS, NATURES, OFTEN_WORDS, PARTS_OF_TREE, SURE } from './words';

/** The shape of what Elmhorn knows. The data itself lives in knowledge/ and is passed in. */
/** What an entry is called within: small letters, figures, hyphens. */
export const entryId = z.string().regex(/^[a-z0-9-]{2,60}$/, 'small letters, figures and hyphens');
const id = entryId;
const text = z.string().trim().min(2).max(700);

export const hostSchema = z.strictObject({
  id,
  name: text,
  latin: text,
  /** Other names that lists and people call it by. */
  also: z.array(text).default([]),
  /** Stands for every species that has no entry of its own: what it is called stands on the tree. */
  unlisted: z.boolean().default(false),
  /** Groups a label or a condition may name instead of the host itself. */
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
  /** What burns it: named in gates on sprays. */
  sensitive: z.array(z.enum(['oil', 'copper', 'sulphur', 'soil neonicotinoid'])).default([]),
  /** A host that ships and grows through the year as this one does. */
  growsLike: id.optional(),
  /** How to tell the variety from its rootstock, on hosts that are usually grafted. */
  rootstock: text.optional(),
});
export type Host = z.infer<typeof hostSchema>;

export const signSchema = z.strictObject({
  id,
  place: z.enum(PARTS_OF_TREE),
  words: text,
  /** What a grade of 4 looks like. */
  worst: text,
  /** Host groups on which it is looked for; empty for every tree. */
  groups: z.array(id),
  /** How often it is there without any of the conditions: on sound trees, by age and chance. */
  idle: z.number().min(0.002).max(0.5),
  /** The sign that tells mostly the same; both together count for less than two. */
  echoes: id.optional(),
  /** Stands on the tree in every month once it is there: holes, galleries, cankers, mummies. */
  lasts: z.boolean().default(false),
  /** Tells of the surroundings or of health, not of trouble. */
  setting: z.boolean().default(false),
  /** What it means for whoever stands below, whatever the cause. */
  danger: text.optional(),
  /** Seen at its worst, the bark is gone all round the stem, as if its arcs had been entered so. */
  girds: z.boolean().default(false),
  /** Only to be seen after digging: what it changes must be agreed with the client. */
  dig: z.boolean().default(false),
  /** The drawing that shows it, where words do not tell it apart. */
  figure: id.optional(),
  /** Worth knowing by crown sector and bearing: uptake follows the flare below. */
  sector: z.boolean().default(false),
  /** Counted on a sample: what is counted, e.g. "leaves". */
  count: text.optional(),
});
export type Sign = z.infer<typeof signSchema>;

export const testSchema = z.strictObject({
  id,
  name: text,
  how: text,
  /** The question it answers, short enough for a phone. */
  ask: text,
  minutes: z.number().positive().max(240),
  cost: z.enum(['nothing', 'kit', 'laboratory']),
  /** Of trees that have what an outcome names, so many come out so. */
  sensitivity: z.number().min(0.5).max(0.999),
  /** Of trees that have it not, so many do not: what a positive answer is worth. */
  specificity: z.number().min(0.5).max(0.9999),
  /** 0 leaves no mark, 1 a twig or scratch, 2 a window in the bark or a dug root. */
  wounds: z.union([z.literal(0), z.literal(1), z.literal(2)]),
  waitDays: z.number().int().min(0).max(60).default(0),
  groups: z.array(id).default([]),
  dig: z.boolean().default(false),
  /** Makes sense only where one of these signs was seen. */
  presumes: z.array(id).default([]),
  /** Needs leaves on the tree. */
  leaf: z.boolean().default(false),
  figure: id.optional(),
  /** What can come out; the last one is "none of these". */
  outcomes: z
    .array(
      z.strictObject({
        id,
        words: text,
        says: text,
        /** The sign that says the same: who has seen it need not do the test. */
        sameAs: id.optional(),
        /** What it means for whoever stands below, whatever the cause. */
        danger: text.optional(),
        /** How often it comes out though none of the named conditions is there. */
        idle: z.number().min(0.002).max(0.9).default(0.02),
      }),
    )
    .min(2)
    .max(8),
});
export type QuickTest = z.infer<typeof testSchema>;

const often = z.enum(OFTEN_WORDS);
export const OPTION_METHODS = [
  'trunk injection',
  'infusion',
  'soil drench',
  'soil injection',
  'bark spray',
  'foliar spray',
  'dormant spray',
  'dust',
  'bait',
  'band',
  'guard',
  'repellent',
  'water jet',
  'wash',
  'release',
  'bagging',
  'sanitation',
  'pruning',
  'excavation',
  'watering',
  'feeding',
  'mulch',
  'drainage',
  'root barrier',
  'fence',
  'hygiene',
  'removal',
  'replanting',
] as const;

/** A way to act on a condition, with the stage it works on and the months of its window. */
export const optionSchema = z.strictObject({
  method: z.enum(OPTION_METHODS),
  what: text,
  /** What opens the window, in words: a growth stage, a pest stage, degree-days, an event. */
  when: text,
  from: northernMonthSchema,
  to: northernMonthSchema,
  /** What opens and closes it more truly than its months, where the stages of the host or the heat are known: any of these times. */
  timed: z.union([z.array(timedSchema).min(1).max(6), timedSchema.transform((one) => [one])]).optional(),
  /** What it is for: an infected tree, a sound one, the tree's own strength, or what is a nuisance. */
  use: z.enum(['cure', 'protect', 'support', 'relief']),
  organic: z.boolean(),
  /** Hosts it is for, of those of its condition; empty for all. */
  hosts: z.array(id).default([]),
  /** Hosts of its condition it is not for, as they grow: a palm has no cambium and no crown of branches. */
  notOn: z.array(id).min(1).optional(),
  /** A protectant that still keeps what is sound from it while it spreads; without it, it is for the sound and for next season. */
  covers: z.boolean().default(false),
  /** Antibiotics are kept for confirmed cases, and never go into a food tree. */
  antibiotic: z.boolean().default(false),
  /** Largest share of the girth without bark at which it still makes sense; by trunk size where it differs. */
  barkLossMax: z.number().gt(0).max(1).optional(),
  /** Smallest share of the girth without bark from which it makes sense: less heals by itself. */
  barkLossMin: z.number().gt(0).max(1).optional(),
  /** Smallest crown loss, percent, from which it makes sense. */
  crownLossMin: z.number().gt(0).max(100).optional(),
  /** Signs that show it to be too late for this. */
  tooLate: z.array(id).min(1).optional(),
  /** Signs of which one must stand on the tree: without it, it is not yet time for this. */
  onlyWith: z.array(id).min(1).optional(),
  /** Largest trunk, cm of diameter, on which it is done. */
  largestCm: z.number().positive().max(300).optional(),
});
export type TreatmentOption = z.infer<typeof optionSchema>;
export type OptionMethod = TreatmentOption['method'];

export const conditionSchema = z.strictObject({
  id,
  name: text,
  /** Latin names of what it is, or of those that usually make it. */
  latin: z.string().trim().min(2).max(120).optional(),
  kind: z.enum(KINDS),
  /** Host groups; empty for every tree. A host not named here is not attacked. */
  groups: z.array(id),
  /** Groups within those that suffer much more. */
  worseOn: z.array(id).default([]),
  about: text,
  /** What happens if nothing is done. */
  course: text,
  /** Months in which its signs are made. */
  season: z.tuple([northernMonthSchema, northernMonthSchema]),
  /** How common it is on its hosts where nothing else is known. */
  common: z.enum(COMMON_WORDS),
  /** How common on some of them, by host or group: the first that fits counts. */
  commonOn: z.record(id, z.enum(COMMON_WORDS)).optional(),
  signs: z.strictObject({
    always: z.array(id).default([]),
    usual: z.array(id).default([]),
    sometimes: z.array(id).default([]),
    rare: z.array(id).default([]),
    never: z.array(id).default([]),
  }),
  /** Signs that practically name it on its hosts, each with the reason why nothing else does. */
  telling: z.record(id, text).default({}),
  /** It may be named only when one of these signs or test outcomes (`test/outcome`) stands for it. */
  namedBy: z.array(z.string().max(121)).default([]),
  /** Test → outcome → how often. What is not named comes out as it would by chance. */
  tests: z.record(id, z.record(id, often)).default({}),
  /** The test and outcome that settle it, and in words. */
  deciding: z.strictObject({ test: id, outcome: id }).nullable(),
  decidingTest: text,
  /** What lets it in, and what it brings: conditions, by id. */
  drivers: z.array(id).default([]),
  followers: z.array(id).default([]),
  lookalikes: z.array(id).default([]),
  /** Smallest certainty on which a curative treatment may rest. */
  curativeNeeds: z.enum(CERTAINTIES),
  /** The pest itself causes the weakness, so low vigour speeds treatment. */
  causesWeakness: z.boolean().default(false),
  /** It is only a follower: the driver must be treated, not this. */
  onlyFollows: z.boolean().default(false),
  crownLossLimit: z.number().min(0).max(100).optional(),
  /** What is done about it once it is sure. */
  policy: z.enum(['treat', 'relieve', 'restore', 'leave', 'manage', 'driver']),
  /** From which severity (0–4, the worst of its own signs) it is worth acting on. */
  actFrom: z.number().min(0).max(4).default(1),
  threshold: text,
  /** Preventive work on sound trees: the distance of finds within which it makes sense. */
  protect: z.strictObject({ withinKm: z.number().positive().max(100), why: text }).optional(),
  options: z.array(optionSchema),
  /** What does not work, and why. */
  useless: text,
  /** Resistance group of the usual products, if any. */
  resistance: z.string().max(60).default(''),
  reportable: z.boolean().default(false),
  /** What its nature asks, whatever is decided: hairs or spores that harm crews, no cut before the authority, gas. */
  nature: z.array(z.enum(NATURES)).default([]),
  /** Of such trees left alone, the share lost in a year; where nobody has said, by what is done about it. */
  lossPerYear: z.number().min(0).max(1).optional(),
  /** The tree may break or fall. */
  hazard: z.boolean().default(false),
  /** What the client is told. */
  tell: text,
  basis: text,
  /** What the guide tells beside it; of what ships it stands in tables of its own, which no browser needs. */
  beside: besideSchema.optional(),
});
export type Condition = z.infer<typeof conditionSchema>;

/** Two or more conditions that are taken for one another, and what tells them apart. */
export const lookalikeTableSchema = z.strictObject({
  id,
  name: text,
  rows: z
    .array(z.strictObject({ condition: id, looks: text, tell: text }))
    .min(2)
    .max(10),
});
export type LookalikeTable = z.infer<typeof lookalikeTableSchema>;

/** Everything the engine and the field guide read. */
export interface Knowledge {
  hosts: readonly Host[];
  signs: readonly Sign[];
  tests: readonly QuickTest[];
  conditions: readonly Condition[];
  lookalikes: readonly LookalikeTable[];
}

/** A sign as the arborist left it: not looked at is not absent. */
export const findingSchema = z
  .strictObject({
    sign: id,
    state: z.enum(FINDING_STATES),
    /** How much of it there is, from 1 (a trace) to 4 (everywhere). */
    grade: z.number().int().min(0).max(4).optional(),
    /** How sure the observer is; sure where nothing is said. */
    sure: z.enum(SURE).optional(),
    /** Seen last season, not today. */
    lastSeason: z.literal(true).optional(),
    /** Degrees clockwise from north, of the crown sector or the flare. */
    bearing: z.number().int().min(0).max(359).optional(),
    /** Of so many looked at, so many had it. */
    counted: z
      .strictObject({ of: z.number().int().min(1).max(2000), had: z.number().int().min(0).max(2000) })
      .refine((c) => c.had <= c.of, { message: 'more were hit than were looked at', path: ['had'] })
      .optional(),
  })
  .refine((f) => (f.state === 'seen') === (f.grade !== undefined && f.grade > 0), {
    message: 'a sign that is seen has a grade from 1 to 4, any other has none',
    path: ['grade'],
  });
export type Finding = z.infer<typeof findingSchema>;

/** What came out of a quick test. */
export const testResultSchema = z.strictObject({ test: id, outcome: id });
export type TestResult = z.infer<typeof testResultSchema>;
