import { activePerUnit } from '../label/match';
import type { LabelUse } from '../label/schema';
import { showAmount, showMass, toBase, toM2 } from '../../lib/units/units';
import { inProduct } from './rate';
import { failed, noDose, type Bound, type DoseIssue, type Job } from './types';

type Limit = LabelUse['limits'][number];
type AreaLimit = Extract<Limit, { limit: 'per-area-year' }>;
type TreeLimit = Exclude<Limit, { limit: 'per-area-year' | 'min-size' | 'max-size' }>;

/** An own entry of a record; names that every object has are no entries. */
const entry = (of: Readonly<Record<string, number>> | undefined, name: string): number =>
  of && Object.hasOwn(of, name) ? of[name]! : 0;

/** What an area may still get of an active this year, as product. */
function areaBound({ label, input, system, dimension, liquid }: Job, l: AreaLimit): Bound | DoseIssue {
  const active = label.actives.find((x) => x.name === l.active)!;
  const share = activePerUnit(label, active, liquid);
  if (share === null)
    return noDose(
      'actives',
      `The concentration of ${active.name} in g/L or its density is missing, so the yearly cap cannot be checked.`,
    );
  if (input.siteAreaM2 === undefined)
    return noDose('siteAreaM2', 'The label caps what an area may get in a year: enter the area of this place.');
  const capG = (toBase(l.amount.value, l.amount.unit) * input.siteAreaM2) / toM2(l.each.value, l.each.unit);
  const used = entry(input.siteYearActive, l.active);
  const allows = Math.max(0, (capG - used) / share);
  const left = showAmount(allows, dimension, system, 5).text;
  return {
    limit: l.limit,
    allows,
    bound: false,
    text: l.text,
    sentence: `${showMass(capG, system).text} of ${active.name} a year on this place, ${showMass(used, system).text} already used: ${left} of product left.`,
  };
}

const LIMIT_WORDS = {
  'per-tree': 'A tree may get',
  'per-application': 'One application may use',
  'per-tree-year': 'A tree may get in a year',
} as const;

/** What a tree or a job may still get, as product. */
function treeBound(job: Job, l: TreeLimit): Bound | DoseIssue {
  const { label, input, system, dimension, liquid } = job;
  // A limit in active counts every active of the product together, and what any other label brought of them.
  const each = label.actives.map((a) => activePerUnit(label, a, liquid));
  const together = each.some((x) => x === null) ? null : each.reduce<number>((sum, x) => sum + x!, 0);
  const amount = toBase(l.amount.value, l.amount.unit);
  const whole = l.of === 'active' ? together && amount / together : inProduct(job, l.of, amount);
  if (whole === null)
    return noDose(`limits.${l.limit}`, 'This limit cannot be brought to product with what the label says.');
  const used = {
    'per-tree': 0,
    'per-application': input.applicationProduct ?? 0,
    'per-tree-year':
      l.of === 'active' && input.treeYearActive
        ? label.actives.reduce((sum, a) => sum + entry(input.treeYearActive, a.name), 0) / together!
        : (input.treeYearProduct ?? 0),
  }[l.limit];
  const show = (v: number) => showAmount(v, dimension, system, 5).text;
  return {
    limit: l.limit,
    allows: Math.max(0, whole - used),
    bound: false,
    text: l.text,
    sentence: `${LIMIT_WORDS[l.limit]} ${show(whole)}${used ? `, ${show(used)} already used` : ''}.`,
  };
}

/**
 * Every limit of the label, in product; the tightest holds, and is named where it bound.
 * @returns what may be given of `exact`, and what no pouring may pass
 */
export function limit(
  job: Job,
  exact: number,
): { bounds: Bound[]; binding: Bound | null; limited: number; most: number } | DoseIssue {
  const bounds: Bound[] = [];
  for (const l of job.use.limits) {
    if (l.limit === 'min-size' || l.limit === 'max-size') continue;
    const bound = l.limit === 'per-area-year' ? areaBound(job, l) : treeBound(job, l);
    if (failed(bound)) return bound;
    bounds.push(bound);
  }
  const tightest = bounds.reduce<Bound | null>((a, b) => (a === null || b.allows < a.allows ? b : a), null);
  const binding = tightest && tightest.allows < exact ? tightest : null;
  const limited = binding ? binding.allows : exact;
  if (binding) {
    binding.bound = true;
    job.steps.push({
      what: 'Held by the label’s limit',
      sum: binding.sentence,
      result: showAmount(limited, job.dimension, job.system, 5).text,
      value: limited,
      text: binding.text,
    });
  }
  if (limited <= 0)
    return noDose(`limits.${binding!.limit}`, `Nothing may be given: ${binding!.sentence} “${binding!.text}”`);
  return { bounds, binding, limited, most: tightest?.allows ?? Infinity };
}
