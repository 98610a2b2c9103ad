import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { STILL_INSTALLED } from '@/facts/not-then';
import { todayOf } from '@/facts/today';
import { leaveSchema } from '@/core/crew-day/leave';
import { leaveItems, crewDaysLeft, crewDaysOfItems, type NewLeft } from '@/store/day';
import { inspectionsNamed } from '@/store/follow-ups';
import { installedOn } from '@/store/devices';
import { plansNamed } from '@/store/plans';
import { worksNamed } from '@/store/works';

/** A crew came to something and did not do it: why is kept with the tree, it goes off its round and waits for another day. */
export const markNotDone = command({
  name: 'mark-not-done',
  right: 'apply',
  schema: leaveSchema,
  once: (x) => x.id,
  run: async ({ viewer, occurredAt }, { id, itemIds, why, words }): Promise<Result> => {
    const ids = [...new Set(itemIds)];
    const day = todayOf(viewer, occurredAt);
    const [plans, works, looks, rounds, lefts, hang] = await Promise.all([
      plansNamed(viewer, ids),
      worksNamed(viewer, ids),
      inspectionsNamed(viewer, ids),
      crewDaysOfItems(viewer, ids),
      crewDaysLeft(viewer, ids, day),
      installedOn(viewer, ids),
    ]);
    if (hang) return refuse('itemIds', STILL_INSTALLED);
    const found = [
      ...plans.map((p) => ({ ...p, kind: 'plan' as const })),
      ...works.map((w) => ({ ...w, kind: 'work' as const })),
      ...looks.map((l) => ({ ...l, kind: 'look' as const })),
    ];
    if (found.length < ids.length) return refuse('itemIds', 'Something among them is not in this company.');
    if (found.some((f) => f.state !== 'open'))
      return refuse('itemIds', 'Something among them was done or dropped meanwhile; look again. Nothing was written.');
    if (found.some((f) => 'unsettled' in f && f.unsettled))
      return refuse('itemIds', 'Something among them was done, and its record waits to be settled. Settle it first.');
    // Two phones that left the same thing were on one round: both reasons stand there.
    const crewDayOfItem = new Map([...lefts, ...rounds].map((r) => [r.itemId, r.crewDayId]));
    await leaveItems(
      viewer,
      { id, why, words, at: occurredAt },
      found.map((f): NewLeft => ({
        itemId: f.id,
        kind: f.kind,
        treeId: f.treeId,
        siteId: f.siteId,
        crewDayId: crewDayOfItem.get(f.id) ?? null,
        day,
      })),
    );
    return done;
  },
});
