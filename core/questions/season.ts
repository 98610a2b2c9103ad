import type { LocalDate } from '../../lib/calendar/zone';
import { z } from 'zod';
import { USUAL_SCHOOLS } from '../decide/schools';
import { VIGOURS } from '../diagnose/words';
import { UNSAID } from '../prescribe/unsaid';
import type { TreatmentContext } from '../gates/context';
import { assignVisits, underReason } from '../programmes/assign';
import { yearProgrammeSchema, type YearProgramme } from '../programmes/schema';
import type { Label } from '../label/schema';
import { found, question, type Lookup, type Question } from './question';
import { STAGES, type Bbch } from '../season/bbch';
import { growthSchema } from '../season/growth-schema';
import { expectedStages } from '../season/stages';
import { fitDays } from '../weather/fitness';
import { coverLeft } from '../season/cover';
import { expectedOn, heatOf, reachedOn } from '../season/heat';
import { dayAfter } from '../../lib/calendar/days';
import { bloomBlight, leafCurl, scabSpells } from '../season/infection';

/** Questions about the year: when heat brings something about, when leaves were infected, how long a cover holds. */
const ZONES = new Set(Intl.supportedValuesOf('timeZone'));
const day = z.iso.date('give a day like 2026-05-14');
const celsius = z.number().min(-80).max(80);
const millimetres = z.number().min(0).max(2000);
const range = z
  .strictObject({ min: celsius, max: celsius })
  .refine((d) => d.min <= d.max, { path: ['max'], message: 'must not be below min' });
const hours = z
  .array(
    z.strictObject({
      at: z.iso.datetime({ offset: true }),
      temperatureC: celsius,
      rainMm: millimetres,
      humidity: z.number().min(0).max(100),
      windMs: z.number().min(0).max(120).optional(),
      wet: z.boolean().optional(),
      sun: z.boolean().optional(),
    }),
  )
  .min(1)
  .max(20_000)
  .refine(
    (given) => given.every((h, i) => i === 0 || Date.parse(h.at) - Date.parse(given[i - 1]!.at) === 3_600_000),
    'each hour must follow the one before',
  );

/** Days between which something may come; without them only the day itself counts. */
const spread = { earliest: day.optional(), latest: day.optional() };

export const SEASON_QUESTIONS: Record<string, Question> = {
  heat: question(
    'when a sum of heat is reached: by what was measured, and by other years after it',
    z
      .strictObject({
        /** The first day that counts. */
        from: day,
        base: z.number().min(-50).max(60),
        ceiling: z.number().min(-50).max(80).optional(),
        method: z.enum(['single-sine', 'average']).default('single-sine'),
        sum: z.number().positive().max(10_000),
        /** Days since then, one after the other. */
        measured: z.array(range).max(400).default([]),
        /** The same season of other years, day by day from the same start. */
        years: z.array(z.array(range).min(1).max(400)).max(60).default([]),
      })
      .refine((q) => q.ceiling === undefined || q.ceiling > q.base, {
        path: ['ceiling'],
        message: 'must be above the base: heat between the two is what counts',
      }),
    (q) => {
      const target = { baseC: q.base, ceilingC: q.ceiling, method: q.method, sum: q.sum };
      const dayOf = (n: number) => dayAfter(q.from, n, 'days');
      const measured = q.measured.map((d, i) => ({ ...d, day: dayOf(i) }));
      return {
        total: heatOf(target, measured).total,
        reachedOn: reachedOn(target, measured),
        expected: expectedOn(target, measured, q.years, dayOf),
      };
    },
  ) as Question,
  'heat-models': question('the sums of heat that ship, each with its basis', z.strictObject({}), (_, look) => ({
    models: look.heatModels(),
  })) as Question,
  'growth-models': question('how hosts grow through the year, each with its basis', z.strictObject({}), (_, look) => ({
    models: look.growths(),
  })) as Question,
  stages: question(
    'when the stages of a season come: by the heat, chill and cold of its days, and by what was seen',
    z.strictObject({
      /** One of the growth models that ship, or a whole one. */
      growth: z.union([z.string(), growthSchema]),
      lat: z.number().min(-66).max(66),
      /** First day on which heat counts: 1 January, or 1 July in the south. */
      start: day,
      /** Days from two months before that on, one after the other. */
      measured: z.array(range).max(430).default([]),
      /** Courses of the days after them. */
      courses: z.array(z.array(range).min(1).max(430)).max(60).default([]),
      forecastDays: z.number().int().min(0).max(20).default(0),
      seen: z
        .array(z.strictObject({ code: z.literal(STAGES), day }))
        .max(40)
        .default([]),
    }),
    (q, look) => {
      const named = typeof q.growth === 'string' ? (look.growths().find((g) => g.id === q.growth) ?? null) : q.growth;
      const growth = found(named, 'growth', 'is none of the growth models that ship');
      return { stages: expectedStages({ growth, weather: q, lat: q.lat, seen: q.seen }) };
    },
  ) as Question,
  'fit-days': question(
    'days of a forecast on which the air is likely to suit a work for some hours on end',
    z.strictObject({
      members: z.array(hours).min(1).max(60),
      timeZone: z.string().refine((zone) => zone === 'UTC' || ZONES.has(zone), 'is no time zone'),
      hours: z.number().int().min(1).max(12).default(2),
      limits: z.strictObject({
        minC: celsius.nullable().default(null),
        maxC: celsius.nullable().default(null),
        minWindMs: z.number().min(0).max(60).nullable().default(null),
        maxWindMs: z.number().min(0).max(60).nullable().default(null),
        dryHours: z.number().int().min(0).max(96).nullable().default(null),
        dryLeaves: z.boolean().default(false),
      }),
    }),
    (q) => ({ days: fitDays(q.members, q.limits, q.hours, q.timeZone) }),
  ) as Question,
  scab: question(
    'spells of wet leaves, and whether each was long enough for apple scab',
    z.strictObject({ hours }),
    (q) => ({ spells: scabSpells(q.hours) }),
  ) as Question,
  'leaf-curl': question('spells of wet leaves in which peach leaf curl infects', z.strictObject({ hours }), (q) => ({
    spells: leafCurl(q.hours),
  })) as Question,
  'bloom-blight': question(
    'fire blight of bloom day by day: open flowers, heat, wetting, a warm day',
    z.strictObject({
      days: z
        .array(
          z.strictObject({
            day,
            temperatures: z.array(celsius).length(24, 'give the 24 hours of the day'),
            rainMm: millimetres,
            heavyDew: z.boolean().default(false),
            open: z.boolean(),
          }),
        )
        .min(1)
        .max(120),
    }),
    (q) => ({ days: bloomBlight(q.days) }),
  ) as Question,
  cover: question(
    'what is left of a protectant after rain, and when to cover again',
    z.strictObject({
      driedOn: day,
      lastsDays: z.number().int().min(1).max(365),
      minDays: z.number().int().min(0).max(365),
      rainFreeHours: z.number().min(0).max(72).default(0),
      renewAfterMm: z.number().positive().max(500).optional(),
      inside: z.boolean().default(false),
      rain: z
        .array(z.strictObject({ day, mm: millimetres }))
        .max(400)
        .default([]),
      earlyRainMm: millimetres.default(0),
    }),
    ({ rain, earlyRainMm, ...cover }) => coverLeft(cover, rain, earlyRainMm),
  ) as Question,
  programmes: question('the programmes of the year that ship', z.strictObject({}), (_, look) => ({
    programmes: look.programmes(),
  })) as Question,
  'assign-programme': question(
    'a programme laid over one tree: every visit with its day, why it stands there, and what stands against it',
    z
      .strictObject({
        /** One that ships, by its key, or a programme of one's own. */
        programme: z.union([z.string(), yearProgrammeSchema]),
        host: z.string(),
        today: day,
        until: day,
        south: z.boolean().default(false),
        region: z.string().default('estuary'),
        diameters: z.array(z.number().min(0.5).max(700)).min(1).max(60),
        heightM: z.number().min(0.3).max(130).nullable().default(null),
        crown: z
          .strictObject({ widthM: z.number().min(0.3).max(60), depthM: z.number().min(0.3).max(120) })
          .nullable()
          .default(null),
        siteAreaM2: z.number().positive().max(1e9).nullable().default(null),
        /** When stages and sums of heat come, as the questions “stages” and “heat” give them. */
        stages: z
          .array(z.strictObject({ code: z.literal(STAGES), day, ...spread }))
          .max(200)
          .default([]),
        heat: z
          .array(z.strictObject({ model: z.string(), day, ...spread }))
          .max(60)
          .default([]),
        harvest: z.strictObject({ from: day, to: day.nullable() }).nullable().default(null),
        /** Labels on the shelf, by key; every one that ships where nothing is said. */
        shelf: z.array(z.string()).max(200).optional(),
        /** Conditions that were ever named on it. */
        had: z.array(z.string()).max(60).default([]),
        licence: z.array(z.string()).max(20).default([]),
        crownLoss: z.number().min(0).max(100).nullable().default(null),
        vigour: z.enum(VIGOURS).nullable().default(null),
        /** Why to go on in spite of what only holds. */
        reason: z.string().max(600).default(''),
      })
      .refine((q) => q.today <= q.until, { path: ['until'], message: 'must not be before today' }),
    (q, look) => ({ visits: assignedVisits(q, look) }),
  ) as Question,
};

interface AssignAsked {
  programme: string | YearProgramme;
  host: string;
  today: string;
  until: LocalDate;
  south: boolean;
  region: string;
  diameters: number[];
  heightM: number | null;
  crown: { widthM: number; depthM: number } | null;
  siteAreaM2: number | null;
  stages: { code: Bbch; day: string; earliest?: string | undefined; latest?: string | undefined }[];
  heat: { model: string; day: string; earliest?: string | undefined; latest?: string | undefined }[];
  harvest: { from: string; to: string | null } | null;
  shelf?: string[] | undefined;
  had: string[];
  licence: string[];
  crownLoss: number | null;
  vigour: (typeof VIGOURS)[number] | null;
  reason: string;
}

/** A tree of which so much is said; all that nobody says is open. */
function contextOf(
  q: AssignAsked,
  host: TreatmentContext['host'],
  shelf: readonly Label[],
  region: TreatmentContext['region'],
): TreatmentContext {
  return {
    ...UNSAID,
    on: q.today,
    host,
    hostConfirmed: true,
    south: q.south,
    region,
    soilTexture: 'loam',
    supervised: true,
    reading: { day: q.today, diameters: q.diameters, heightCm: 130, doubts: [], arcs: [] },
    heightM: q.heightM,
    crown: q.crown && { shape: 'ellipsoid', ...q.crown },
    siteAreaM2: q.siteAreaM2,
    harvest: q.harvest,
    crownLoss: q.crownLoss,
    vigour: q.vigour,
    licence: q.licence.length ? { number: '', categories: q.licence, expires: q.until } : null,
    checked: Object.fromEntries(shelf.map((l) => [l.key, q.today])),
    year: {
      stages: q.stages.map((s) => ({
        ...s,
        earliest: s.earliest ?? s.day,
        latest: s.latest ?? s.day,
        rests: 'years' as const,
        moved: 0,
        by: null,
      })),
      heat: q.heat.map((h) => ({
        modelId: h.model,
        what: h.model,
        conditionId: null,
        from: q.today,
        day: h.day,
        earliest: h.earliest ?? h.day,
        latest: h.latest ?? h.day,
        rests: 'past' as const,
        reached: { years: 1, of: 1 },
      })),
    },
  };
}

/** The visits of a programme on such a tree. */
function assignedVisits(q: AssignAsked, look: Lookup) {
  const host = found(look.host(q.host), 'host', `there is no host “${q.host}”`);
  const shipped = look.programmes().find((p) => p.key === q.programme) ?? null;
  const programme =
    typeof q.programme === 'string'
      ? found(shipped, 'programme', `there is no programme “${q.programme}”`)
      : q.programme;
  const shelf = q.shelf
    ? q.shelf.map((key, i) => found(look.label(key), `shelf.${i}`, `there is no label “${key}”`))
    : look.labels();
  const context = contextOf(q, host, shelf, look.region(q.region));
  const visits = assignVisits(programme, {
    treatmentContext: context,
    shelf,
    condition: (id) => look.condition(id),
    detections: {},
    choices: { soil: null, leaf: null, temperatureC: null, windMs: null, rainNext24Mm: null },
    work: {
      on: q.today,
      south: context.south,
      customWorks: [],
      system: 'metric',
      tag: '',
      host,
      diameterCm: q.diameters[0]!,
      heightM: q.heightM,
      crownWidthM: q.crown?.widthM ?? null,
      texture: 'loam',
      condition: null,
      mainRoots: [],
      group: null,
      zoneSchool: USUAL_SCHOOLS.rootZone,
      woundSchool: USUAL_SCHOOLS.woundDressing,
      meshSchool: USUAL_SCHOOLS.mesh,
      closedSeasons: context.region.closedSeasons,
      region: context.region.name,
    },
    had: q.had,
    from: q.today,
    until: q.until,
    standing: [],
    worn: [],
  });
  return underReason(visits, q.reason).map(({ act, ...visit }) => ({
    ...visit,
    puts:
      act?.kind === 'treat' && act.result.dose.ok
        ? { label: act.label.key, use: act.use.key, against: act.conditionId, product: act.result.dose.product }
        : null,
    holds: act && act.kind !== 'look' ? act.holds.map((g) => g.id) : [],
  }));
}
