import type { Label } from './schema';
import { VOLUME } from '../../lib/units/units';

/** A product is measured by volume unless a rate, the stock recipe or a mass fraction without density says it is a powder. */
export function isLiquid(label: Pick<Label, 'actives' | 'densityGPerMl' | 'stock' | 'uses'>): boolean {
  if (label.stock) return label.stock.concentrate.unit in VOLUME;
  const rate = label.uses.find((u) => u.rate.of === 'product')?.rate;
  if (rate) {
    const point = rate.dose.form === 'flat' ? rate.dose.point : rate.dose.classes.bands[0]!.entry;
    return point.unit in VOLUME;
  }
  return label.actives[0]!.gPerL !== undefined || label.densityGPerMl !== undefined;
}
