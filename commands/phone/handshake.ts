import { randomBytes } from 'node:crypto';
import { dayAfter } from '@/lib/calendar/days';
import { todayOf } from '@/facts/today';
import { aheadBy } from '@/core/phone/clock';
import { HOLDS_DAYS } from '@/core/phone/limits';
import type { handshakeSchema } from '@/core/phone/send';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { keepPhone, syncConflictCount, phoneNamed, crewDaysOfPerson } from '@/store/phones';
import type { z } from 'zod';

/** What a phone is given when it meets the server. */
export interface Met {
  personId: string;
  /** Seals what waits on the phone; in base 64. */
  key: string;
  aheadS: number;
  /** Rounds to hold, the soonest first. */
  rounds: { id: string }[];
  syncConflicts: number;
}

/**
 * A phone meets the server: it says how it stands, and is given the key that seals what waits on it and the rounds of the
 * coming days.
 * @returns null for a phone that was ended, or is another person's
 */
export const handshake = (viewer: Viewer, now: Date, m: z.output<typeof handshakeSchema>): Promise<Met | null> =>
  together(viewer, async () => {
    const known = await phoneNamed(viewer, m.phoneId);
    if (known && (known.endedAt || known.personId !== viewer.personId)) return null;
    const key = known?.key ?? randomBytes(32);
    const aheadS = aheadBy(Date.parse(m.clockNow), now.getTime());
    await keepPhone(viewer, { id: m.phoneId, name: m.name, key, clockOffS: aheadS, waiting: m.waiting });
    const today = todayOf(viewer, now);
    const [rounds, waits] = await Promise.all([
      crewDaysOfPerson(viewer, dayAfter(today, -1, 'days'), dayAfter(today, HOLDS_DAYS - 1, 'days')),
      syncConflictCount(viewer),
    ]);
    return { personId: viewer.personId, key: key.toString('base64'), aheadS, rounds, syncConflicts: waits };
  });
