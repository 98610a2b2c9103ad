import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { moveMark, planMoves } from '@/facts/plan-moves';
import { uuid } from '@/lib/ids';
import { getSite } from '@/store/sites';
import { movePlansTo } from '@/store/plans';
import { z } from 'zod';

/** Plans of a place stand where the season has moved their windows; those that have no day any more stay, and are told. */
export const followPlans = command({
  name: 'follow-plans',
  right: 'prescribe',
  schema: z.object({
    siteId: uuid,
    /** The mark of the moves as somebody saw them: others are shown before they are made. */
    seen: z.string().length(64),
  }),
  run: async ({ viewer, receivedAt, station }, p): Promise<Result<{ moved: number }>> => {
    const place = await getSite(viewer, p.siteId);
    if (!place) return refuse('siteId', 'This place is not in this company.');
    const moves = await planMoves(viewer, station, receivedAt, place);
    if (moveMark(moves) !== p.seen)
      return refuse('seen', 'The season has moved on since this was shown. Look at it again, then move the plans.');
    const to = moves.flatMap((m) => (m.now ? [{ planId: m.planId, visit: m.now, released: {} }] : []));
    if (to.length) await movePlansTo(viewer, to);
    return { ok: true, value: { moved: to.length } };
  },
});
