import type { RoundThing, RoundThings } from '@/facts/round-ends';
import { standsOf } from '@/core/round/day';
import type { Viewer } from '@/store/auth';
import { batchesOfRound } from '@/store/batches';
import { leftOnRound, roundEntries, type RoundEntry } from '@/store/day';
import { looksNamed } from '@/store/follow-ups';
import { hangingPlans } from '@/store/hanging';
import { plansNamed } from '@/store/plans';
import { worksNamed } from '@/store/works';

/** What stands on a round and what became of each, what was left of it, and its mixes: in seven statements, however long it is. */
export async function thingsOf(viewer: Viewer, roundId: string): Promise<RoundThings> {
  const [entries, lefts, batches] = await Promise.all([
    roundEntries(viewer, roundId),
    leftOnRound(viewer, roundId),
    batchesOfRound(viewer, roundId),
  ]);
  const ids = (kind: RoundEntry['kind']) => entries.filter((e) => e.kind === kind).map((e) => e.itemId);
  const [plans, works, looks, hanging] = await Promise.all([
    plansNamed(viewer, ids('plan')),
    worksNamed(viewer, ids('work')),
    looksNamed(viewer, ids('look')),
    hangingPlans(viewer, ids('plan')),
  ]);
  const things = entries.flatMap((e): RoundThing[] => {
    const common = { id: e.itemId, placeId: e.placeId, begins: e.begins };
    const plan = plans.find((p) => p.id === e.itemId);
    if (e.kind === 'plan')
      return plan ? [{ ...common, kind: 'plan', plan, stands: standsOf(plan, hanging.has(plan.id)) }] : [];
    const work = works.find((w) => w.id === e.itemId);
    if (e.kind === 'work') return work ? [{ ...common, kind: 'work', work, stands: standsOf(work, false) }] : [];
    const look = looks.find((l) => l.id === e.itemId);
    return look ? [{ ...common, kind: 'look', look, stands: standsOf(look, false) }] : [];
  });
  return { things, lefts, batches };
}
