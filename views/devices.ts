import { DAY_MS } from '@/lib/calendar/days';
import { installationsOf, type BoardFacts } from '@/facts/board';
import { taughtBy, type Emptied } from '@/core/devices/devices';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { installedNow, removedBefore, removedUnrecorded } from '@/store/devices';

/** Records of the past that a company learns from, and days for which what was pulled is told to be written. */
const LEARNED_FROM = 400;
const UNWRITTEN_DAYS = 14;

/** What hangs, what was pulled and is still to be written, and what this company's own devices taught. */
export const boardView = (viewer: Viewer, now: Date): Promise<BoardFacts> =>
  together(viewer, async () => {
    const [hanging, before, removed] = await Promise.all([
      installedNow(viewer),
      removedBefore(viewer, LEARNED_FROM),
      removedUnrecorded(viewer, new Date(now.getTime() - UNWRITTEN_DAYS * DAY_MS)),
    ]);
    const log = before.flatMap((h): Emptied[] => {
      const taught = taughtBy({
        ...installationsOf(h, null),
        removedAt: h.removedAt!.toISOString(),
        leftMl: h.leftMl!,
      });
      return taught ? [taught] : [];
    });
    return { hanging, removed, log };
  });
