import { z } from 'zod';
import { found, question, type Question } from './question';
import { STAGES } from './season/bbch';
import { growthSchema } from './season/growth';
import { expectedStages } from './season/stages';
import { fitDays } from './weather/fitness';
import { coverLeft } from './season/cover';
import { expectedOn, heatOf, reachedOn } from './season/heat';
import { after } from './season/follow-ups';
import { bloomBlight, leafCurl, scabSpells } from './season/infection';

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
      const dayOf = (n: number) => after(q.from, n, 'days');
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
      return { stages: expectedStages(growth, q, q.lat, q.seen) };
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
};
