import type { NorthernMonth } from '../../lib/calendar/months';
import type { LeafState } from './leaf-state';

/**
 * What the leaves usually do in a month: a first guess for temperate broadleaves of which nobody can say more, corrected at the tree.
 */
export function usualLeaf(month: NorthernMonth, evergreen: boolean): LeafState {
  if (evergreen) return 'full';
  if (month === 4) return 'unfolding';
  if (month >= 5 && month <= 9) return 'full';
  return month === 10 || month === 11 ? 'falling' : 'leafless';
}
