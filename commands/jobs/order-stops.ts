import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { dayByHand } from '@/facts/day';
import { fortnightOf } from '@/facts/fortnight';
import { uuid } from '@/lib/ids';
import { orderCrewDay, crewDayEntries, crewDayHead } from '@/store/day';
import { z } from 'zod';

/** The stops of a round in another order, by whoever goes: every place with what is done there, and when they come. */
export const orderStops = command({
  name: 'order-stops',
  right: 'see the grounds',
  schema: z.object({
    crewDayId: uuid,
    /** Every place of the round, in the order in which they are gone to. */
    siteIds: z.array(uuid).min(1).max(60),
  }),
  run: async ({ viewer, occurredAt, station }, { crewDayId, siteIds }): Promise<Result> => {
    const round = await crewDayHead(viewer, crewDayId);
    if (!round) return refuse('', 'There is no such round in this company.');
    if (round.closedAt) return refuse('', 'This day is closed.');
    const entries = await crewDayEntries(viewer, crewDayId);
    const here = new Set(entries.map((e) => e.siteId));
    if (new Set(siteIds).size !== siteIds.length || siteIds.length !== here.size || siteIds.some((p) => !here.has(p)))
      return refuse('siteIds', 'The round has changed meanwhile; look at it again.');
    const f = await fortnightOf(viewer, station, occurredAt, 'with');
    const known = f.problem.days.includes(round.day) && f.problem.crews.some((c) => c.id === round.crewId);
    const { begins } = known
      ? dayByHand({ f, at: round, onIt: new Set(entries.map((e) => e.itemId)), put: new Set(), order: siteIds })
      : { begins: new Map<string, number>() };
    const order = siteIds.flatMap((siteId) => entries.filter((e) => e.siteId === siteId));
    await orderCrewDay(
      viewer,
      crewDayId,
      order.map((e) => ({ itemId: e.itemId, begins: begins.get(e.siteId) ?? e.begins })),
    );
    return done;
  },
});
