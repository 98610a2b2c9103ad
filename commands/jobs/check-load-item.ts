import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { crewDayHead, setTicks } from '@/store/day';
import { z } from 'zod';

/** Lines of a load sheet seen on the truck, or not any more. */
export const checkLoadItem = command({
  name: 'check-load-item',
  right: 'apply',
  schema: z.object({
    crewDayId: uuid,
    ticks: z
      .array(
        z.strictObject({
          line: z.string().min(1).max(300),
          /** As much as the line said when it was looked at. */
          amount: z.string().max(300),
          on: z.boolean(),
        }),
      )
      .min(1)
      .max(200),
  }),
  run: async ({ viewer, occurredAt }, { crewDayId, ticks }) => {
    const round = await crewDayHead(viewer, crewDayId);
    if (!round) return refuse('', 'There is no such round in this company.');
    if (round.closedAt) return refuse('', 'This day is closed.');
    await setTicks(viewer, crewDayId, ticks, occurredAt);
    return done;
  },
});
