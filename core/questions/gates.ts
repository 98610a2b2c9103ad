import { z } from 'zod';
import { CERTAINTIES, DECISIONS, VIGOURS } from '../diagnose/words';
import { LEAF_STATES } from '../season/leaf-state';
import { FACT_KEYS } from '../gates/said';
import { AREAS, POINTS } from '../site-map/site-map';
import { METHODS } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import { doubts } from '../measure/plausible';
import { combinedDiameter } from '../measure/trunk';
import { prescribe } from '../prescribe/prescribe';
import type { TreatmentContext } from '../gates/context';
import { UNSAID } from '../prescribe/unsaid';
import { daysOpen, nextWindow } from '../prescribe/when';
import { whenSchema } from '../prescribe/when-schema';
import { found, question, type Lookup, type Question } from './question';
import { arcs, bearing, cm, day, diameters, label, labelOf, oldSites, stemRule, namedUse, vessels } from './shared';
import { STAGES } from '../season/bbch';
import { southOfCase } from '../../lib/calendar/hemisphere';
import { SOIL_WORDS } from '../weather/air';

/** What a prescription is asked by: a tree as it stands, a label, what is said and found on the day. */
const planSchema = z.strictObject({
  label,
  use: z.string().optional(),
  today: day,
  host: z.string(),
  hostConfirmed: z.boolean().default(false),
  condition: z.string().nullable().default(null),
  certainty: z.enum(CERTAINTIES).nullable().default(null),
  decision: z.enum(DECISIONS).nullable().default(null),
  crownLoss: z.number().min(0).max(100).nullable().default(null),
  vigour: z.enum(VIGOURS).nullable().default(null),
  diameters: diameters.optional(),
  measuredOn: day.optional(),
  heightM: z.number().positive().max(130).optional(),
  last: z.strictObject({ diameterCm: cm, yearsAgo: z.number().min(0) }).optional(),
  stemRule: stemRule.optional(),
  rangePoint: z.number().min(0).max(1).optional(),
  soil: z.enum(SOIL_WORDS).nullable().default(null),
  soilTexture: z.enum(['sandy', 'loam', 'clay']).default('loam'),
  leaf: z.enum(LEAF_STATES).nullable().default(null),
  water: z
    .union([z.number().min(0).max(100_000), z.literal('none within 100 m')])
    .nullable()
    .default(null),
  temperatureC: z.number().min(-50).max(60).nullable().default(null),
  humidity: z.number().min(0).max(100).nullable().default(null),
  windMs: z.number().min(0).max(70).nullable().default(null),
  gustMs: z.number().min(0).max(90).nullable().default(null),
  windFromDeg: bearing.nullable().default(null),
  rainNext24Mm: z.number().min(0).max(2000).nullable().default(null),
  /** Rain of the coming hours, mm an hour, the next hour first. */
  rainByHour: z.array(z.number().min(0).max(300)).max(240).nullable().default(null),
  /** Water taken in by a timed test, mm/h. */
  intakeMmH: z.number().min(0.1).max(1000).nullable().default(null),
  /** First and last picking; `to` is null where nobody has said. */
  harvest: z
    .strictObject({ from: day, to: day.nullable().default(null) })
    .refine((h) => h.to === null || h.to >= h.from, { path: ['to'], message: 'picking ends after it begins' })
    .nullable()
    .default(null),
  /** Latitude: south of the equator the label’s months are turned by half a year. */
  lat: z.number().min(-90).max(90).nullable().default(null),
  /** Whether its crop is eaten, where it differs from what is usual for the host. */
  edible: z.boolean().optional(),
  hostContradicted: z.boolean().default(false),
  barkLoss: z.number().min(0).max(1).nullable().default(null),
  /** Worst extent of the condition’s own signs, 0 to 4; null where nobody graded one. */
  severity: z.number().min(0).max(4).nullable().default(null),
  atRisk: z.boolean().optional(),
  findKm: z.number().min(0).nullable().default(null),
  liveDrivers: z.array(z.string().max(120)).max(20).default([]),
  withoutEffect: z.array(z.strictObject({ condition: z.string(), labelKey: z.string() })).default([]),
  crownSchool: z.union([z.literal('knowledge'), z.literal(30), z.literal(50)]).default('knowledge'),
  programme: z.enum(['conventional', 'organic', 'threshold']).default('conventional'),
  /** What somebody at the tree has said, by the keys of the questions. */
  said: z.partialRecord(z.enum(FACT_KEYS), z.string().max(60)).default({}),
  /** Now, in its next window, or on a day to come. */
  when: whenSchema.default({ kind: 'now' }),
  phase: z.enum(['plan', 'apply']).default('plan'),
  /** The instant, for re-entry that still runs. */
  now: z.iso.datetime().optional(),
  crown: z
    .strictObject({ widthM: z.number().positive().max(60), depthM: z.number().positive().max(120) })
    .nullable()
    .default(null),
  sticky: z.boolean().default(false),
  helpersSeen: z.boolean().default(false),
  /** What stands near on the plan of the grounds. */
  near: z
    .array(
      z.strictObject({
        kind: z.enum([...AREAS, ...POINTS]),
        name: z.string().max(80).default(''),
        metres: z.number().min(0),
      }),
    )
    .max(60)
    .optional(),
  earlier: z
    .array(
      z.strictObject({
        day,
        labelKey: z.string().default(''),
        actives: z.array(z.string()).default([]),
        families: z.array(z.string()).default([]),
        groups: z.array(z.string()).default([]),
        reEntryUntil: z.iso.datetime().optional(),
        notWith: z.array(z.strictObject({ what: z.string(), days: z.number().int().min(0) })).default([]),
        byOthers: z.boolean().default(false),
      }),
    )
    .max(400)
    .default([]),
  /** Open plans of other products on this tree. */
  alsoPlanned: z
    .array(
      z.strictObject({
        labelKey: z.string(),
        labelName: z.string(),
        /** The day it is planned for; on the day in hand where nobody says. */
        on: z.iso.date().optional(),
        assignment: z.boolean().default(false),
        method: z.enum(METHODS),
        families: z.array(z.string()).default([]),
        actives: z.array(z.string()).default([]),
      }),
    )
    .max(40)
    .default([]),
  supervised: z.boolean().optional(),
  /** Names of vessels that are not kept for pesticides alone. */
  unreserved: z.array(z.string()).max(60).default([]),
  /** Girths at other heights, for the holes. */
  girths: z
    .array(z.strictObject({ heightCm: z.number().min(0).max(300), girthCm: cm }))
    .max(20)
    .default([]),
  treeYearProduct: z.number().min(0).default(0),
  siteAreaM2: z.number().positive().nullable().default(null),
  siteYearActive: z.record(z.string(), z.number().min(0)).default({}),
  arcs,
  oldSites,
  vessels,
  licence: z
    .strictObject({ number: z.string(), categories: z.array(z.string()).default([]), expires: day })
    .nullable()
    .default(null),
  labelCheckedOn: day.nullable().default(null),
  region: z.string().default('estuary'),
  /** Growth stages of the host as they are expected, where somebody says when. */
  stages: z
    .array(z.strictObject({ code: z.literal(STAGES), day, earliest: day.optional(), latest: day.optional() }))
    .max(200)
    .default([]),
  readingHeightCm: z.number().min(0).max(300).default(130),
});
type Planned = z.output<typeof planSchema>;

/** What is known, the label and the use that somebody asks about. */
function plannedBy(q: Planned, look: Lookup): { context: TreatmentContext; label: Label; use: LabelUse } {
  const l = labelOf(q.label, look);
  const known = found(look.host(q.host), 'host', `there is no host “${q.host}”`);
  const host = q.edible === undefined ? known : { ...known, edible: q.edible };
  const condition =
    q.condition === null
      ? null
      : found(look.condition(q.condition), 'condition', `there is no condition “${q.condition}”`);
  const read = q.diameters;
  const one = read && (read.length > 1 ? combinedDiameter(read, 'basal-area') : read[0]!);

  const context: TreatmentContext = {
    ...UNSAID,
    ...q,
    on: q.today,
    year: {
      heat: [],
      stages: q.stages.map((s) => ({
        ...s,
        earliest: s.earliest ?? s.day,
        latest: s.latest ?? s.day,
        rests: 'years' as const,
        moved: 0,
        by: null,
      })),
    },
    alsoPlanned: q.alsoPlanned.map((p) => ({ ...p, on: p.on ?? q.today })),
    host,
    condition,
    south: southOfCase(q),
    crown: q.crown && { shape: 'ellipsoid', ...q.crown },
    reading: read
      ? {
          day: q.measuredOn ?? q.today,
          diameters: read,
          heightCm: q.readingHeightCm,
          arcs: q.arcs,
          doubts: doubts({
            diameterCm: one!,
            heightM: q.heightM,
            last: q.last,
            growthCmPerYear: host.growthCmPerYear,
            largestCm: host.largestCm,
          }),
        }
      : null,
    treeYearProduct: { [l.key]: q.treeYearProduct },
    region: look.region(q.region),
    checked: { [l.key]: q.labelCheckedOn },
  };
  return { context, label: l, use: namedUse(l, q.use) };
}

/** Questions about one plan: its dose and gates, and the days on which it may stand. */
export const GATE_QUESTIONS: Record<string, Question> = {
  gates: question('the dose, the ring and every gate in force for one plan', planSchema, (q, look) => {
    const { context, label: l, use } = plannedBy(q, look);
    return prescribe(context, l, use, {
      soil: q.soil,
      leaf: q.leaf,
      temperatureC: q.temperatureC,
      windMs: q.windMs,
      rainNext24Mm: q.rainNext24Mm,
      humidity: q.humidity,
      gustMs: q.gustMs,
      windFromDeg: q.windFromDeg,
      rainByHour: q.rainByHour,
      intakeMmH: q.intakeMmH,
      said: q.said,
      when: q.when,
      phase: q.phase,
      ...(q.now === undefined ? {} : { now: q.now }),
      stemRule: q.stemRule,
      rangePoint: q.rangePoint,
    });
  }) as Question,
  'open-days': question(
    'on which days of the coming year a use may stand, as far as book, label and season tell, and what speaks against the others',
    planSchema,
    (q, look) => {
      const { context, label: l, use } = plannedBy(q, look);
      return { window: nextWindow(context, l, use), days: daysOpen(context, l, use) };
    },
  ) as Question,
};
