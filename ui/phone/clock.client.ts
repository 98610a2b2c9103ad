'use client';

import { putRight } from '@/core/phone/clock';
import { browserNow } from '@/ui/clock.client';

const PLACE = 'elmhorn:clock-ahead';

/** How far the clock of this phone was ahead when it last met the server, in seconds. */
export function clockAhead(): number {
  try {
    return Number(localStorage.getItem(PLACE) ?? 0) || 0;
  } catch {
    return 0;
  }
}
export function keepClockAhead(aheadS: number) {
  try {
    localStorage.setItem(PLACE, String(aheadS));
  } catch {}
}

/** The time, as near as this phone knows it: its clock, put right by what it learnt from the server. */
export const phoneNow = (): Date => putRight(browserNow().getTime(), clockAhead());
