import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { dayIn } from '@/lib/calendar/zone';
import { nextAfterSkip } from '@/core/season/skip';
import { getVisit, skipFollowUp } from '@/store/follow-ups';
import { v7 } from 'uuid';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

/** A treatment that was due is left out this time, and says why; its series goes on. */
export const skipVisit = command({
  name: 'skip-visit',
  right: 'settle a follow-up',
  schema: z.object({
    id: uuid,
    because: reasonSchema('Say why it is left out.', 500),
  }),
  run: async ({ viewer, receivedAt }, { id, because }): Promise<Result<{ next: string | null }>> => {
    const visit = await getVisit(viewer, id);
    if (!visit) return refuse('id', 'This visit is not in this company.');
    if (visit.kind !== 'treat-again') return refuse('id', 'Only a treatment is left out; a look is done or stays due.');
    const next = nextAfterSkip(visit, dayIn(receivedAt, visit.timeZone));
    const left = await skipFollowUp(viewer, visit, because, next && { id: v7(), ...next });
    return left ? { ok: true, value: { next: next?.due ?? null } } : refuse('id', 'This visit was settled meanwhile.');
  },
});
