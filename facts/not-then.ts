/** A clock may be so far ahead before what it says is taken for a slip; and so long ago nobody hangs anything: a week without signal, and a week to find some. */
const AHEAD_MINUTES = 10;
const BACK_DAYS = 14;

/** Why something cannot have been done at an instant; null where it can. */
export function notThen(at: string, now: Date): string | null {
  const minutes = (Date.parse(at) - now.getTime()) / 60_000;
  if (minutes > AHEAD_MINUTES) return 'This moment has not come yet; look at the clock of this device.';
  return minutes < -BACK_DAYS * 1440 ? `At most ${BACK_DAYS} days back.` : null;
}

/** What is said to whoever drops or writes up a plan whose devices hang. */
export const STILL_INSTALLED = 'Something of it still hangs on a trunk: pull that first, on the board of what hangs.';
