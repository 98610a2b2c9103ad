import type { CrewDayItem, CrewDayItems } from '@/facts/crew-day-ends';
import { standsOf } from '@/core/crew-day/day';
import type { Viewer } from '@/store/auth';
import { batchesOfCrewDay } from '@/store/batches';
import { leftOnCrewDay, crewDayEntries, type CrewDayEntry } from '@/store/day';
import { inspectionsNamed } from '@/store/follow-ups';
import { plansWithDevices } from '@/store/devices';
import { plansNamed } from '@/store/plans';
import { worksNamed } from '@/store/works';

/** What stands on a round and what became of each, what was left of it, and its mixes: in seven statements, however long it is. */
export async function thingsOf(viewer: Viewer, crewDayId: string): Promise<CrewDayItems> {
  const [entries, lefts, batches] = await Promise.all([
    crewDayEntries(viewer, crewDayId),
    leftOnCrewDay(viewer, crewDayId),
    batchesOfCrewDay(viewer, crewDayId),
  ]);
  const ids = (kind: CrewDayEntry['kind']) => entries.filter((e) => e.kind === kind).map((e) => e.itemId);
  const [plans, works, looks, hanging] = await Promise.all([
    plansNamed(viewer, ids('plan')),
    worksNamed(viewer, ids('work')),
    inspectionsNamed(viewer, ids('look')),
    plansWithDevices(viewer, ids('plan')),
  ]);
  const things = entries.flatMap((e): CrewDayItem[] => {
    const common = { id: e.itemId, siteId: e.siteId, begins: e.begins };
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
