import { isLiquid } from '../label/liquid';
import { sizeBy } from '../label/match';
import type { LabelUse } from '../label/schema';
import { combinedDiameter, girthFromDiameter, type StemRule } from '../measure/trunk';
import { countSites, type SiteCount } from '../ring/count';
import { figure, LENGTH, showTrunk, toBase, toMl } from '../../lib/units/units';
import { noDose, type DoseIssue, type DoseInput, type Job } from './types';

/** Opens the sum: the trunk, or several stems as one by the label's rule, the one chosen, or their basal area. */
export function openJob(input: DoseInput, use: LabelUse, stemRule: StemRule): Job {
  const { label } = input;
  const system = input.system ?? 'metric';
  const len = (cm: number) => showTrunk(cm, system).text;
  const several = input.diameters.length > 1;
  const diameter = several
    ? combinedDiameter(input.diameters, stemRule === 'each' ? 'basal-area' : stemRule)
    : input.diameters[0]!;
  const girth = girthFromDiameter(diameter);
  const stems = input.diameters;
  const step = several
    ? {
        what: 'Several stems as one',
        sum:
          stemRule === 'basal-area'
            ? `√(${stems.map((d) => `${len(d)}²`).join(' + ')})`
            : `${stemRule} of ${stems.map(len).join(', ')}`,
        text: use.rate.text,
      }
    : { what: 'Diameter', sum: `girth ${len(girth)} ÷ π` };
  const liquid = isLiquid(label);
  return {
    input,
    label,
    use,
    system,
    liquid,
    dimension: liquid ? 'volume' : 'mass',
    diameter,
    girth,
    stemRule,
    recipe: label.stock
      ? toBase(label.stock.concentrate.value, label.stock.concentrate.unit) /
        toMl(label.stock.madeUpTo.value, label.stock.madeUpTo.unit)
      : null,
    steps: [{ ...step, result: len(diameter), value: diameter }],
    notes:
      several && use.rate.stems === 'unanswered' && !input.stemRule
        ? ['The label does not say how several stems count; the basal-area equivalent was used until somebody chooses.']
        : [],
  };
}

/** The fault of a trunk below or above the sizes that the label serves; null where it serves it. */
export function outsideLabel({ use, diameter, system }: Job): DoseIssue | null {
  for (const l of use.limits) {
    if (l.limit !== 'min-size' && l.limit !== 'max-size') continue;
    const size = sizeBy(l.by, diameter);
    const mark = l.size.value * LENGTH[l.size.unit];
    const beyond = l.limit === 'min-size' ? size < mark - 1e-9 : size > mark + 1e-9;
    if (beyond)
      return noDose(
        `limits.${l.limit}`,
        `The label ${l.limit === 'min-size' ? 'starts at' : 'ends at'} ${figure(l.size.value)} ${l.size.unit} ${l.by}; this trunk has ${showTrunk(size, system).text}. “${l.text}”`,
      );
  }
  return null;
}

/** How many sites the trunk gets by its size; null where the label drills none, or counts them by what they must hold. */
export function sitesBySize({ use, diameter, girth, input, system, steps }: Job): SiteCount | null | DoseIssue {
  if (!use.sites || use.sites.count.rule === 'volume-per-device') return null;
  const sites = countSites({
    rule: use.sites,
    diameter,
    girthAtInjection: input.girthAtInjection ?? girth,
    total: null,
    system,
    measuredThere: input.girthAtInjection,
  });
  if (!sites) return noDose('sites', 'The label’s table of sites has no class for this size.');
  steps.push({
    what: 'Injection sites',
    sum: sites.sum,
    result: `${sites.count} sites`,
    value: sites.count,
    text: use.sites.text,
  });
  return sites;
}

/** How many devices of one fill the volume needs. */
export function sitesByVolume(job: Job, totalMl: number): SiteCount | DoseIssue {
  const { use, diameter, girth, input, system, steps } = job;
  const sites = countSites({
    rule: use.sites!,
    diameter,
    girthAtInjection: input.girthAtInjection ?? girth,
    total: totalMl,
    system,
  });
  if (!sites) return noDose('sites', 'The number of devices cannot be worked out.');
  steps.push({
    what: 'Devices',
    sum: sites.sum,
    result: `${sites.count} sites`,
    value: sites.count,
    text: use.sites!.text,
  });
  return sites;
}
