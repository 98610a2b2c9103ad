import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { crewDaysBetween, tellDay } from '@/store/crew-days';
import { z } from 'zod';

/** The client of a place was told of a day on which a crew comes; from then on moving it costs. */
export const notifyClient = command({
  name: 'notify-client',
  right: 'plan rounds',
  schema: z.object({ siteId: uuid, day: z.iso.date('Give the day like 2027-05-14.') }),
  run: async ({ viewer }, { siteId, day }) => {
    const rounds = await crewDaysBetween(viewer, day, day);
    if (!rounds.some((r) => r.items.some((i) => i.siteId === siteId)))
      return refuse('day', 'No round goes there on that day.');
    await tellDay(viewer, siteId, day);
    return done;
  },
});
