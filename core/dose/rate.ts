import { activePerUnit, pickClass, sizeBy } from '../label/match';
import type { RatePoint } from '../label/schema';
import type { SiteCount } from '../ring/count';
import { figure, showAmount, showTrunk, toBase, VOLUME } from '../../lib/units/units';
import { basisAmount } from './basis';
import { failed, noDose, type DoseIssue, type Job } from './types';

const lowOf = (p: RatePoint) => (p.kind === 'single' ? p.value : p.low);
const ends = (p: RatePoint) => {
  const to = (v: number) => toBase(v, p.unit);
  return p.kind === 'single' ? { low: to(p.value), high: to(p.value) } : { low: to(p.low), high: to(p.high) };
};

/** What a label says in product, stock or active, in product; null where a concentration or a recipe is missing. */
export function inProduct({ label, use, liquid, recipe }: Job, of: 'product' | 'stock' | 'active', amount: number) {
  if (of === 'product') return amount;
  if (of === 'stock') return recipe === null ? null : amount * recipe;
  const perUnit = activePerUnit(label, ratedActive({ label, use }), liquid);
  return perUnit === null ? null : amount / perUnit;
}

/** The active that the rate is an amount of. */
const ratedActive = ({ label, use }: Pick<Job, 'label' | 'use'>) =>
  label.actives.find((a) => a.name === use.rate.active) ?? label.actives[0]!;

/** The rate for a trunk of this size. */
function pointOf({ use, diameter, system, steps, notes }: Job): RatePoint | DoseIssue {
  const { dose } = use.rate;
  if (dose.form === 'flat') return dose.point;
  const size = sizeBy(dose.classes.by, diameter);
  const words = showTrunk(size, system).text;
  const found = pickClass(dose.classes, diameter, (a, b) => (lowOf(a) <= lowOf(b) ? a : b));
  if (!found) return noDose('rate', `The label has no class for ${words} ${dose.classes.by}.`);
  steps.push({
    what: 'Size class',
    sum: `${dose.classes.by} ${words}`,
    result: `class ${found.name}`,
    value: size,
    text: use.rate.text,
  });
  if (found.note) notes.push(found.note);
  return found.entry;
}

/** Where in its range the rate is taken, and why. */
function choosePoint({ input, notes }: Job, point: RatePoint): { at: number; words: string } {
  const at = Math.min(1, Math.max(0, input.rangePoint ?? 0));
  if (point.kind === 'single') return { at, words: `${figure(point.value)} ${point.unit}` };
  const where = at === 0 ? 'Low end' : at === 1 ? 'High end' : 'A point';
  const why = input.rangeReason
    ? `: ${input.rangeReason}`
    : `; the low end is for ${point.lowFor}, the high end for ${point.highFor}`;
  notes.push(`${where} of the label’s range${why}.`);
  const chosen = figure(point.low + (point.high - point.low) * at);
  return { at, words: `${chosen} ${point.unit} (range ${figure(point.low)}–${figure(point.high)})` };
}

const RATED = { product: 'Product', stock: 'Stock solution', active: 'Active ingredient' } as const;

/**
 * What the label's rate asks for on this trunk, before any limit.
 * @returns exact product and the rate's own range, in product base units
 */
export function rateOf(
  job: Job,
  sites: SiteCount | null,
): { exact: number; range: { low: number; high: number } } | DoseIssue {
  const { label, use, system, dimension, liquid, steps } = job;
  const point = pointOf(job);
  if (failed(point)) return point;
  const basis = basisAmount(job, sites);
  if (failed(basis)) return basis;
  const rated = ratedActive(job);
  const factor = inProduct(job, use.rate.of, 1);
  if (factor === null)
    return noDose(
      'rate.of',
      use.rate.of === 'stock'
        ? 'The label has a stock rate but no recipe for the stock solution.'
        : `The concentration of ${rated.name} does not let a product amount be worked out; the density is missing.`,
    );
  const { low, high } = ends(point);
  const { at, words } = choosePoint(job, point);
  const amount = (low + (high - low) * at) * basis.times;
  steps.push({
    what: RATED[use.rate.of],
    sum: `${words} × ${basis.words}`,
    result: showAmount(amount, point.unit in VOLUME ? 'volume' : 'mass', system, 6).text,
    value: amount,
    text: use.rate.text,
  });
  const exact = amount * factor;
  const result = showAmount(exact, dimension, system, 5).text;
  if (use.rate.of === 'stock') {
    const { concentrate, madeUpTo, text } = label.stock!;
    steps.push({
      what: 'Concentrate in it',
      sum: `× ${figure(concentrate.value)} ${concentrate.unit} ÷ ${figure(madeUpTo.value)} ${madeUpTo.unit}`,
      result,
      value: exact,
      text,
    });
  }
  if (use.rate.of === 'active')
    steps.push({
      what: 'Product that holds it',
      sum: `÷ ${figure(activePerUnit(label, rated, liquid)!)} g ${rated.name} per ${liquid ? 'mL' : 'g'}`,
      result,
      value: exact,
    });
  return { exact, range: { low: low * basis.times * factor, high: high * basis.times * factor } };
}
