import { toMarks, type Measured } from './vessels';
import type { SiteCount } from '../ring/count';
import { figure, showAmount } from '../../lib/units/units';
import type { Dose, Job } from './types';

export interface Poured {
  product: number;
  pour: Dose['pour'];
  /** Stock solution for the tree, mL; null where none is dosed. */
  stockMl: number | null;
}

/**
 * What is measured out with the company's vessels: stock where the label doses stock, for each device where it is injected
 * without a carrier. Rounded to marks, never above the rate's range or a limit.
 * @param most product that no limit lets pass
 */
export function pourOut(
  job: Job,
  dosed: { limited: number; range: { low: number; high: number }; most: number },
  sites: SiteCount | null,
  neat: boolean,
): Poured {
  const { use, input, recipe, dimension, steps } = job;
  const { limited, range, most } = dosed;
  const what = use.rate.of === 'stock' ? 'stock' : 'product';
  const per = sites && neat ? 'site' : 'tree';
  const parts = per === 'site' ? sites!.count : 1;
  const unit = what === 'stock' ? recipe! : 1;
  const toPour = (product: number) => product / unit / parts;
  const top = Math.min(range.high, most);
  const pourDimension = what === 'stock' ? 'volume' : dimension;
  // A capsule comes filled: it is counted, never measured out.
  const measured: Measured =
    use.sites?.device === 'capsule'
      ? { amount: toPour(limited), vessel: null, fullFills: 0, lastMark: 0, differencePercent: 0 }
      : toMarks(
          toPour(limited),
          { low: toPour(range.low), high: toPour(range.high) },
          input.vessels.filter((v) => v.dimension === pourDimension),
          toPour(top),
        );
  const amount = measured.vessel ? measured.amount : toPour(limited);
  const show = (v: number) => showAmount(v, pourDimension, job.system, 5).text;
  if (per === 'site')
    steps.push({
      what: 'Each site',
      sum: `${show(toPour(limited) * parts)} ÷ ${parts}`,
      result: show(toPour(limited)),
      value: toPour(limited),
    });
  if (measured.vessel)
    steps.push({
      what: 'Measured',
      sum: `${measured.vessel.name}: ${marksOf(measured, show)}, ${figure(measured.differencePercent, 2)} %`,
      result: show(amount),
      value: amount,
    });
  return {
    product: Math.min(amount * unit * parts, top),
    pour: { ...measured, amount, differencePercent: measured.vessel ? measured.differencePercent : 0, what, per },
    stockMl: what === 'stock' ? amount * parts : null,
  };
}

/** Full fills and the mark of the last, in words. */
function marksOf({ fullFills, lastMark }: Measured, show: (v: number) => string): string {
  const full = fullFills ? `${fullFills} full${lastMark ? ' and ' : ''}` : '';
  return `${full}${lastMark ? `to ${show(lastMark)}` : ''}`;
}
