import { LENGTH, showAmount, toBase, VOLUME } from '../../lib/units/units';
import type { Label, LabelUse } from './schema';

export interface LabelDoubt {
  /** Place in the label, as a fault of its schema would name it. */
  path: (string | number)[];
  message: string;
}

/** The least that the rate can come to, in base units, for one step, piece or the smallest trunk allowed; null where it goes by ground or spray. */
function leastDose(u: LabelUse): number | null {
  const { basis, dose } = u.rate;
  if (basis.per === 'area' || basis.per === 'spray-volume') return null;
  const points = dose.form === 'flat' ? [dose.point] : dose.classes.bands.map((b) => b.entry);
  const low = Math.min(...points.map((p) => toBase(p.kind === 'single' ? p.value : p.low, p.unit)));
  const smallest = u.limits.find((l) => l.limit === 'min-size' && l.by === basis.per);
  const steps =
    'each' in basis && smallest && 'size' in smallest
      ? (smallest.size.value * LENGTH[smallest.size.unit]) / (basis.each.value * LENGTH[basis.each.unit])
      : 1;
  return low * Math.max(1, steps);
}

/** What a label may say and hardly ever means: slips of the pen that no schema can forbid. */
export function labelDoubts(label: Label): LabelDoubt[] {
  return label.uses.flatMap((u, i) => {
    const least = leastDose(u);
    return u.limits.flatMap((l, j): LabelDoubt[] => {
      if (least === null || !('of' in l) || l.of !== u.rate.of) return [];
      const most = toBase(l.amount.value, l.amount.unit);
      if (most >= least * (1 - 1e-9)) return [];
      const show = (x: number) => showAmount(x, l.amount.unit in VOLUME ? 'volume' : 'mass', 'metric').text;
      return [
        {
          path: ['uses', i, 'limits', j, 'amount'],
          message: `the limit of ${show(most)} lies below the rate, which is ${show(least)} at least: no tree could get it`,
        },
      ];
    });
  });
}
