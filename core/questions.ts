import { whenSchema } from './prescribe/when-schema';
import { UNSAID } from './prescribe/unsaid';
import { z } from 'zod';
import { bandArea, INTAKE, splitPasses, USUAL_BAND, waterDepth } from './basin/basin';
import { caseSchema, decideCase, decideSchema, diagnoseCase, strangeIn, vocabulary } from './diagnose/ask';
import { CERTAINTIES, DECISIONS, LEAF_STATES, VIGOURS } from './diagnose/words';
import { dose } from './dose/dose';
import { labelSchema, type Label } from './label/schema';
import { FACT_KEYS } from './gates/said';
import { AREAS, POINTS } from './grounds/plan';
import { METHODS } from './label/methods';
import { doubts } from './measure/plausible';
import { isSouth } from './season/hemisphere';
import { combinedDiameter, diameterFromGirth, girthFromDiameter, stemDiameters } from './measure/trunk';
import { toMarks } from './mix/vessels';
import { prescribe } from './prescribe/prescribe';
import { countSites } from './ring/count';
import { placeRing } from './ring/ring';
import { degreeDays } from './season/degree-days';
import { followUps } from './season/follow-ups';
import { followUpRule } from './season/rules';
import { CM_PER_IN, LENGTH, MASS, VOLUME } from './units/units';
import { soilState, SOIL_WORDS, vapourDeficit } from './weather/air';
import { found, NotKnown, question, type Lookup, type Question } from './question';
import { METHOD_QUESTIONS } from './questions-methods';
import { SCHEDULE_QUESTIONS } from './questions-schedule';
import { SEASON_QUESTIONS } from './questions-season';

/**
 * Every question that the core answers, with the schema of its input: the command line, scripts and checks go through
 * here. Lengths in cm, volumes in mL, masses in g, areas in m², bearings in degrees clockwise from north.
 */
const cm = z.number().positive('must be more than 0').max(10_000, 'must be 10000 cm or less');
const diameters = z.array(cm).min(1, 'give at least one stem').max(40);
const lengthUnits = Object.keys(LENGTH) as [keyof typeof LENGTH];
const bearing = z.number().min(0, 'runs from 0 to 360').max(360, 'runs from 0 to 360');
/** A day within two centuries: no calendar of trees reaches further, and sums of days stay sums of days. */
const day = z.iso
  .date('must be a day that exists, as YYYY-MM-DD')
  .refine((d) => d >= '1900-01-01' && d <= '2199-12-31', 'must lie between 1900 and 2199');
const vessels = z
  .array(
    z.strictObject({
      id: z.string().default('vessel'),
      name: z.string().default('vessel'),
      dimension: z.enum(['volume', 'mass']),
      capacity: z.number().positive(),
      graduation: z.number().positive(),
    }),
  )
  .default([]);
const stemRule = z.enum(['sum', 'basal-area', 'each', 'largest']);
const arcs = z
  .array(
    z.strictObject({
      kind: z.enum(['wound', 'dead-bark', 'canker', 'valley', 'inclusion']),
      from: bearing,
      to: bearing,
    }),
  )
  .default([]);
const oldSites = z.array(z.strictObject({ bearing, heightCm: z.number().min(0), year: z.number().int() })).default([]);
/** A label in full, or the key of one that ships. */
const label = z.union([labelSchema, z.string()], 'give a label in full, or the key of a training label');

const labelOf = (given: Label | string, look: Lookup): Label =>
  typeof given === 'string' ? found(look.label(given), 'label', `there is no training label “${given}”`) : given;
const useOf = (l: Label, key: string | undefined) =>
  found(
    (key === undefined ? l.uses[0] : l.uses.find((u) => u.key === key)) ?? null,
    'use',
    `the label has no use called “${key}”; it has ${l.uses.map((u) => u.key).join(', ')}`,
  );

const known = <Q extends z.output<typeof caseSchema>>(q: Q, look: Lookup): Q => {
  const strange = strangeIn(q, look.knowledge());
  if (strange) throw new NotKnown(strange.path, strange.sentence);
  return q;
};

const siteFields = {
  label: label.optional(),
  use: z.string().optional(),
};

export const QUESTIONS: Record<string, Question> = {
  measure: question(
    'diameter and girth of one or several stems, and what is doubtful about the reading',
    z.strictObject({
      stems: z
        .array(
          z.strictObject({
            kind: z.enum(['girth', 'diameter']),
            value: z.number().positive('must be more than 0').max(100_000),
            unit: z.enum(lengthUnits).default('cm'),
          }),
        )
        .min(1, 'measure at least one stem')
        .max(40),
      heightM: z.number().positive().max(130).optional(),
      last: z.strictObject({ diameterCm: cm, yearsAgo: z.number().min(0) }).optional(),
      growthCmPerYear: z.number().positive().optional(),
      largestCm: z.number().positive().optional(),
    }),
    ({ stems, ...rest }) => {
      const each = stemDiameters(stems.map((s) => ({ kind: s.kind, typed: { value: s.value, unit: s.unit } })));
      const diameterCm = each.length > 1 ? combinedDiameter(each, 'basal-area') : each[0]!;
      return {
        stemsCm: each,
        diameterCm,
        diameterIn: diameterCm / CM_PER_IN,
        girthCm: girthFromDiameter(diameterCm),
        girthIn: girthFromDiameter(diameterCm) / CM_PER_IN,
        sumCm: combinedDiameter(each, 'sum'),
        basalAreaCm: combinedDiameter(each, 'basal-area'),
        doubts: doubts({ diameterCm, ...rest }),
      };
    },
  ) as Question,
  dose: question(
    'the dose for one tree from a label: amount, carrier, sites, limits, marks, every step of the sum',
    z.strictObject({
      label,
      use: z.string().optional(),
      diameters: diameters.optional(),
      girthCm: cm.optional(),
      stemRule: stemRule.optional(),
      rangePoint: z.number().min(0).max(1).optional(),
      rangeReason: z.string().optional(),
      girthAtInjectionCm: cm.optional(),
      areaM2: z.number().positive().optional(),
      holes: z.number().int().positive().optional(),
      sprayVolumeMl: z.number().positive().optional(),
      vessels,
      treeYearProduct: z.number().min(0).optional(),
      applicationProduct: z.number().min(0).optional(),
      siteAreaM2: z.number().positive().optional(),
      siteYearActive: z.record(z.string(), z.number().min(0)).optional(),
      system: z.enum(['metric', 'us']).optional(),
    }),
    ({ label: given, use, girthCm, girthAtInjectionCm, diameters: ds, ...rest }, look) => {
      const l = labelOf(given, look);
      const all = ds ?? (girthCm === undefined ? [] : [diameterFromGirth(girthCm)]);
      return dose({
        ...rest,
        label: l,
        useKey: useOf(l, use).key,
        diameters: all,
        ...(girthAtInjectionCm === undefined ? {} : { girthAtInjection: girthAtInjectionCm }),
      });
    },
  ) as Question,
  gates: question(
    'the dose, the ring and every gate in force for one plan',
    z.strictObject({
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
            laid: z.boolean().default(false),
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
      readingHeightCm: z.number().min(0).max(300).default(130),
    }),
    (q, look) => {
      const l = labelOf(q.label, look);
      const known = found(look.host(q.host), 'host', `there is no host “${q.host}”`);
      const host = q.edible === undefined ? known : { ...known, edible: q.edible };
      const condition =
        q.condition === null
          ? null
          : found(look.condition(q.condition), 'condition', `there is no condition “${q.condition}”`);
      const read = q.diameters;
      const one = read && (read.length > 1 ? combinedDiameter(read, 'basal-area') : read[0]!);
      return prescribe(
        {
          ...UNSAID,
          ...q,
          alsoPlanned: q.alsoPlanned.map((p) => ({ ...p, on: p.on ?? q.today })),
          host,
          condition,
          south: isSouth(q.lat),
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
        },
        l,
        useOf(l, q.use),
        {
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
        },
      );
    },
  ) as Question,
  sites: question(
    'how many injection sites a label asks for',
    z.strictObject({
      ...siteFields,
      diameterCm: cm,
      girthAtInjectionCm: cm.optional(),
      totalMl: z.number().positive().nullable().default(null),
      label,
    }),
    (q, look) => {
      const l = labelOf(q.label, look);
      const use = useOf(l, q.use);
      const rule = found(use.sites ?? null, 'use', 'this use has no injection sites');
      return found(
        countSites(rule, q.diameterCm, q.girthAtInjectionCm ?? girthFromDiameter(q.diameterCm), q.totalMl),
        'totalMl',
        'the label counts by volume or by a class that this size has not: give the total dose, or another size',
      );
    },
  ) as Question,
  ring: question(
    'the most even ring of sites that keeps clear of wounds, valleys and old holes',
    z.strictObject({
      girthCm: cm,
      count: z.number().int().min(1).max(200),
      heightCm: z.number().min(0).max(300).default(20),
      year: z.number().int().default(2000),
      minSpacingCm: z.number().min(0.5).default(5),
      arcClearanceCm: z.number().min(0).default(5),
      oldSiteClearanceCm: z.number().min(0).default(5),
      oldSiteVerticalCm: z.number().min(0).default(30),
      oldSiteYears: z.number().min(0).default(5),
      arcs,
      oldSites,
    }),
    (q) => placeRing(q),
  ) as Question,
  'follow-ups': question(
    'what comes next, from what was done',
    z.strictObject({
      rules: z.array(followUpRule).min(1).max(60),
      doneOn: day,
      minDays: z.number().int().min(0).max(3660).default(0),
      months: z.array(z.number().int().min(1).max(12)).max(12).default([]),
    }),
    (q) => followUps(q.rules, q.doneOn, q.minDays, q.months),
  ) as Question,
  basin: question(
    'the pour band, the depth of water on it, and how to split it into passes',
    z
      .strictObject({
        diameterCm: cm,
        innerCm: z.number().min(0).max(10_000).default(USUAL_BAND.inner),
        outerCm: z.number().positive().max(10_000).default(USUAL_BAND.outer),
        volumeMl: z.number().positive().max(1e9).optional(),
        soil: z.enum(['sandy', 'loam', 'clay']).default('loam'),
        intakeMmPerHour: z.number().min(0.1).max(1000).optional(),
      })
      .refine((q) => q.innerCm < q.outerCm, { path: ['innerCm'], message: 'must be smaller than outerCm' }),
    (q) => {
      const areaM2 = bandArea(q.diameterCm, q.innerCm, q.outerCm);
      if (q.volumeMl === undefined) return { areaM2 };
      const depthMm = waterDepth(q.volumeMl, areaM2);
      return { areaM2, depthMm, ...splitPasses(depthMm, q.intakeMmPerHour ?? INTAKE[q.soil]) };
    },
  ) as Question,
  marks: question(
    'an amount rounded to the marks of measuring vessels, never above what the label allows',
    z.strictObject({
      exact: z.number().positive(),
      low: z.number().positive().optional(),
      high: z.number().positive().optional(),
      ceiling: z.number().positive().optional(),
      vessels,
    }),
    (q) =>
      toMarks(q.exact, { low: q.low ?? q.exact, high: q.high ?? q.exact }, q.vessels, q.ceiling ?? q.high ?? q.exact),
  ) as Question,
  weather: question(
    'how hard the air pulls, and the state of the soil',
    z.strictObject({
      temperatureC: z.number().min(-50).max(60),
      humidity: z.number().min(0).max(100),
      soilTemperatureC: z.number().optional(),
      soilMoisture: z.number().min(0).max(1).optional(),
    }),
    (q) => ({
      vapourDeficitKpa: vapourDeficit(q.temperatureC, q.humidity),
      ...(q.soilTemperatureC !== undefined && q.soilMoisture !== undefined
        ? { soil: soilState({ soilTemperatureC: q.soilTemperatureC, soilMoisture: q.soilMoisture }) }
        : {}),
    }),
  ) as Question,
  'degree-days': question(
    'degree-days of one day, or of a series',
    z
      .strictObject({
        days: z
          .array(
            z
              .strictObject({ min: z.number().min(-80).max(80), max: z.number().min(-80).max(80) })
              .refine((d) => d.min <= d.max, { path: ['max'], message: 'must not be below min' }),
          )
          .min(1)
          .max(4000),
        base: z.number().min(-50).max(60),
        ceiling: z.number().min(-50).max(80).optional(),
        method: z.enum(['single-sine', 'average']).default('single-sine'),
      })
      .refine((q) => q.ceiling === undefined || q.ceiling > q.base, {
        path: ['ceiling'],
        message: 'must be above the base: heat between the two is what counts',
      }),
    (q) => {
      const each = q.days.map((d) => degreeDays(d.min, d.max, q.base, q.ceiling, q.method));
      return { method: q.method, each, total: each.reduce((a, b) => a + b, 0) };
    },
  ) as Question,
  convert: question(
    'an amount or a length in another unit',
    z.strictObject({ value: z.number().min(-1e15).max(1e15), from: z.string(), to: z.string() }),
    (q) => {
      const table = [LENGTH, VOLUME, MASS].find((t) => Object.hasOwn(t, q.from)) as Record<string, number> | undefined;
      const unit = found(table ?? null, 'from', `there is no unit “${q.from}”`);
      return {
        value:
          (q.value * unit[q.from]!) /
          found(Object.hasOwn(unit, q.to) ? unit[q.to]! : null, 'to', `“${q.from}” cannot be turned into “${q.to}”`),
        unit: q.to,
      };
    },
  ) as Question,
  diagnose: question(
    'what it may be: ranking, evidence for and against, the next looks, what would change it',
    caseSchema,
    (q, look) => diagnoseCase(known(q, look), look.knowledge(), look.exclusions()),
  ) as Question,
  decide: question(
    'what to do about it: the decision with its reasons, duties, thresholds and open methods',
    decideSchema,
    (q, look) => {
      known(q, look);
      if (q.named !== undefined) found(look.condition(q.named), 'named', `there is no condition “${q.named}”`);
      return decideCase(q, look.knowledge(), q.region === null ? undefined : look.region(q.region));
    },
  ) as Question,
  knowledge: question(
    'every id of hosts, signs, tests and conditions, with its wording (no input)',
    z.strictObject({}),
    (_, look) => vocabulary(look.knowledge()),
  ) as Question,
  label: question('whether a label is sound; the label as Elmhorn reads it', labelSchema, (l) => l) as Question,
  ...METHOD_QUESTIONS,
  ...SEASON_QUESTIONS,
  ...SCHEDULE_QUESTIONS,
};
