import { chanceFrom } from '../../lib/random';

/** Counts on a fixed sample, one number a leaf or shoot, before and after a treatment. */
export interface Counts {
  before: readonly number[];
  after: readonly number[];
}
export interface Efficacy {
  /** Share of the trouble that went, corrected for what went by itself where there is a control; can be below zero. */
  share: number;
  by: 'simple reduction' | 'Abbott' | 'Henderson–Tilton';
  /** 95 % interval by bootstrap over the leaves; null when there are too few counts to resample. */
  interval: { low: number; high: number } | null;
  sentence: string;
}

/** 1 − after/before: nothing is known of what would have gone by itself. */
export const reduction = (before: number, after: number): number => 1 - after / before;
/** Abbott (1925): the treated count against the untreated one on the same day, when both began alike. */
export const abbott = (control: number, treated: number): number => 1 - treated / control;
/**
 * Henderson and Tilton (1955): treated and untreated, each counted before and after.
 * @example hendersonTilton({ before: 212, after: 240 }, { before: 198, after: 31 }) // 0.8617
 */
export const hendersonTilton = (
  control: { before: number; after: number },
  treated: { before: number; after: number },
): number => 1 - (treated.after * control.before) / (treated.before * control.after);

const RESAMPLES = 2000;
const total = (xs: readonly number[]) => xs.reduce((a, b) => a + b, 0);
const mean = (xs: readonly number[]) => total(xs) / xs.length;

/**
 * How far a treatment worked. With counts of an untreated tree before and after it is Henderson–Tilton, with its count
 * after alone Abbott, without one the simple reduction.
 * @param seed the same counts and seed give the same interval
 * @returns null when there was nothing to reduce: a count of zero before, or on the untreated tree after
 */
export function efficacy(treated: Counts, control: Partial<Counts> = {}, seed = 1): Efficacy | null {
  const compared = control.before?.length ? ('Henderson–Tilton' as const) : ('Abbott' as const);
  const by = control.after?.length ? compared : ('simple reduction' as const);
  const share = (draw: (xs: readonly number[]) => readonly number[]): number | null => {
    const [tb, ta] = [mean(draw(treated.before)), mean(draw(treated.after))];
    const [cb, ca] = [mean(draw(control.before ?? [1])), mean(draw(control.after ?? [1]))];
    const x =
      by === 'simple reduction'
        ? reduction(tb, ta)
        : by === 'Abbott'
          ? abbott(ca, ta)
          : hendersonTilton({ before: cb, after: ca }, { before: tb, after: ta });
    return Number.isFinite(x) ? x : null;
  };
  const point = share((xs) => xs);
  if (point === null) return null;
  const groups = [treated.before, treated.after, ...(by === 'simple reduction' ? [] : [control.after!])];
  const chance = chanceFrom(seed);
  const resampled = groups.some((g) => g.length < 5)
    ? []
    : Array.from({ length: RESAMPLES }, () => share((xs) => xs.map(() => xs[Math.floor(chance() * xs.length)]!)))
        .filter((x) => x !== null)
        .sort((a, b) => a - b);
  const at = (p: number) => resampled[Math.floor(p * (resampled.length - 1))]!;
  const interval = resampled.length < RESAMPLES / 2 ? null : { low: at(0.025), high: at(0.975) };
  const pc = (x: number) => `${Math.round(100 * x)} %`;
  return {
    share: point,
    by,
    interval,
    sentence: `${pc(point)} by ${by}${interval ? `, between ${pc(interval.low)} and ${pc(interval.high)}` : ', too few leaves for an interval'}.`,
  };
}

/**
 * How many leaves or shoots to look at, so that a mean count is known to within D: n = (1/m + 1/k) / D².
 * @param mean counts per leaf, above 0
 * @param k clumping of the counts (negative binomial), above 0; small is clumped
 * @param precision standard error as a share of the mean, such as 0.25
 * @returns the exact number, to be rounded up
 */
export const sampleSize = (mean: number, k: number, precision: number): number => (1 / mean + 1 / k) / precision ** 2;
