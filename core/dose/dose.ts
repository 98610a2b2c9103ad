import type { Carrier, Label, LabelUse, RatePoint } from '../label/schema';
import { activePerUnit, pickClass, sizeBy } from '../label/match';
import { isLiquid } from '../label/liquid';
import { bandArea, waterDepth } from '../basin/basin';
import { combinedDiameter, girthFromDiameter, type StemRule } from '../measure/trunk';
import { toMarks, type Measured, type Vessel } from '../mix/vessels';
import { countSites, type SiteCount } from '../ring/count';
import {
  figure,
  LENGTH,
  showAmount,
  showMass,
  showTrunk,
  showVolume,
  toBase,
  toCm,
  toM2,
  toMl,
  VOLUME,
  type Cm,
  type Grams,
  type Ml,
  type SquareM,
  type UnitSystem,
} from '../units/units';

/** What is known about the tree and the job when a dose is worked out. */
export interface DoseInput {
  label: Label;
  useKey: string;
  /** Stem diameters, cm, at the height that the rate names. */
  diameters: Cm[];
  /** Chosen where the label leaves it open. */
  stemRule?: StemRule;
  /** Place in a rate range, 0 the low end, 1 the high end. */
  rangePoint?: number;
  rangeReason?: string;
  /** Girth at injection height, when it was measured there; else the stem's own. */
  girthAtInjection?: Cm;
  areaM2?: SquareM;
  holes?: number;
  sprayVolumeMl?: Ml;
  vessels: Vessel[];
  /** Already put on this tree in the label's own year, in product base units. */
  treeYearProduct?: number;
  /** Grams of each active put on this tree in that year, by any label and by anyone. */
  treeYearActive?: Record<string, Grams>;
  /** Already used in this application (the job) on other trees, in product base units. */
  applicationProduct?: number;
  /** Area of the site that a yearly cap counts, and grams of each active put on it this year, by anyone. */
  siteAreaM2?: SquareM;
  siteYearActive?: Record<string, Grams>;
  system?: UnitSystem;
}

export interface Step {
  what: string;
  sum: string;
  result: string;
  value: number;
  /** The label's own sentence, where a number came from it. */
  text?: string;
}

export interface Bound {
  limit: string;
  /** In product base units. */
  allows: number;
  bound: boolean;
  sentence: string;
  text: string;
}

export interface Dose {
  ok: true;
  dimension: 'volume' | 'mass';
  diameterCm: Cm;
  girthCm: Cm;
  stemRule: StemRule;
  /** Product for the tree: as computed, as limited, and as it will be measured out. */
  exact: number;
  limited: number;
  product: number;
  /** What is measured with a vessel: product or stock, for the tree or for one site. */
  pour: Measured & { what: 'product' | 'stock'; per: 'tree' | 'site' };
  stockMl: Ml | null;
  actives: { name: string; grams: Grams }[];
  carrier: { totalMl: Ml; waterMl: Ml; mm: number | null; text: string } | null;
  sites: SiteCount | null;
  perSite: { product: number; mixMl: Ml | null } | null;
  /** How often a device must be filled for its site; 1 where it holds enough or nothing is said. */
  fillsPerSite: number;
  /** The rate's own range in product base units, equal ends for a single value. */
  range: { low: number; high: number };
  bounds: Bound[];
  binding: Bound | null;
  steps: Step[];
  notes: string[];
}

export interface DoseFault {
  ok: false;
  faults: { path: string; sentence: string }[];
}

/**
 * What goes into a trunk on which not every site fits: as much a site, and so much less in all. The rule of the label for
 * the number of sites is not met then; a gate says so.
 * @param placed sites that fit
 */
export function atPlacedSites(d: Dose, placed: number): Dose {
  if (!d.sites || placed === 0 || placed >= d.sites.count) return d;
  const share = placed / d.sites.count;
  const of = (x: number) => x * share;
  return {
    ...d,
    product: of(d.product),
    stockMl: d.stockMl === null ? null : of(d.stockMl),
    actives: d.actives.map((a) => ({ ...a, grams: of(a.grams) })),
    carrier: d.carrier && { ...d.carrier, totalMl: of(d.carrier.totalMl), waterMl: of(d.carrier.waterMl) },
    sites: { ...d.sites, count: placed },
    steps: [
      ...d.steps,
      {
        what: 'Only the sites that fit',
        sum: `${placed} of ${d.sites.count} sites`,
        result: `${figure(of(d.product))} ${d.dimension === 'volume' ? 'mL' : 'g'}`,
        value: of(d.product),
      },
    ],
  };
}

const NOT_A_NUMBER = 'A figure that this dose rests on is not a number. Nothing is dosed on it.';
const stop = (path: string, sentence: string): DoseFault => ({ ok: false, faults: [{ path, sentence }] });
const lowOf = (p: RatePoint) => (p.kind === 'single' ? p.value : p.low);
const ends = (p: RatePoint) => {
  const to = (v: number) => toBase(v, p.unit);
  return p.kind === 'single' ? { low: to(p.value), high: to(p.value) } : { low: to(p.low), high: to(p.high) };
};

/** How much of the rate's basis there is: cm of diameter over the label's step, sites, holes, m², mL of spray. */
function basisAmount(
  use: LabelUse,
  diameter: Cm,
  input: DoseInput,
  sites: SiteCount | null,
  system: UnitSystem,
): { times: number; words: string } | DoseFault {
  const { basis } = use.rate;
  const each = (q: { value: number; unit: string }) => (q.value === 1 ? q.unit : `${figure(q.value)} ${q.unit}`);
  switch (basis.per) {
    case 'diameter':
      return {
        times: diameter / toCm(basis.each),
        words: `${showTrunk(diameter, system).text} diameter, per ${each(basis.each)}`,
      };
    case 'girth':
      return {
        times: girthFromDiameter(diameter) / toCm(basis.each),
        words: `${showTrunk(girthFromDiameter(diameter), system).text} girth, per ${each(basis.each)}`,
      };
    case 'tree':
      return { times: 1, words: 'per tree' };
    case 'site':
      return sites
        ? { times: sites.count, words: `${sites.count} sites` }
        : stop('sites', 'The number of sites is not known.');
    case 'hole':
      return input.holes
        ? { times: input.holes, words: `${input.holes} holes` }
        : stop('holes', 'The crown has not been measured, so the probe holes cannot be placed.');
    case 'area':
      return input.areaM2
        ? {
            times: input.areaM2 / toM2(basis.each.value, basis.each.unit),
            words: `${figure(input.areaM2)} m², per ${each(basis.each)}`,
          }
        : stop('areaM2', 'The crown has not been measured, so the treated ground is not known.');
    case 'spray-volume':
      return input.sprayVolumeMl
        ? {
            times: input.sprayVolumeMl / toMl(basis.each.value, basis.each.unit),
            words: `${showVolume(input.sprayVolumeMl, system).text} of spray, per ${each(basis.each)}`,
          }
        : stop('sprayVolumeMl', 'Crown or height has not been measured, so the spray volume is not known.');
  }
}

function carrierVolume(
  carrier: Carrier,
  diameter: Cm,
): { ml: Ml; sum: string; text: string; basin: SquareM | null } | null | DoseFault {
  switch (carrier.kind) {
    case 'none':
      return null;
    case 'fixed':
      return {
        ml: toMl(carrier.volume.value, carrier.volume.unit),
        sum: 'fixed on the label',
        text: carrier.text,
        basin: null,
      };
    case 'by-size': {
      const found = pickClass(carrier.classes, diameter, (a, b) =>
        toMl(a.value, a.unit) <= toMl(b.value, b.unit) ? a : b,
      );
      if (!found) return stop('carrier', 'The label’s carrier table has no class for this size.');
      return {
        ml: toMl(found.entry.value, found.entry.unit),
        sum: `class ${found.name}`,
        text: carrier.text,
        basin: null,
      };
    }
    case 'per-size': {
      const size = sizeBy(carrier.by, diameter);
      const ml = (size / toCm(carrier.each)) * toMl(carrier.volume.value, carrier.volume.unit);
      return {
        ml,
        sum: `${figure(size)} cm ${carrier.by} × ${figure(carrier.volume.value)} ${carrier.volume.unit} per ${figure(carrier.each.value)} ${carrier.each.unit}`,
        text: carrier.text,
        basin: null,
      };
    }
    case 'wet-basin': {
      const basin = bandArea(diameter, carrier.innerCm, carrier.outerCm);
      return {
        ml: basin * carrier.mm * 1000,
        sum: `${figure(basin)} m² basin × ${figure(carrier.mm)} mm`,
        text: carrier.text,
        basin,
      };
    }
  }
}

/**
 * The dose for one tree from a label's use: amount, carrier, sites, every limit and which one bound, and what to pour
 * from the outfit's vessels. Pure arithmetic in cm, mL and g; the result shows every step of the sum.
 *
 * Limits hold after rounding: a single-value rate is a maximum and is rounded down to a mark.
 * @returns faults with a path when a fact is missing or the label has no rate for this size
 * @example dose({ label, useKey: 'drench', diameters: [46.2], vessels })
 */
export function dose(input: DoseInput): Dose | DoseFault {
  const given = [
    input.treeYearProduct,
    input.applicationProduct,
    input.siteAreaM2,
    input.areaM2,
    input.holes,
    input.sprayVolumeMl,
    input.girthAtInjection,
    input.rangePoint,
    ...Object.values(input.treeYearActive ?? {}),
    ...Object.values(input.siteYearActive ?? {}),
  ];
  if (!given.every((x) => x === undefined || Number.isFinite(x))) return stop('', NOT_A_NUMBER);
  const worked = workOut(input);
  if (!worked.ok) return worked;
  const { exact, limited, product, pour, stockMl, actives, carrier, perSite } = worked;
  const figures = [
    exact,
    limited,
    product,
    pour.amount,
    stockMl ?? 0,
    carrier?.totalMl ?? 0,
    perSite?.product ?? 0,
    ...actives.map((a) => a.grams),
  ];
  // What is not a number passes every comparison with a limit: it must never pass as a dose.
  return figures.every(Number.isFinite) ? worked : stop('', NOT_A_NUMBER);
}

/** An own entry of a record; names that every object has are no entries. */
const entry = (of: Readonly<Record<string, number>> | undefined, name: string): number =>
  of && Object.hasOwn(of, name) ? of[name]! : 0;

function workOut(input: DoseInput): Dose | DoseFault {
  const { label } = input;
  const system = input.system ?? 'metric';
  const use = label.uses.find((u) => u.key === input.useKey);
  if (!use) return stop('useKey', `The label has no use called “${input.useKey}”.`);
  if (input.diameters.length === 0 || !input.diameters.every((d) => Number.isFinite(d) && d > 0 && d < 2000))
    return stop('diameters', 'The trunk has not been measured.');
  const several = input.diameters.length > 1;
  const stemRule: StemRule = use.rate.stems !== 'unanswered' ? use.rate.stems : (input.stemRule ?? 'basal-area');
  const steps: Step[] = [];
  const notes: string[] = [];
  if (several && use.rate.stems === 'unanswered' && !input.stemRule)
    notes.push(
      'The label does not say how several stems count; the basal-area equivalent was used until somebody chooses.',
    );

  // What goes by ground, holes or spray is the same for one stem or five.
  const bySize = !['area', 'hole', 'spray-volume'].includes(use.rate.basis.per);
  if (several && stemRule === 'each' && bySize) return eachStem(input, use, system);

  const diameter = several
    ? combinedDiameter(input.diameters, stemRule === 'each' ? 'basal-area' : stemRule)
    : input.diameters[0]!;
  const girth = girthFromDiameter(diameter);
  const len = (cm: number) => showTrunk(cm, system).text;
  if (several)
    steps.push({
      what: 'Several stems as one',
      sum:
        stemRule === 'basal-area'
          ? `√(${input.diameters.map((d) => `${len(d)}²`).join(' + ')})`
          : `${stemRule} of ${input.diameters.map(len).join(', ')}`,
      result: len(diameter),
      value: diameter,
      text: use.rate.text,
    });
  else steps.push({ what: 'Diameter', sum: `girth ${len(girth)} ÷ π`, result: len(diameter), value: diameter });

  for (const l of use.limits) {
    if (l.limit !== 'min-size' && l.limit !== 'max-size') continue;
    const size = sizeBy(l.by, diameter);
    const mark = l.size.value * LENGTH[l.size.unit];
    const beyond = l.limit === 'min-size' ? size < mark - 1e-9 : size > mark + 1e-9;
    if (beyond)
      return stop(
        `limits.${l.limit}`,
        `The label ${l.limit === 'min-size' ? 'starts at' : 'ends at'} ${figure(l.size.value)} ${l.size.unit} ${l.by}; this trunk has ${len(size)}. “${l.text}”`,
      );
  }

  let sites: SiteCount | null = null;
  if (use.sites && use.sites.count.rule !== 'volume-per-device') {
    const counted = countSites(
      use.sites,
      diameter,
      input.girthAtInjection ?? girth,
      null,
      system,
      input.girthAtInjection,
    );
    if (!counted) return stop('sites', 'The label’s table of sites has no class for this size.');
    sites = counted;
    steps.push({
      what: 'Injection sites',
      sum: sites.sum,
      result: `${sites.count} sites`,
      value: sites.count,
      text: use.sites.text,
    });
  }

  let point: RatePoint;
  if (use.rate.dose.form === 'flat') point = use.rate.dose.point;
  else {
    const found = pickClass(use.rate.dose.classes, diameter, (a, b) => (lowOf(a) <= lowOf(b) ? a : b));
    if (!found)
      return stop(
        'rate',
        `The label has no class for ${len(sizeBy(use.rate.dose.classes.by, diameter))} ${use.rate.dose.classes.by}.`,
      );
    point = found.entry;
    steps.push({
      what: 'Size class',
      sum: `${use.rate.dose.classes.by} ${len(sizeBy(use.rate.dose.classes.by, diameter))}`,
      result: `class ${found.name}`,
      value: sizeBy(use.rate.dose.classes.by, diameter),
      text: use.rate.text,
    });
    if (found.note) notes.push(found.note);
  }

  const basis = basisAmount(use, diameter, input, sites, system);
  if ('ok' in basis) return basis;
  const liquid = isLiquid(label);
  const dimension = liquid ? 'volume' : 'mass';
  const show = (v: number) => showAmount(v, dimension, system, 5).text;

  // From what the rate is an amount of, to product.
  const recipe = label.stock
    ? toBase(label.stock.concentrate.value, label.stock.concentrate.unit) /
      toMl(label.stock.madeUpTo.value, label.stock.madeUpTo.unit)
    : null;
  const rated = label.actives.find((a) => a.name === use.rate.active) ?? label.actives[0]!;
  const perUnit = activePerUnit(label, rated, liquid);
  const toProduct = (of: 'product' | 'stock' | 'active', v: number): number | null =>
    of === 'product'
      ? v
      : of === 'stock'
        ? recipe === null
          ? null
          : v * recipe
        : perUnit === null
          ? null
          : v / perUnit;
  const factor = toProduct(use.rate.of, 1);
  if (factor === null)
    return stop(
      'rate.of',
      use.rate.of === 'stock'
        ? 'The label has a stock rate but no recipe for the stock solution.'
        : `The concentration of ${rated.name} does not let a product amount be worked out; the density is missing.`,
    );

  const { low, high } = ends(point);
  const at = Math.min(1, Math.max(0, input.rangePoint ?? 0));
  const chosen = low + (high - low) * at;
  const amountOfRate = chosen * basis.times;
  const rateWords =
    point.kind === 'single'
      ? `${figure(point.value)} ${point.unit}`
      : `${figure(point.low + (point.high - point.low) * at)} ${point.unit} (range ${figure(point.low)}–${figure(point.high)})`;
  if (point.kind === 'range')
    notes.push(
      `${at === 0 ? 'Low end' : at === 1 ? 'High end' : 'A point'} of the label’s range${input.rangeReason ? `: ${input.rangeReason}` : `; the low end is for ${point.lowFor}, the high end for ${point.highFor}`}.`,
    );
  const rateDimension = point.unit in VOLUME ? 'volume' : 'mass';
  steps.push({
    what: use.rate.of === 'stock' ? 'Stock solution' : use.rate.of === 'active' ? 'Active ingredient' : 'Product',
    sum: `${rateWords} × ${basis.words}`,
    result: showAmount(amountOfRate, rateDimension, system, 6).text,
    value: amountOfRate,
    text: use.rate.text,
  });
  const exact = amountOfRate * factor;
  if (use.rate.of === 'stock')
    steps.push({
      what: 'Concentrate in it',
      sum: `× ${figure(label.stock!.concentrate.value)} ${label.stock!.concentrate.unit} ÷ ${figure(label.stock!.madeUpTo.value)} ${label.stock!.madeUpTo.unit}`,
      result: show(exact),
      value: exact,
      text: label.stock!.text,
    });
  if (use.rate.of === 'active')
    steps.push({
      what: 'Product that holds it',
      sum: `÷ ${figure(perUnit!)} g ${rated.name} per ${liquid ? 'mL' : 'g'}`,
      result: show(exact),
      value: exact,
    });

  // Limits, in product; the tightest holds.
  const bounds: Bound[] = [];
  for (const l of use.limits) {
    if (l.limit === 'min-size' || l.limit === 'max-size') continue;
    if (l.limit === 'per-area-year') {
      const a = label.actives.find((x) => x.name === l.active)!;
      const share = activePerUnit(label, a, liquid);
      if (share === null)
        return stop(
          'actives',
          `The concentration of ${a.name} in g/L or its density is missing, so the yearly cap cannot be checked.`,
        );
      if (input.siteAreaM2 === undefined)
        return stop('siteAreaM2', 'The label caps what an area may get in a year: enter the area of this place.');
      const capG = (toBase(l.amount.value, l.amount.unit) * input.siteAreaM2) / toM2(l.each.value, l.each.unit);
      const used = entry(input.siteYearActive, l.active);
      const allows = Math.max(0, (capG - used) / share);
      bounds.push({
        limit: l.limit,
        allows,
        bound: false,
        text: l.text,
        sentence: `${showMass(capG, system).text} of ${a.name} a year on this place, ${showMass(used, system).text} already used: ${show(allows)} of product left.`,
      });
      continue;
    }
    // A limit in active counts every active of the product together, and what any other label brought of them.
    const each = label.actives.map((a) => activePerUnit(label, a, liquid));
    const together = each.some((x) => x === null) ? null : each.reduce<number>((sum, x) => sum + x!, 0);
    const limitAmount = toBase(l.amount.value, l.amount.unit);
    const whole = l.of === 'active' ? together && limitAmount / together : toProduct(l.of, limitAmount);
    if (whole === null)
      return stop(`limits.${l.limit}`, 'This limit cannot be brought to product with what the label says.');
    const activeUsed = label.actives.reduce((sum, a) => sum + entry(input.treeYearActive, a.name), 0);
    const used =
      l.limit === 'per-tree-year'
        ? l.of === 'active' && input.treeYearActive
          ? activeUsed / together!
          : (input.treeYearProduct ?? 0)
        : l.limit === 'per-application'
          ? (input.applicationProduct ?? 0)
          : 0;
    const allows = Math.max(0, whole - used);
    const words = {
      'per-tree': 'A tree may get',
      'per-application': 'One application may use',
      'per-tree-year': 'A tree may get in a year',
    }[l.limit];
    bounds.push({
      limit: l.limit,
      allows,
      bound: false,
      text: l.text,
      sentence: `${words} ${show(whole)}${used ? `, ${show(used)} already used` : ''}.`,
    });
  }
  const tightest = bounds.reduce<Bound | null>((a, b) => (a === null || b.allows < a.allows ? b : a), null);
  const binding = tightest && tightest.allows < exact ? tightest : null;
  if (binding) binding.bound = true;
  const limited = binding ? binding.allows : exact;
  if (binding)
    steps.push({
      what: 'Held by the label’s limit',
      sum: binding.sentence,
      result: show(limited),
      value: limited,
      text: binding.text,
    });
  if (limited <= 0)
    return stop(`limits.${binding!.limit}`, `Nothing may be given: ${binding!.sentence} “${binding!.text}”`);

  const carrier = carrierVolume(use.carrier, diameter);
  if (carrier && 'ok' in carrier) return carrier;
  if (use.sites?.count.rule === 'volume-per-device') {
    // A device is filled with what goes into the tree: the mix where there is water with it, the stock where stock is dosed.
    const neat = use.rate.of === 'stock' && recipe ? limited / recipe : limited;
    const total = carrier ? Math.max(carrier.ml, neat) : neat;
    sites = countSites(use.sites, diameter, input.girthAtInjection ?? girth, total, system);
    if (!sites) return stop('sites', 'The number of devices cannot be worked out.');
    steps.push({
      what: 'Devices',
      sum: sites.sum,
      result: `${sites.count} sites`,
      value: sites.count,
      text: use.sites.text,
    });
  }

  // What is measured out: stock when the label doses stock, for each device when it is injected without a carrier.
  const what = use.rate.of === 'stock' ? 'stock' : 'product';
  const per = sites && !carrier ? 'site' : 'tree';
  const parts = per === 'site' ? sites!.count : 1;
  const toPour = (product: number) => (what === 'stock' ? product / recipe! : product) / parts;
  const range = { low: low * basis.times * factor, high: high * basis.times * factor };
  const pourDimension = what === 'stock' ? 'volume' : dimension;
  // A capsule comes filled: it is counted, never measured out.
  const measured: Measured =
    use.sites?.device === 'capsule'
      ? { amount: toPour(limited), vessel: null, fullFills: 0, lastMark: 0, differencePercent: 0 }
      : toMarks(
          toPour(limited),
          { low: toPour(range.low), high: toPour(range.high) },
          input.vessels.filter((v) => v.dimension === pourDimension),
          toPour(Math.min(range.high, tightest?.allows ?? Infinity)),
        );
  const poured = measured.vessel ? measured.amount : toPour(limited);
  const fromPour = (v: number) => (what === 'stock' ? v * recipe! : v) * parts;
  const product = Math.min(fromPour(poured), Math.min(range.high, tightest?.allows ?? Infinity));
  const pour = {
    ...measured,
    amount: poured,
    differencePercent: measured.vessel ? measured.differencePercent : 0,
    what: what as 'product' | 'stock',
    per: per as 'tree' | 'site',
  };
  const pourShow = (v: number) => showAmount(v, pourDimension, system, 5).text;
  if (per === 'site')
    steps.push({
      what: 'Each site',
      sum: `${pourShow(toPour(limited) * parts)} ÷ ${parts}`,
      result: pourShow(toPour(limited)),
      value: toPour(limited),
    });
  if (measured.vessel)
    steps.push({
      what: 'Measured',
      sum: `${measured.vessel.name}: ${measured.fullFills ? `${measured.fullFills} full${measured.lastMark ? ' and ' : ''}` : ''}${measured.lastMark ? `to ${pourShow(measured.lastMark)}` : ''}, ${figure(measured.differencePercent, 2)} %`,
      result: pourShow(poured),
      value: poured,
    });

  const stockMl = recipe ? (what === 'stock' ? poured * parts : null) : null;
  const actives = label.actives.flatMap((a) => {
    const share = activePerUnit(label, a, liquid);
    return share === null ? [] : [{ name: a.name, grams: product * share }];
  });
  for (const a of actives)
    steps.push({
      what: `Active, ${a.name}`,
      sum: `in ${show(product)}`,
      result: showMass(a.grams, system).text,
      value: a.grams,
    });
  const liquidIn = what === 'stock' ? (stockMl ?? 0) : liquid ? product : 0;
  const spray = use.rate.basis.per === 'spray-volume' ? input.sprayVolumeMl! : null;
  const outCarrier = spray
    ? {
        totalMl: spray,
        waterMl: Math.max(0, spray - liquidIn),
        mm: null,
        text: use.spray?.text ?? use.rate.text,
      }
    : carrier
      ? {
          totalMl: Math.max(carrier.ml, liquidIn),
          waterMl: Math.max(0, carrier.ml - liquidIn),
          mm: carrier.basin ? waterDepth(carrier.ml, carrier.basin) : null,
          text: carrier.text,
        }
      : null;
  if (carrier && outCarrier)
    steps.push({
      what: 'Fill with water to',
      sum: carrier.sum,
      result: showVolume(outCarrier.totalMl, system).text,
      value: outCarrier.totalMl,
      text: carrier.text,
    });
  const mixMl = outCarrier ? outCarrier.totalMl : what === 'stock' ? stockMl : liquid ? product : null;
  const eachMl = sites && mixMl !== null ? mixMl / sites.count : null;
  const holdsMl = use.sites?.deviceHolds ? toMl(use.sites.deviceHolds.value, use.sites.deviceHolds.unit) : null;
  const fills = eachMl !== null && holdsMl !== null ? Math.ceil(eachMl / holdsMl - 1e-9) : 1;
  if (fills > 1)
    notes.push(
      `Each site gets ${showVolume(eachMl!, system).text} and a device holds ${showVolume(holdsMl!, system).text}: ${fills} fills a site.`,
    );
  return {
    ok: true,
    dimension,
    fillsPerSite: fills,
    diameterCm: diameter,
    girthCm: girth,
    stemRule,
    exact,
    limited,
    product,
    pour,
    stockMl,
    actives,
    carrier: outCarrier,
    sites,
    perSite: sites ? { product: product / sites.count, mixMl: mixMl === null ? null : mixMl / sites.count } : null,
    range,
    bounds,
    binding,
    steps,
    notes,
  };
}

/** Each stem dosed as a tree of its own, then added up; a yearly or job limit is handed on from stem to stem. */
function eachStem(input: DoseInput, use: LabelUse, system: UnitSystem): Dose | DoseFault {
  const parts: Dose[] = [];
  let used = 0;
  const usedActive: Record<string, number> = { ...input.siteYearActive };
  const perTree = use.limits.some((l) => l.limit === 'per-tree');
  for (const [i, d] of input.diameters.entries()) {
    const one = dose({
      ...input,
      diameters: [d],
      treeYearProduct: (input.treeYearProduct ?? 0) + used,
      applicationProduct: (input.applicationProduct ?? 0) + used,
      siteYearActive: usedActive,
      girthAtInjection: undefined,
    });
    if (!one.ok)
      return {
        ok: false,
        faults: one.faults.map((f) => ({ path: `diameters.${i}.${f.path}`, sentence: `Stem ${i + 1}: ${f.sentence}` })),
      };
    parts.push(one);
    used += one.product;
    for (const a of one.actives) usedActive[a.name] = (usedActive[a.name] ?? 0) + a.grams;
  }
  const first = parts[0]!;
  const add = (f: (d: Dose) => number) => parts.reduce((a, d) => a + f(d), 0);
  // The label's maximum for a tree still counts for the whole tree.
  const treeMax = perTree
    ? Math.min(...parts.map((p) => p.bounds.find((b) => b.limit === 'per-tree')!.allows))
    : Infinity;
  // Sums of decimals miss their mark by a hair; the hair is cut off, never given.
  if (add((d) => d.product) > treeMax * (1 + 1e-9))
    return stop(
      'limits.per-tree',
      `The stems together would get more than the label allows one tree (${showAmount(treeMax, first.dimension, system).text}).`,
    );
  const diameter = combinedDiameter(input.diameters, 'basal-area');
  const sites = first.sites
    ? { count: add((d) => d.sites!.count), sum: parts.map((d) => d.sites!.count).join(' + ') }
    : null;
  const product = Math.min(
    add((d) => d.product),
    treeMax,
  );
  const mix = first.perSite?.mixMl === null || !first.perSite ? null : add((d) => d.perSite!.mixMl! * d.sites!.count);
  return {
    ...first,
    diameterCm: diameter,
    girthCm: girthFromDiameter(diameter),
    stemRule: 'each',
    exact: add((d) => d.exact),
    limited: add((d) => d.limited),
    product,
    pour: {
      ...first.pour,
      amount: add((d) => d.pour.amount * (d.pour.per === 'site' ? d.sites!.count : 1)),
      vessel: null,
      per: 'tree',
      fullFills: 0,
      lastMark: 0,
      advice: `Measure each stem by itself: ${parts.map((d) => showAmount(d.pour.amount, d.dimension, system).text).join(', ')}.`,
    },
    stockMl: first.stockMl === null ? null : add((d) => d.stockMl!),
    actives: first.actives.map((a, i) => ({ name: a.name, grams: add((d) => d.actives[i]!.grams) })),
    carrier: first.carrier
      ? { ...first.carrier, totalMl: add((d) => d.carrier!.totalMl), waterMl: add((d) => d.carrier!.waterMl) }
      : null,
    sites,
    perSite: sites ? { product: product / sites.count, mixMl: mix === null ? null : mix / sites.count } : null,
    range: { low: add((d) => d.range.low), high: add((d) => d.range.high) },
    binding: parts.find((d) => d.binding)?.binding ?? null,
    steps: parts.flatMap((d, i) => d.steps.map((s) => ({ ...s, what: `Stem ${i + 1}: ${s.what}` }))),
    notes: ['Each stem is dosed as a tree of its own.', ...new Set(parts.flatMap((d) => d.notes))],
  };
}
