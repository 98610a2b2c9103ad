import { localMonth } from '../../lib/calendar/hemisphere';
import type { LocalMonth } from '../../lib/calendar/months';
import type { FollowUpRule } from './rules';

/** A rule with its months as they come where the tree stands. */
export type LocalFollowUpRule = Omit<FollowUpRule, 'months'> & { months?: LocalMonth[] | undefined };

/** Rules with their months in the year of the place. */
export const localRules = (rules: readonly FollowUpRule[], south: boolean): LocalFollowUpRule[] =>
  rules.map(({ months, ...rule }) => (months ? { ...rule, months: months.map((m) => localMonth(m, south)) } : rule));
