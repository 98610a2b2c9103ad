import { activePerUnit } from '../label/match';
import type { StemRule } from '../measure/trunk';
import { figure, showAmount, showMass, showVolume, toMl } from '../../lib/units/units';
import { carrierVolume, filledUp } from './carrier';
import { limit } from './limits';
import { pourOut } from './pour';
import { rateOf } from './rate';
import { eachStem } from './stems';
import { openJob, outsideLabel, sitesBySize, sitesByVolume } from './trunk';
import { failed, noDose, type Dose, type DoseIssue, type DoseInput, type Job } from './types';

export type { Bound, Dose, DoseIssue, DoseInput, Step } from './types';

/**
 * What goes into a trunk on which not every site fits: as much a site, and so much less in all. The rule of the label for
 * the number of sites is not met then; a gate says so.
 * @param placed sites that fit
 */
export function atPlacedSites(dose: Dose, placed: number): Dose {
  if (!dose.sites || placed === 0 || placed >= dose.sites.count) return dose;
  const share = placed / dose.sites.count;
  const of = (x: number) => x * share;
  return {
    ...dose,
    product: of(dose.product),
    stockMl: dose.stockMl === null ? null : of(dose.stockMl),
    actives: dose.actives.map((a) => ({ ...a, grams: of(a.grams) })),
    carrier: dose.carrier && { ...dose.carrier, totalMl: of(dose.carrier.totalMl), waterMl: of(dose.carrier.waterMl) },
    sites: { ...dose.sites, count: placed },
    steps: [
      ...dose.steps,
      {
        what: 'Only the sites that fit',
        sum: `${placed} of ${dose.sites.count} sites`,
        result: `${figure(of(dose.product))} ${dose.dimension === 'volume' ? 'mL' : 'g'}`,
        value: of(dose.product),
      },
    ],
  };
}

const NOT_A_NUMBER = 'A figure that this dose rests on is not a number. Nothing is dosed on it.';

/**
 * The dose for one tree from a label's use: amount, carrier, sites, every limit and which one bound, and what to pour
 * from the company's vessels. Pure arithmetic in cm, mL and g; the result shows every step of the sum.
 *
 * Limits hold after rounding: a single-value rate is a maximum and is rounded down to a mark.
 * @returns issues with a path when a fact is missing or the label has no rate for this size
 * @example dose({ label, useKey: 'drench', diameters: [46.2], vessels })
 */
export function dose(input: DoseInput): Dose | DoseIssue {
  const given = [
    input.treeYearProduct,
    input.applicationProduct,
    input.siteAreaM2,
    input.areaM2,
    input.holes,
    input.sprayVolumeMl,
    input.girthAtInjection,
    input.rangePoint,
    input.part,
    ...Object.values(input.treeYearActive ?? {}),
    ...Object.values(input.siteYearActive ?? {}),
  ];
  if (!given.every((x) => x === undefined || Number.isFinite(x))) return noDose('', NOT_A_NUMBER);
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
  return figures.every(Number.isFinite) ? worked : noDose('', NOT_A_NUMBER);
}

/** What goes by ground, holes or spray is the same for one stem or five. */
const BY_GROUND = ['area', 'hole', 'spray-volume'];

function workOut(input: DoseInput): Dose | DoseIssue {
  const use = input.label.uses.find((u) => u.key === input.useKey);
  if (!use) return noDose('useKey', `The label has no use called “${input.useKey}”.`);
  if (input.diameters.length === 0 || !input.diameters.every((d) => Number.isFinite(d) && d > 0 && d < 2000))
    return noDose('diameters', 'The trunk has not been measured.');
  const stemRule: StemRule = use.rate.stems !== 'unanswered' ? use.rate.stems : (input.stemRule ?? 'basal-area');
  return input.diameters.length > 1 && stemRule === 'each' && !BY_GROUND.includes(use.rate.basis.per)
    ? eachStem(input, use, dose)
    : oneTrunk(openJob(input, use, stemRule), input);
}

/** The sum for one trunk: sites, rate, limits, carrier, what is poured, what each site gets. */
function oneTrunk(job: Job, input: Pick<DoseInput, 'part'>): Dose | DoseIssue {
  const outside = outsideLabel(job);
  if (outside) return outside;
  const bySize = sitesBySize(job);
  if (failed(bySize)) return bySize;
  const rate = rateOf(job, bySize);
  if (failed(rate)) return rate;
  const part = input.part ?? 1;
  if (!(part > 0 && part <= 1))
    return noDose('part', 'The rest of a dose is more than nothing and no more than all of it.');
  // What is in the tree already is not put in twice, and what the year still allows is for the rest alone.
  const exact = rate.exact * part;
  if (part < 1)
    job.steps.push({
      what: 'The rest that did not go in',
      sum: `${figure(100 * part, 3)} % of ${figure(rate.exact)} ${job.dimension === 'volume' ? 'mL' : 'g'}`,
      result: showAmount(exact, job.dimension, job.system).text,
      value: exact,
    });
  const held = limit(job, exact);
  if (failed(held)) return held;
  const full = carrierVolume(job.use.carrier, job.diameter);
  if (failed(full)) return full;
  const carrier = full && { ...full, ml: full.ml * part };
  // A device is filled with what goes into the tree: the mix where there is water with it, the stock where stock is dosed.
  const neatMl = job.use.rate.of === 'stock' && job.recipe ? held.limited / job.recipe : held.limited;
  const sites =
    job.use.sites?.count.rule === 'volume-per-device'
      ? sitesByVolume(job, carrier ? Math.max(carrier.ml, neatMl) : neatMl)
      : bySize;
  if (failed(sites)) return sites;
  const { product, pour, stockMl } = pourOut(job, { ...held, range: rate.range }, sites, !carrier);
  const actives = activesIn(job, product);
  const neat = pour.what === 'stock' ? stockMl : job.liquid ? product : null;
  const filled = filledUp(job, carrier, neat ?? 0);
  const mixMl = filled ? filled.totalMl : neat;
  const eachMl = sites && mixMl !== null ? mixMl / sites.count : null;
  return {
    ok: true,
    dimension: job.dimension,
    fillsPerSite: fillsOf(job, eachMl),
    diameterCm: job.diameter,
    girthCm: job.girth,
    stemRule: job.stemRule,
    exact,
    limited: held.limited,
    product,
    pour,
    stockMl,
    actives,
    carrier: filled,
    sites,
    perSite: sites && { product: product / sites.count, mixMl: eachMl },
    range: rate.range,
    bounds: held.bounds,
    binding: held.binding,
    steps: job.steps,
    notes: job.notes,
  };
}

/** Grams of each active in the product; an active of unknown concentration is left out. */
function activesIn({ label, liquid, dimension, system, steps }: Job, product: number): Dose['actives'] {
  const actives = label.actives.flatMap((a) => {
    const share = activePerUnit(label, a, liquid);
    return share === null ? [] : [{ name: a.name, grams: product * share }];
  });
  for (const a of actives)
    steps.push({
      what: `Active, ${a.name}`,
      sum: `in ${showAmount(product, dimension, system, 5).text}`,
      result: showMass(a.grams, system).text,
      value: a.grams,
    });
  return actives;
}

/** How often a device is filled for its site. */
function fillsOf({ use, system, notes }: Job, eachMl: number | null): number {
  const holds = use.sites?.deviceHolds;
  if (eachMl === null || !holds) return 1;
  const holdsMl = toMl(holds.value, holds.unit);
  const fills = Math.ceil(eachMl / holdsMl - 1e-9);
  if (fills > 1)
    notes.push(
      `Each site gets ${showVolume(eachMl, system).text} and a device holds ${showVolume(holdsMl, system).text}: ${fills} fills a site.`,
    );
  return fills;
}
