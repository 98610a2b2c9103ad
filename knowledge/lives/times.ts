import type { Bbch } from '@/core/season/bbch';
import type { LifeStage, LifeTime } from '@/core/season/life-schema';

/** What a trouble does through the year: each stage with its time, or its times where it comes again. */
export type Life = Partial<Record<LifeStage, LifeTime | readonly LifeTime[]>>;

/** Between two stages of the host; days after (before, where negative) the one and the other. */
export const at = (from: Bbch, to: Bbch, fromDays = 0, toDays = 0): LifeTime => ({
  by: 'stage',
  from,
  to,
  ...(fromDays ? { fromDays } : {}),
  ...(toDays ? { toDays } : {}),
});
/** From the day on which a sum of heat is reached (or so many days after it), for so many days. */
export const heat = (model: string, days: number, fromDays = 0): LifeTime => ({
  by: 'heat',
  model,
  days,
  ...(fromDays ? { fromDays } : {}),
});
/** By months of the northern year, where no stage of the host and no heat tells more. */
export const months = (from: number, to: number): LifeTime => ({ by: 'months', from, to });

/** Whatever the season. */
export const ALWAYS = months(1, 12);
/** From the bare crown to the swelling bud. */
export const DORMANT = at(97, 1);
/** While leaves are out. */
export const IN_LEAF = at(11, 93);
/** Shoots of conifers and evergreens from bud break to their full length. */
export const SHOOTS = at(9, 39);
