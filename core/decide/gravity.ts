import type { Condition } from '../diagnose/knowledge';

/**
 * How much is lost where a condition is overlooked: 3 where others are at stake too (reportable, gas), 2 where it is the tree or
 * whoever stands below it, 1 where it is a season, 0 where it is nothing or a nuisance.
 */
export function gravity(c: Condition): 0 | 1 | 2 | 3 {
  if (c.reportable || c.nature.includes('gas') || c.nature.includes('no cut')) return 3;
  if (c.kind === 'harmless' || c.policy === 'leave' || (c.policy === 'relieve' && !c.hazard)) return 0;
  return c.hazard || c.policy === 'manage' || c.policy === 'driver' ? 2 : 1;
}

/** What stands on many trees and costs hardly one of them: it never decides alone where something grave may stand beside it. */
export const isTrivial = (c: Condition): boolean =>
  gravity(c) === 0 || (c.kind === 'mechanical' && c.policy === 'restore') || c.id === 'water-shoots';
