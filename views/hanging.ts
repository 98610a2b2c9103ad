import { hungOf, type BoardFacts } from '@/facts/board';
import { taughtBy, type Emptied } from '@/core/hanging/hanging';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { hangingNow, pulledBefore, pulledUnwritten } from '@/store/hanging';

/** Records of the past that an company learns from, and days for which what was pulled is told to be written. */
const LEARNED_FROM = 400;
const UNWRITTEN_DAYS = 14;

/** What hangs, what was pulled and is still to be written, and what this company's own devices taught. */
export const boardView = (viewer: Viewer, now: Date): Promise<BoardFacts> =>
  together(viewer, async () => {
    const [hanging, before, pulled] = await Promise.all([
      hangingNow(viewer),
      pulledBefore(viewer, LEARNED_FROM),
      pulledUnwritten(viewer, new Date(now.getTime() - UNWRITTEN_DAYS * 86_400_000)),
    ]);
    const log = before.flatMap((h): Emptied[] => {
      const taught = taughtBy({ ...hungOf(h, null), pulledAt: h.pulledAt!.toISOString(), leftMl: h.leftMl! });
      return taught ? [taught] : [];
    });
    return { hanging, pulled, log };
  });
