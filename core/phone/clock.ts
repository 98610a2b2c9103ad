/** A clock that is further off than this is told of. */
export const WRONG_S = 120;
/** The clock of a phone and that of the server differ by the way between them as well; less than this says nothing. */
const NOTHING_S = 5;

/**
 * How far a clock is ahead of another's, in seconds; none where the way between them could explain it.
 * @param here what the clock shows, ms
 * @param there what the better clock shows, ms
 * @param tookMs how long the question and its answer were on their way, ms
 */
export function aheadBy(here: number, there: number, tookMs = 0): number {
  const off = (here - there - tookMs / 2) / 1000;
  return Math.abs(off) <= NOTHING_S + tookMs / 2000 ? 0 : Math.round(off);
}

/** A steady clock and one that shows the day drift apart by less than this between two looks. */
const DRIFT_S = 20;
/**
 * How far a clock is ahead after it moved against a steady one that runs beside it. Set back it can only have been put right, or
 * wrong, by hand; what looks like a step forward may be sleep, in which the steady one stands still: it is believed only where it
 * takes away an error that was known.
 * @param aheadS how far it was ahead, s
 * @param jumpS how much further it went than the steady one since the last look, s
 */
export function aheadAfter(aheadS: number, jumpS: number): number {
  const after = Math.round(aheadS + jumpS);
  if (jumpS < -DRIFT_S) return after;
  return jumpS > DRIFT_S && aheadS < 0 && Math.abs(after) <= WRONG_S ? after : aheadS;
}

/** A time of a clock that is so many seconds ahead, put right. */
export const putRight = (at: number, aheadS: number): Date => new Date(at - aheadS * 1000);

/** Whether a clock is so wrong that somebody has to set it. */
export const isWrong = (aheadS: number): boolean => Math.abs(aheadS) > WRONG_S;

/** How wrong a clock is, in words. */
export function clockWords(aheadS: number): string {
  const minutes = Math.round(Math.abs(aheadS) / 60);
  const by =
    minutes < 90
      ? `${minutes} minutes`
      : minutes < 2880
        ? `${Math.round(minutes / 60)} hours`
        : `${Math.round(minutes / 1440)} days`;
  return `The clock of this phone is ${by} ${aheadS > 0 ? 'ahead' : 'behind'}. Set it; what is written until then is put right, and both times are kept.`;
}
