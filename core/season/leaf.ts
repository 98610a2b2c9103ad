import type { LeafState } from '../diagnose/words';

/**
 * What the leaves usually do in a month: a first guess for temperate broadleaves of which nobody can say more, corrected at the tree.
 * @param month 1 to 12
 * @param latitude degrees, south negative: the seasons there are turned by half a year
 */
export function usualLeaf(month: number, evergreen: boolean, latitude: number): LeafState {
  if (evergreen) return 'full';
  const m = latitude < 0 ? ((month + 5) % 12) + 1 : month;
  if (m === 4) return 'unfolding';
  if (m >= 5 && m <= 9) return 'full';
  return m === 10 || m === 11 ? 'falling' : 'leafless';
}
