import { localMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';
import { bandArea, INTAKE, splitPasses, USUAL_BAND, waterDepth } from '../basin/basin';
import { caseSchema, decideCase, decideSchema, diagnoseCase, strangeIn, vocabulary } from '../decide/ask';
import { dose } from '../dose/dose';
import { labelSchema } from '../label/schema';
import { doubts } from '../measure/plausible';
import { combinedDiameter, diameterFromGirth, girthFromDiameter, stemDiameters } from '../measure/trunk';
import { toMarks } from '../dose/vessels';
import { countSites } from '../ring/count';
import { placeRing } from '../ring/ring';
import { degreeDays } from '../season/degree-days';
import { followUps } from '../season/follow-ups';
import { followUpRule } from '../season/rules';
import { localRules } from '../season/local-rules';
import { CM_PER_IN, LENGTH, MASS, VOLUME } from '../../lib/units/units';
import { soilState, vapourDeficit } from '../weather/air';
import { found, NotKnown, question, type Lookup, type Question } from './question';
import { arcs, cm, day, diameters, label, labelOf, lengthUnits, namedUse, oldSites, stemRule, vessels } from './shared';
import { GATE_QUESTIONS } from './gates';
import { METHOD_QUESTIONS } from './methods';
import { SCHEDULE_QUESTIONS } from './schedule';
import { SEASON_QUESTIONS } from './season';

const known = <Q extends z.output<typeof caseSchema>>(q: Q, look: Lookup): Q => {
  const strange = strangeIn(q, look.knowledge());
  if (strange) throw new NotKnown(strange.path, strange.message);
  return q;
};

const siteFields = {
  label: label.optional(),
  use: z.string().optional(),
};

/**
 * Every question that the core answers, with the schema of its input: the command line, scripts and checks go through
 * here. Lengths in cm, volumes in mL, masses in g, areas in m², bearings in degrees clockwise from north.
 */
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
        useKey: namedUse(l, use).key,
        diameters: all,
        ...(girthAtInjectionCm === undefined ? {} : { girthAtInjection: girthAtInjectionCm }),
      });
    },
  ) as Question,
  ...GATE_QUESTIONS,
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
      const use = namedUse(l, q.use);
      const rule = found(use.sites ?? null, 'use', 'this use has no injection sites');
      return found(
        countSites({
          rule,
          diameter: q.diameterCm,
          girthAtInjection: q.girthAtInjectionCm ?? girthFromDiameter(q.diameterCm),
          total: q.totalMl,
        }),
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
      months: z.array(localMonthSchema).max(12).default([]),
      /** South of the equator: the months of the rules, which are those of the northern year, are turned. */
      south: z.boolean().default(false),
    }),
    (q) => followUps(localRules(q.rules, q.south), q.doneOn, q.minDays, q.months),
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
