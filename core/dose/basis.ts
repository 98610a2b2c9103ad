import type { LabelUse } from '../label/schema';
import { girthFromDiameter } from '../measure/trunk';
import type { SiteCount } from '../ring/count';
import { figure, showTrunk, showVolume, toCm, toM2, toMl } from '../../lib/units/units';
import { noDose, type DoseIssue, type Job } from './types';

/** How much of the rate's basis there is: cm of diameter over the label's step, sites, holes, m², mL of spray. */
export function basisAmount(
  { use, diameter, input, system }: Job,
  sites: SiteCount | null,
): { times: number; words: string } | DoseIssue {
  const { basis }: LabelUse['rate'] = use.rate;
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
        : noDose('sites', 'The number of sites is not known.');
    case 'hole':
      return input.holes
        ? { times: input.holes, words: `${input.holes} holes` }
        : noDose('holes', 'The crown has not been measured, so the probe holes cannot be placed.');
    case 'area':
      return input.areaM2
        ? {
            times: input.areaM2 / toM2(basis.each.value, basis.each.unit),
            words: `${figure(input.areaM2)} m², per ${each(basis.each)}`,
          }
        : noDose('areaM2', 'The crown has not been measured, so the treated ground is not known.');
    case 'spray-volume':
      return input.sprayVolumeMl
        ? {
            times: input.sprayVolumeMl / toMl(basis.each.value, basis.each.unit),
            words: `${showVolume(input.sprayVolumeMl, system).text} of spray, per ${each(basis.each)}`,
          }
        : noDose('sprayVolumeMl', 'Crown or height has not been measured, so the spray volume is not known.');
  }
}
