import { command, done, refuse, type Answer } from '@/commands/command';
import { STILL_HANGS } from '@/commands/hanging/then';
import { todayOf } from '@/commands/today';
import { uuid } from '@/core/book/record';
import { WANTS_WORDS, WHY_LEFT } from '@/core/round/day';
import { leaveItems, roundsOfItems, type NewLeft } from '@/store/day';
import { looksNamed } from '@/store/follow-ups';
import { hangingOn } from '@/store/hanging';
import { plansNamed, worksNamed } from '@/store/plans';
import { z } from 'zod';

/** A crew came to something and did not do it: why is kept with the tree, it goes off its round and waits for another day. */
export const leaveUndone = command({
  name: 'leave-undone',
  right: 'apply',
  schema: z
    .object({
      id: uuid,
      itemIds: z.array(uuid).min(1, 'Choose one at least.').max(200, 'At most 200 at once.'),
      why: z.enum(WHY_LEFT, 'Say why it was left.'),
      words: z.string().trim().max(600, 'At most 600 signs.').default(''),
    })
    .refine((x) => !WANTS_WORDS.includes(x.why) || x.words.length >= 4, {
      path: ['words'],
      message: 'Say in a few words what it was.',
    }),
  once: (x) => x.id,
  run: async ({ viewer, observed }, { id, itemIds, why, words }): Promise<Answer> => {
    const ids = [...new Set(itemIds)];
    const [plans, works, looks, rounds, hang] = await Promise.all([
      plansNamed(viewer, ids),
      worksNamed(viewer, ids),
      looksNamed(viewer, ids),
      roundsOfItems(viewer, ids),
      hangingOn(viewer, ids),
    ]);
    if (hang) return refuse('itemIds', STILL_HANGS);
    const found = [
      ...plans.map((p) => ({ ...p, kind: 'plan' as const })),
      ...works.map((w) => ({ ...w, kind: 'work' as const })),
      ...looks.map((l) => ({ ...l, kind: 'look' as const })),
    ];
    if (found.length < ids.length) return refuse('itemIds', 'Something among them is not in this outfit.');
    if (found.some((f) => f.state !== 'open'))
      return refuse('itemIds', 'Something among them was done or dropped meanwhile; look again. Nothing was written.');
    const roundOf = new Map(rounds.map((r) => [r.itemId, r.roundId]));
    await leaveItems(
      viewer,
      { id, why, words },
      found.map((f): NewLeft => ({
        itemId: f.id,
        kind: f.kind,
        treeId: f.treeId,
        placeId: f.placeId,
        roundId: roundOf.get(f.id) ?? null,
        day: todayOf(viewer, observed),
      })),
    );
    return done;
  },
});
