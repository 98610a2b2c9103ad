import type { LabelUse } from '../label/schema';
import { combinedDiameter, girthFromDiameter } from '../measure/trunk';
import { showAmount } from '../../lib/units/units';
import { noDose, type Dose, type DoseIssue, type DoseInput } from './types';

/**
 * Each stem dosed as a tree of its own, then added up; a yearly or job limit is handed on from stem to stem.
 * @param dose works out one stem
 */
export function eachStem(
  input: DoseInput,
  use: LabelUse,
  dose: (one: DoseInput) => Dose | DoseIssue,
): Dose | DoseIssue {
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
        issues: one.issues.map((f) => ({ path: `diameters.${i}.${f.path}`, message: `Stem ${i + 1}: ${f.message}` })),
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
    return noDose(
      'limits.per-tree',
      `The stems together would get more than the label allows one tree (${showAmount(treeMax, first.dimension, input.system ?? 'metric').text}).`,
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
      advice: `Measure each stem by itself: ${parts.map((d) => showAmount(d.pour.amount, d.dimension, input.system ?? 'metric').text).join(', ')}.`,
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
