'use client';

import { aheadAfter, putRight } from '@/core/phone/clock';
import { browserNow } from '@/ui/clock.client';

const AHEAD = 'elmhorn:clock-ahead';

/** How far the clock of this phone is ahead: as it was when it last met the server, moved as it was set since; in seconds. */
export function clockAhead(): number {
  try {
    return Number(localStorage.getItem(AHEAD) ?? 0) || 0;
  } catch {
    return 0;
  }
}

/** What the clock showed at the last look, a clock beside it that nobody can set, both in ms, and how wrong it was held to be. */
let last: { shown: number; steady: number; aheadS: number } | null = null;
const looked = (shown: number, steady: number) => {
  last = { shown, steady, aheadS: clockAhead() };
};

/** Keeps what was learnt of the clock. */
export function keepClockAhead(aheadS: number) {
  try {
    localStorage.setItem(AHEAD, String(aheadS));
  } catch {}
  looked(browserNow().getTime(), performance.now());
}

/** Learns of a clock that somebody has set since the last look. Looked at every few seconds, and before every time that is kept. */
export function watchClock(shown = browserNow().getTime(), steady = performance.now()) {
  const [before, known] = [last, clockAhead()];
  looked(shown, steady);
  // The server, or another page of this phone, has learnt of it meanwhile.
  if (!before || before.aheadS !== known) return;
  const ahead = aheadAfter(known, (shown - before.shown - (steady - before.steady)) / 1000);
  if (ahead !== known) keepClockAhead(ahead);
}

/** The time, as near as this phone knows it: its clock, put right by what it learnt of it. */
export function phoneNow(): Date {
  if (typeof window !== 'undefined') watchClock();
  return putRight(browserNow().getTime(), clockAhead());
}
