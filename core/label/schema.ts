import { northernMonthSchema } from '@/lib/calendar/month-schemas';
import { z } from 'zod';
import {
  AREA,
  LENGTH,
  MASS,
  VOLUME,
  type AreaUnit,
  type LengthUnit,
  type MassUnit,
  type VolumeUnit,
} from '../../lib/units/units';
import { isLiquid } from './liquid';
import { activePerUnit } from './match';
import { DEVICES, METHODS } from './methods';
import { followUpRule } from '../season/rules';

/**
 * The label as data: what a person copies from the label in hand, checked when it is read. One definition gives the
 * type, the form rules and the published JSON Schema (docs/label.schema.json).
 */
const unitsOf = <K extends string>(table: Record<K, number>) => Object.keys(table) as [K, ...K[]];
const lengthUnit = z.enum(unitsOf<LengthUnit>(LENGTH));
const amountUnit = z.enum([...unitsOf<VolumeUnit>(VOLUME), ...unitsOf<MassUnit>(MASS)] as [
  VolumeUnit | MassUnit,
  ...(VolumeUnit | MassUnit)[],
]);
const positive = z.number('Type the figure that the label gives.').positive().max(1e7);

export const lengthSchema = z.strictObject({ value: positive, unit: lengthUnit });
const amount = z.strictObject({ value: positive, unit: amountUnit });
const volume = z.strictObject({ value: positive, unit: z.enum(unitsOf<VolumeUnit>(VOLUME)) });
const area = z.strictObject({ value: positive, unit: z.enum(unitsOf<AreaUnit>(AREA)) });
const id = z
  .string()
  .regex(/^[a-z0-9][a-z0-9-]*$/, 'use lower-case letters, digits and hyphens')
  // A key stands as a name in records of amounts; one that every record has already would be read as an amount.
  .refine((key) => !(key in {}), 'this name cannot be used')
  .max(60);
const sentence = z.string().trim().min(1).max(600);

/** One value is the maximum; a range leaves a choice, low for small or light, high for large or heavy. */
const ratePoint = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('single'), value: positive, unit: amountUnit }),
  z
    .strictObject({
      kind: z.literal('range'),
      low: positive,
      high: positive,
      unit: amountUnit,
      lowFor: z.string().max(120).default('small trees, light attack'),
      highFor: z.string().max(120).default('large trees, heavy attack'),
    })
    .refine((r) => r.low < r.high, { message: 'the low end of the range must be below the high end', path: ['low'] }),
]);

/** Which class a size on a boundary belongs to must be answered from the label; until it is, the lower dose holds. */
const boundary = z.enum(['smaller-class', 'larger-class', 'unanswered']);
const banded = <T extends z.ZodType>(entry: T) =>
  z
    .strictObject({
      by: z.enum(['diameter', 'girth']),
      unit: lengthUnit,
      boundary,
      bands: z
        .array(z.strictObject({ over: z.number().min(0), upTo: positive.nullable(), entry }))
        .min(1)
        .max(40),
    })
    .superRefine((c, ctx) =>
      c.bands.forEach((b, i) => {
        const next = c.bands[i + 1];
        if (b.upTo !== null && b.upTo <= b.over)
          ctx.addIssue({
            code: 'custom',
            path: ['bands', i, 'upTo'],
            message: 'a class must end above where it starts',
          });
        if (next && (b.upTo === null || next.over < b.upTo))
          ctx.addIssue({ code: 'custom', path: ['bands', i + 1, 'over'], message: 'classes must not overlap' });
      }),
    );

const basis = z.discriminatedUnion('per', [
  z.strictObject({ per: z.literal('diameter'), each: lengthSchema }),
  z.strictObject({ per: z.literal('girth'), each: lengthSchema }),
  z.strictObject({ per: z.literal('tree') }),
  z.strictObject({ per: z.literal('site') }),
  z.strictObject({ per: z.literal('hole') }),
  z.strictObject({ per: z.literal('area'), each: area, ground: z.enum(['basin', 'treated', 'canopy']) }),
  z.strictObject({ per: z.literal('spray-volume'), each: volume }),
]);

const rate = z.strictObject({
  /** What the number is an amount of: the product, the stock solution made from it, or the active ingredient in it. */
  of: z.enum(['product', 'stock', 'active']),
  active: z.string().max(80).optional(),
  basis,
  dose: z.discriminatedUnion('form', [
    z.strictObject({ form: z.literal('flat'), point: ratePoint }),
    z.strictObject({ form: z.literal('classes'), classes: banded(ratePoint) }),
  ]),
  /** Several stems: how the label counts them. */
  stems: z.enum(['sum', 'basal-area', 'each', 'largest', 'unanswered']),
  measuredAt: z.union([z.literal('breast-height'), z.literal('injection-height'), lengthSchema]),
  text: sentence,
});

const carrier = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('fixed'), volume, text: sentence }),
  z.strictObject({ kind: z.literal('by-size'), classes: banded(volume), text: sentence }),
  z.strictObject({
    kind: z.literal('per-size'),
    by: z.enum(['diameter', 'girth']),
    each: lengthSchema,
    volume,
    text: sentence,
  }),
  z.strictObject({
    kind: z.literal('wet-basin'),
    mm: positive,
    innerCm: z.number().min(0).max(300),
    outerCm: positive.max(600),
    text: sentence,
  }),
]);

const sites = z.strictObject({
  count: z.discriminatedUnion('rule', [
    z.strictObject({ rule: z.literal('per-diameter'), each: lengthSchema }),
    z.strictObject({ rule: z.literal('per-girth'), each: lengthSchema }),
    z.strictObject({ rule: z.literal('classes'), classes: banded(z.number().int().min(1).max(200)) }),
    z.strictObject({ rule: z.literal('volume-per-device'), volume }),
  ]),
  drillMm: positive.max(30),
  depthMm: positive.max(120),
  angleDeg: z.number().min(-45).max(45).default(0),
  heightCm: z.number('Type the figure that the label gives.').min(0).max(200),
  minSpacingCm: positive.max(100),
  oldSiteClearanceCm: positive.max(30).default(5),
  oldSiteVerticalCm: positive.max(200).default(30),
  oldSiteYears: positive.max(30).default(5),
  device: z.enum(DEVICES).optional(),
  /** What one device holds. */
  deviceHolds: volume.optional(),
  /** Rows one above the other that the label allows. */
  rows: z.number().int().min(1).max(3).default(1),
  text: sentence,
});

/** How far a spray is taken: the estimate of its volume follows from the crown or the bark. */
const spray = z.strictObject({
  to: z.enum(['to wet', 'to run-off']),
  /** Bark sprays: up to this height above soil. */
  upToM: positive.max(40).optional(),
  text: sentence,
});

/** The pattern of a soil probe, or the ring that a feed is spread over. */
const rootzone = z.strictObject({
  spacingCm: z.number().min(30).max(150).default(75),
  pattern: z.enum(['square', 'triangular']).default('triangular'),
  depthCm: positive.max(60).default(15),
  /** Where the pattern ends: at the drip line, or at this distance from the trunk. */
  outer: z.union([z.literal('drip-line'), lengthSchema]).default('drip-line'),
  text: sentence,
});

const limit = z.discriminatedUnion('limit', [
  z.strictObject({ limit: z.literal('per-tree'), of: z.enum(['product', 'active', 'stock']), amount, text: sentence }),
  z.strictObject({
    limit: z.literal('per-application'),
    of: z.enum(['product', 'active', 'stock']),
    amount,
    text: sentence,
  }),
  z.strictObject({
    limit: z.literal('per-tree-year'),
    of: z.enum(['product', 'active', 'stock']),
    amount,
    text: sentence,
  }),
  z.strictObject({ limit: z.literal('per-area-year'), active: z.string().max(80), amount, each: area, text: sentence }),
  z.strictObject({
    limit: z.literal('min-size'),
    by: z.enum(['diameter', 'girth']),
    size: lengthSchema,
    text: sentence,
  }),
  z.strictObject({
    limit: z.literal('max-size'),
    by: z.enum(['diameter', 'girth']),
    size: lengthSchema,
    text: sentence,
  }),
]);

const use = z
  .strictObject({
    key: id,
    title: sentence,
    method: z.enum(METHODS),
    hosts: z.array(id).min(1, 'Name at least one host.').max(200),
    forbiddenHosts: z.array(z.strictObject({ host: id, text: sentence })).default([]),
    targets: z.array(id).min(1, 'Name at least one thing it is used against.').max(200),
    purpose: z.enum(['preventive', 'curative', 'both']),
    rate,
    carrier,
    sites: sites.optional(),
    spray: spray.optional(),
    rootzone: rootzone.optional(),
    /** Stages of the pest that it reaches, in the words of the label; empty when it names none. */
    stages: z.array(z.string().trim().min(2).max(60)).max(12).default([]),
    /** Baits: only in locked stations. */
    inStations: z.boolean().default(false),
    limits: z.array(limit).max(20).default([]),
    months: z.array(northernMonthSchema).max(12).default([]),
    needsLeaf: z.boolean().default(false),
    intervals: z.strictObject({
      minDays: z.number().int().min(0).max(3660).optional(),
      maxPerYear: z.number().int().min(1).max(60).optional(),
      /** What the label counts its number in, where it says so; else its months tell (see period.ts). */
      per: z.enum(['calendar year', 'season', 'twelve months']).optional(),
      preHarvestDays: z.number().int().min(0).max(730).optional(),
      reEntryHours: z.number().min(0).max(720),
      text: sentence,
    }),
    conditions: z
      .strictObject({
        minC: z.number().min(-30).max(50).optional(),
        maxC: z.number().min(-30).max(60).optional(),
        /** Soil temperature at 10 cm, for what lives or moves in the soil. */
        minSoilC: z.number().min(0).max(30).optional(),
        maxWindMs: positive.max(30).optional(),
        minWindMs: positive.max(10).optional(),
        rainFreeHours: z.number().min(0).max(96).optional(),
        /** Leaves must be dry. */
        leafDry: z.boolean().optional(),
        /** Sun takes it off or burns with it: done early, late or under cloud. */
        lowSun: z.boolean().optional(),
        /** Days before bloom, and through it, in which bees forbid this use. */
        bloomDays: z.number().int().min(0).max(120).optional(),
        waterDistanceM: z.number().min(0).max(1000).optional(),
        maxCrownLoss: z.number().min(0).max(100).optional(),
        text: sentence,
      })
      .refine((c) => c.minC === undefined || c.maxC === undefined || c.minC < c.maxC, {
        message: 'the lowest temperature must be below the highest',
        path: ['minC'],
      })
      .optional(),
    protection: z.array(sentence).min(1, 'Say what is worn.').max(20),
    followUps: z.array(followUpRule).max(12).default([]),
  })
  .superRefine((u, ctx) => {
    const issue = (path: PropertyKey[], message: string) => ctx.addIssue({ code: 'custom', path, message });
    const bySite = u.rate.basis.per === 'site';
    if ((u.method === 'trunk-injection' || bySite) && !u.sites)
      issue(['sites'], 'an injection needs its rule for the number of sites');
    if (u.rate.basis.per === 'hole' && !u.rootzone)
      issue(['rootzone'], 'a rate per hole needs the pattern of the probe');
    if (u.rate.basis.per === 'spray-volume' && !u.method.endsWith('spray') && u.method !== 'repellent')
      issue(['rate', 'basis'], 'only a spray is dosed by its volume');
    const { minWindMs, maxWindMs } = u.conditions ?? {};
    if (minWindMs !== undefined && maxWindMs !== undefined && minWindMs >= maxWindMs)
      issue(['conditions', 'minWindMs'], 'the lowest wind must be below the highest');
    if (bySite && u.sites?.count.rule === 'volume-per-device')
      issue(['sites', 'count'], 'a rate per site cannot take its number of sites from the total dose');
    const low = u.limits.findIndex((l) => l.limit === 'min-size');
    const high = u.limits.findIndex((l) => l.limit === 'max-size');
    const a = u.limits[low];
    const b = u.limits[high];
    if (
      a?.limit === 'min-size' &&
      b?.limit === 'max-size' &&
      a.by === b.by &&
      a.size.value * LENGTH[a.size.unit] >= b.size.value * LENGTH[b.size.unit]
    )
      issue(['limits', high, 'size'], 'the largest size must be above the smallest');
  });

const active = z.strictObject({
  name: z.string().min(2).max(80),
  gPerL: positive.max(3000).optional(),
  massFraction: z.number().gt(0).max(1).optional(),
  group: z.strictObject({ scheme: z.enum(['IRAC', 'FRAC', 'none']), code: z.string().max(12) }),
  family: z.string().max(60),
});

export const labelSchema = z
  .strictObject({
    format: z.literal('elmhorn-label'),
    formatVersion: z.literal(1),
    key: id,
    version: z.number().int().min(1).max(9999),
    name: sentence,
    /** True for the fictional labels that ship with Elmhorn. */
    training: z.boolean(),
    registration: z.string().min(1, 'Say the registration number.').max(60),
    formulation: z.string().min(1, 'Say the formulation, like SL or WG.').max(60),
    signalWord: z.enum(
      ['none', 'Caution', 'Warning', 'Danger'],
      'Say the signal word of the label, or that it has none.',
    ),
    restricted: z.boolean(),
    licenceCategory: z.string().max(60).optional(),
    beeHazard: z.enum(['none', 'moderate', 'high'], 'Say what the label says of bees.'),
    systemic: z.boolean(),
    /** For so many days after it was put on, a systemic is in nectar and pollen; where the label is silent, most of a year. */
    inFlowersDays: z.number().int().min(0).max(1500).optional(),
    densityGPerMl: positive.max(5).optional(),
    actives: z.array(active).min(1, 'Name at least one active.').max(6),
    /** Mass fractions as printed, phosphorus and potassium as oxides. */
    nutrients: z
      .strictObject({
        n: z.number().min(0).max(1),
        p2o5: z.number().min(0).max(1),
        k2o: z.number().min(0).max(1),
        release: z.enum(['slow', 'quick']),
      })
      .optional(),
    /** What it must not meet on a tree within so many days, by family or active. */
    notWith: z
      .array(
        z.strictObject({ what: z.string().min(2).max(80), days: z.number().int().min(1).max(365), text: sentence }),
      )
      .max(12)
      .default([]),
    /** Hosts that it may burn. */
    sensitiveHosts: z
      .array(z.strictObject({ host: id, text: sentence }))
      .max(40)
      .default([]),
    /** Families or actives that this label allows in one tank. */
    tankPartners: z.array(z.string().min(2).max(80)).max(20).default([]),
    /** Hours for which the mix stays good. */
    mixKeepsHours: positive.max(720).optional(),
    /** Allowed under organic programmes, as the label says. */
    organic: z.boolean().default(false),
    /** Price of one litre or kilogram, in minor units, for the estimate. */
    priceMinor: z.number().int().min(0).max(100_000_000).optional(),
    stock: z.strictObject({ concentrate: amount, madeUpTo: volume, text: sentence }).optional(),
    uses: z.array(use).min(1, 'Enter at least one use.').max(40),
  })
  .superRefine((label, ctx) => {
    const issue = (path: PropertyKey[], message: string) => ctx.addIssue({ code: 'custom', path, message });
    label.actives.forEach((a, i) => {
      if (a.gPerL === undefined && a.massFraction === undefined)
        issue(['actives', i], 'give the concentration as g/L or as a mass fraction');
    });
    const liquid = isLiquid(label as Label);
    // Grams that cannot be worked out would drop out of every cap in silence.
    label.actives.forEach((a, i) => {
      if ((a.gPerL !== undefined || a.massFraction !== undefined) && activePerUnit(label, a as Active, liquid) === null)
        issue(['actives', i], `the density is needed to turn the concentration of ${a.name} into grams`);
    });
    if (label.stock && label.stock.concentrate.unit in VOLUME !== liquid)
      issue(['stock', 'concentrate'], 'the stock recipe must be in the product’s own dimension');
    label.uses.forEach((u, i) => {
      if (label.uses.findIndex((other) => other.key === u.key) < i)
        issue(['uses', i, 'key'], `two uses are called “${u.key}”`);
      const points = u.rate.dose.form === 'flat' ? [u.rate.dose.point] : u.rate.dose.classes.bands.map((b) => b.entry);
      const volumes = new Set(points.map((p) => p.unit in VOLUME));
      if (volumes.size > 1) issue(['uses', i, 'rate', 'dose'], 'all classes must be volumes, or all masses');
      if (u.rate.of === 'product' && volumes.has(!liquid))
        issue(
          ['uses', i, 'rate', 'dose'],
          `one product is measured one way: this rate is by ${liquid ? 'mass' : 'volume'}, the product by ${liquid ? 'volume' : 'mass'}`,
        );
      if (u.rate.of === 'active' && volumes.has(true))
        issue(['uses', i, 'rate', 'dose'], 'an active-ingredient rate is a mass');
      if (u.rate.of === 'stock' && volumes.has(false))
        issue(['uses', i, 'rate', 'dose'], 'a stock solution is dosed by volume');
      if (u.rate.of === 'stock' && !label.stock)
        issue(['uses', i, 'rate', 'of'], 'a stock rate needs the recipe of the stock solution');
      const names = label.actives.map((a) => a.name);
      if (u.rate.active && !names.includes(u.rate.active))
        issue(['uses', i, 'rate', 'active'], 'no such active on this label');
      u.limits.forEach((l, j) => {
        if (l.limit === 'per-area-year' && !names.includes(l.active))
          issue(['uses', i, 'limits', j, 'active'], 'no such active on this label');
        if ('of' in l && l.of === 'stock' && !label.stock)
          issue(['uses', i, 'limits', j, 'of'], 'there is no stock solution on this label');
        if ('of' in l && l.of !== 'product' && (l.of === 'active') === l.amount.unit in VOLUME)
          issue(
            ['uses', i, 'limits', j, 'amount'],
            l.of === 'active' ? 'an active is limited by mass' : 'a stock solution is limited by volume',
          );
        if (l.limit === 'per-area-year' && l.amount.unit in VOLUME)
          issue(['uses', i, 'limits', j, 'amount'], 'an active is limited by mass');
        if ('of' in l && l.of === 'product' && l.amount.unit in VOLUME !== isLiquid(label as Label))
          issue(['uses', i, 'limits', j, 'amount'], 'the limit must be in the product’s own dimension');
      });
    });
  });

export type Label = z.infer<typeof labelSchema>;
export type LabelUse = Label['uses'][number];
export type RatePoint = z.infer<typeof ratePoint>;
export type Carrier = LabelUse['carrier'];
export type SiteRule = NonNullable<LabelUse['sites']>;
export type Active = Label['actives'][number];
export interface Banded<T> {
  by: 'diameter' | 'girth';
  unit: LengthUnit;
  boundary: 'smaller-class' | 'larger-class' | 'unanswered';
  bands: { over: number; upTo: number | null; entry: T }[];
}
