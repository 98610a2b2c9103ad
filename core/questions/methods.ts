import { localMonthSchema } from '@/lib/calendar/month-schemas';
import { removalOf, USUAL_PRICES } from '../cost/prices';
import { totalOf } from '../quotes/property';
import { z } from 'zod';
import { choose } from '../cost/choose';
import { outlook, presentValue } from '../cost/value';
import { guard } from '../guard/guard';
import { barkLossAdvice, barkLossShare } from '../measure/bark-loss';
import { efficacy, hendersonTilton, sampleSize } from '../measure/efficacy';
import { question, type Question } from './question';
import { feed } from '../rootzone/feeding';
import { DEVICE_STATES, enteredOf, habitOf, turnOf } from '../devices/devices';
import { DEVICES } from '../label/methods';
import { probeGrid, ringArea } from '../rootzone/probe-grid';
import { irrigate } from '../rootzone/water';
import { rootZoneRadius, trenches } from '../rootzone/zone';
import { visitsOf } from '../season/programme';
import { followUpRule } from '../season/rules';
import { localRules } from '../season/local-rules';
import { crownVolume, CROWN_SHAPES, DENSITY, sprayVolume, type Density } from '../spray/crown';
import { loads } from '../spray/loads';

/** Questions about the methods beside injection and drench, about money, and about whether it worked. */
const positive = z.number().positive('must be more than 0').max(1e7);
const metres = z.number().min(0).max(1000);
const count = z.number().int().min(0).max(10_000);
const point = z.strictObject({ x: z.number(), y: z.number() });
const share = z.number().min(0).max(1);
const MOST_HOLES = 20_000;
const amountOfMoney = z.number().min(-1e12).max(1e12);

const at = z.iso.datetime({ offset: true, error: 'must be an instant, as 2026-06-01T08:00:00Z' });
const device = z.enum(DEVICES);

export const METHOD_QUESTIONS: Record<string, Question> = {
  hanging: question(
    'when a device on a trunk is empty, with its spread, whose turn it is, and what of the dose went in',
    z.strictObject({
      device,
      putMl: positive,
      installedAt: at,
      now: at,
      expectedMinutes: positive,
      seen: z
        .array(z.strictObject({ at, state: z.enum(DEVICE_STATES), leftMl: metres.nullable().default(null) }))
        .max(100)
        .default([]),
      overnight: z.boolean().default(false),
      dark: at.nullable().default(null),
      /** The company's own devices of the past. */
      log: z
        .array(z.strictObject({ device, expectedMinutes: positive, minutes: positive }))
        .max(1000)
        .default([]),
      removed: z
        .strictObject({ product: positive, leftMl: z.number().min(0), lostMl: z.number().min(0).default(0) })
        .optional(),
    }),
    ({ log, now, removed, ...asked }) => {
      const instant = (x: string) => new Date(x).toISOString();
      const installed = {
        ...asked,
        id: '',
        installedAt: instant(asked.installedAt),
        dark: asked.dark && instant(asked.dark),
        seen: asked.seen.map((s) => ({ ...s, at: instant(s.at) })).sort((a, b) => a.at.localeCompare(b.at)),
      };
      const habit = habitOf(asked.device, log);
      return {
        habit,
        turn: turnOf(installed, habit, instant(now)),
        ...(removed ? { entered: enteredOf(removed.product, asked.putMl, [{ putMl: asked.putMl, ...removed }]) } : {}),
      };
    },
  ) as Question,
  spray: question(
    'crown volume, spray for it, and the loads of a tank',
    z.strictObject({
      shape: z.enum(CROWN_SHAPES).default('ellipsoid'),
      widthM: positive,
      depthM: positive,
      lengthM: positive.optional(),
      density: z.enum(Object.keys(DENSITY) as [Density, ...Density[]]).default('middling'),
      trees: z.number().int().min(1).max(1000).default(1),
      /** Product for each litre of spray, mL or g. */
      perLitre: z.number().min(0).default(0),
      /** A tank of 100 mL at least: nobody fills a thimble a million times. */
      tankMl: z.number().min(100).max(1e7).optional(),
    }),
    ({ density, trees, perLitre, tankMl, ...crown }) => {
      const spray = sprayVolume(crown, DENSITY[density]);
      const totalMl = spray.ml * trees;
      return {
        crownM3: crownVolume(crown),
        eachMl: spray.ml,
        totalMl,
        product: (totalMl / 1000) * perLitre,
        loads: tankMl === undefined ? [] : loads(totalMl, (totalMl / 1000) * perLitre, { holdsMl: tankMl }),
      };
    },
  ) as Question,
  'probe-grid': question(
    'probe holes in the ring around a trunk, clear of paving, boundary and other trunks',
    z
      .strictObject({
        trunk: point.default({ x: 0, y: 0 }),
        innerM: metres,
        outerM: metres,
        spacingM: z.number().min(0.3).max(3).default(0.75),
        pattern: z.enum(['square', 'triangular']).default('triangular'),
        outline: z.array(point).min(3).max(400).optional(),
        kept: z
          .array(
            z.strictObject({
              corners: z.array(point).min(3).max(400),
              holes: z.array(z.array(point).min(3)).optional(),
            }),
          )
          .max(100)
          .default([]),
        trunks: z.array(point).max(400).default([]),
      })
      .refine((q) => q.innerM < q.outerM, { path: ['innerM'], message: 'must be smaller than outerM' })
      .refine((q) => (Math.PI * q.outerM ** 2) / q.spacingM ** 2 <= MOST_HOLES, {
        path: ['outerM'],
        message: `this would be more than ${MOST_HOLES} holes: a smaller ring or a wider spacing`,
      }),
    (q) => ({ ringM2: ringArea(q.innerM, q.outerM), ...probeGrid(q) }),
  ) as Question,
  feed: question(
    'fertiliser for an area by its nitrogen, with the phosphorus and potassium that come with it',
    z.strictObject({
      areaM2: positive,
      gPerM2: z.number().positive().max(50),
      n: z.number().gt(0).max(1),
      p2o5: share.default(0),
      k2o: share.default(0),
    }),
    ({ areaM2, gPerM2, ...f }) => feed(areaM2, gPerM2, f),
  ) as Question,
  irrigate: question(
    'what emitters put out, how deep it wets, and whether the pipe carries it',
    z.strictObject({
      emitters: count,
      flowLh: positive,
      hours: positive,
      wettedM2: positive,
      texture: z.enum(['sandy', 'loam', 'clay']).default('loam'),
      supplyLh: positive,
    }),
    (q) => irrigate(q),
  ) as Question,
  trenches: question(
    'radial trenches: soil to move, share of the root zone; null when they have no length',
    z.strictObject({
      count,
      startM: metres,
      endM: metres,
      widthM: positive,
      depthM: positive,
      diameterCm: positive,
      school: z.enum(['12', '18']).default('12'),
    }),
    ({ diameterCm, school, ...t }) => trenches({ ...t, zoneM: rootZoneRadius(diameterCm, school) }),
  ) as Question,
  guard: question(
    'a trunk guard: height, length around, mesh',
    z.strictObject({
      d: positive,
      growth: z.number().min(0).max(20),
      years: z.number().min(0).max(50),
      clearance: z.number().min(0).max(50).default(3),
      overlap: z.number().min(0).max(50).default(4),
      voles: z.boolean().default(true),
      rabbits: z.boolean().default(false),
      snow: z.number().min(0).max(400).default(0),
    }),
    (q) => guard(q),
  ) as Question,
  'bark-loss': question(
    'share of the girth that arcs cover together, and what it asks for',
    z.strictObject({
      arcs: z.array(z.strictObject({ from: z.number().min(0).max(360), to: z.number().min(0).max(360) })).max(60),
    }),
    (q) => {
      const lost = barkLossShare(q.arcs);
      return { share: lost, degrees: lost * 360, advice: barkLossAdvice(lost) };
    },
  ) as Question,
  visits: question(
    'the visits that a step of a plan brings over the years',
    z.strictObject({
      name: z.string().max(120).default('Step'),
      rules: z.array(followUpRule).max(12).default([]),
      from: z.iso
        .date('must be a day that exists, as YYYY-MM-DD')
        .refine((d) => d >= '1900-01-01' && d <= '2179-12-31', 'must lie between 1900 and 2179'),
      years: z.number().int().min(1).max(20).default(10),
      minDays: z.number().int().min(0).max(3660).default(0),
      maxPerYear: z.number().int().min(1).max(60).nullable().default(null),
      months: z.array(localMonthSchema).max(12).default([]),
      /** South of the equator: the months of the rules, which are those of the northern year, are turned. */
      south: z.boolean().default(false),
      /** Of a work: how long it lasts, and how often it is done at all. */
      life: z
        .strictObject({
          times: z.number().int().min(1).max(60),
          apart: z.number().int().min(0).max(366),
          everyYears: z.number().int().min(1).max(50).nullable(),
          courses: z.number().int().min(1).max(50).nullable(),
        })
        .optional(),
    }),
    ({ from, years, south, ...step }) => visitsOf({ ...step, rules: localRules(step.rules, south) }, from, years),
  ) as Question,
  removal: question(
    'what it costs to remove a tree and plant another, by its trunk; minor units',
    z.strictObject({
      /** The price for a trunk of 50 cm. */
      price: amountOfMoney,
      diameterCm: z.number().positive().max(1000).nullable(),
    }),
    ({ price, diameterCm }) => ({ cost: removalOf({ ...USUAL_PRICES, removeAndReplant: price }, diameterCm) }),
  ) as Question,
  offer: question(
    'what lines of an offer for a property come to: coming out is asked once a day; minor units',
    z.strictObject({
      comingOut: amountOfMoney,
      lines: z
        .array(
          z.strictObject({
            key: z.string().min(1).max(200),
            days: z.array(z.iso.date('must be a day that exists, as YYYY-MM-DD')).min(1).max(200),
            price: amountOfMoney,
            maybe: z.boolean().default(false),
          }),
        )
        .max(60),
      /** What is taken, by key; all of it where nothing is said. */
      taken: z.array(z.string()).max(60).optional(),
    }),
    ({ lines, comingOut, taken }) => totalOf({ lines, comingOut }, taken ?? lines.map((l) => l.key)),
  ) as Question,
  money: question(
    'what payments are worth today, and what a course costs when the tree may be lost meanwhile; minor units',
    z.strictObject({
      payments: z
        .array(z.strictObject({ year: z.number().int('a whole year').min(0).max(100), amount: amountOfMoney }))
        .max(200),
      rate: z.number().min(0).max(1).default(0.04),
      years: z.number().int().min(1).max(100).default(10),
      failsEachYear: share.default(0),
      lossCost: z.number().min(0).max(1e12).default(0),
    }),
    (q) => ({
      presentValue: presentValue(q.payments, q.rate),
      outlook: outlook(
        { name: 'course', payments: q.payments, failsEachYear: q.failsEachYear },
        q.years,
        q.rate,
        q.lossCost,
      ),
    }),
  ) as Question,
  choose: question(
    'the set that is worth most within a budget or under a cap, with its proven bound',
    z.strictObject({
      candidates: z
        .array(
          z.strictObject({
            id: z.string().max(60),
            takes: z.number().min(0).max(1e12),
            worth: z.number().min(0).max(1e12),
          }),
        )
        .max(2000),
      limit: z.number().min(0),
    }),
    (q) => choose(q.candidates, q.limit),
  ) as Question,
  efficacy: question(
    'how far a treatment worked, by counts on a sample, or by their sums',
    z.strictObject({
      treated: z.strictObject({
        before: z.array(z.number().min(0).max(1e9)).min(1).max(2000),
        after: z.array(z.number().min(0).max(1e9)).min(1).max(2000),
      }),
      control: z
        .strictObject({
          before: z.array(z.number().min(0)).max(2000).optional(),
          after: z.array(z.number().min(0)).max(2000).optional(),
        })
        .default({}),
      /** Mean, clumping and precision, for the number of leaves that would settle it. */
      sample: z.strictObject({ mean: positive, k: positive, precision: z.number().gt(0).max(1) }).optional(),
    }),
    (q) => {
      const sum = (xs: readonly number[] = []) => xs.reduce((a, b) => a + b, 0);
      const { control, treated } = q;
      return {
        ...efficacy(treated, control),
        ...(control.before?.length && control.after?.length
          ? {
              bySums: hendersonTilton(
                { before: sum(control.before), after: sum(control.after) },
                { before: sum(treated.before), after: sum(treated.after) },
              ),
            }
          : {}),
        ...(q.sample ? { leaves: sampleSize(q.sample.mean, q.sample.k, q.sample.precision) } : {}),
      };
    },
  ) as Question,
};
