import { command, done, refuse, type Result } from '@/commands/command';
import { dayByHand } from '@/facts/day';
import { fortnightOf } from '@/facts/rounds';
import { uuid } from '@/core/book/record';
import { orderRound, roundEntries, roundHead } from '@/store/day';
import { z } from 'zod';

/** The stops of a round in another order, by whoever goes: every place with what is done there, and when they come. */
export const orderStops = command({
  name: 'order-stops',
  right: 'see the grounds',
  schema: z.object({
    roundId: uuid,
    /** Every place of the round, in the order in which they are gone to. */
    placeIds: z.array(uuid).min(1).max(60),
  }),
  run: async ({ viewer, observed, station }, { roundId, placeIds }): Promise<Result> => {
    const round = await roundHead(viewer, roundId);
    if (!round) return refuse('', 'There is no such round in this company.');
    if (round.closedAt) return refuse('', 'This day is closed.');
    const entries = await roundEntries(viewer, roundId);
    const here = new Set(entries.map((e) => e.placeId));
    if (
      new Set(placeIds).size !== placeIds.length ||
      placeIds.length !== here.size ||
      placeIds.some((p) => !here.has(p))
    )
      return refuse('placeIds', 'The round has changed meanwhile; look at it again.');
    const f = await fortnightOf(viewer, station, observed, 'with');
    const known = f.problem.days.includes(round.day) && f.problem.crews.some((c) => c.id === round.crewId);
    const { begins } = known
      ? dayByHand(f, round, new Set(entries.map((e) => e.itemId)), new Set(), placeIds)
      : { begins: new Map<string, number>() };
    const order = placeIds.flatMap((placeId) => entries.filter((e) => e.placeId === placeId));
    await orderRound(
      viewer,
      roundId,
      order.map((e) => ({ itemId: e.itemId, begins: begins.get(e.placeId) ?? e.begins })),
    );
    return done;
  },
});
