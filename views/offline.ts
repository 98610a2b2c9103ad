import { stockAmong } from '@/facts/batches';
import { spotOf } from '@/facts/diagnosis';
import { entriesOf } from '@/facts/knowledge';
import { yearOf } from '@/facts/season';
import { detectionsNear, treeOf } from '@/facts/tree';
import type { OfflineTree, SheetFacts } from '@/facts/queued-tree';
import { expectedHours } from '@/core/weather/expected';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { batchesAbout, takenFrom } from '@/store/batches';
import { installedNow } from '@/store/devices';
import { dayView } from './day';
import type { OfflineDay } from '@/facts/queued-day';
import { getPlans } from '@/store/plans';
import { besideSheets } from '@/store/sheets';
import { heldBy, listLots } from '@/store/stock';
import { groupBy } from '@/core/work/load-out';
import { alikeTrees, rowTrees } from '@/store/tree';

/** Hours of the forecast that go along. */
const HOURS = 120;

/** All that the steps at a tree rest on, for a phone that takes it along; null where there is no such tree. */
export const offlineTreeView = (
  viewer: Viewer,
  id: string,
  now: Date,
  station: StationFor,
): Promise<OfflineTree | null> =>
  together(viewer, async () => {
    const tree = await treeOf(viewer, id, now);
    if (!tree) return null;
    const open = tree.plans.filter((p) => p.state === 'open').map((p) => p.id);
    const [detections, entries, held, alike, row, year, { arrival, hands, installed }, plans, lots, mixes] =
      await Promise.all([
        detectionsNear(viewer, tree),
        entriesOf(viewer),
        heldBy(viewer),
        alikeTrees(viewer, tree),
        rowTrees(viewer, tree),
        yearOf(viewer, tree, station, now),
        besideSheets(viewer, tree.siteId, open),
        getPlans(viewer, open),
        listLots(viewer),
        batchesAbout(viewer),
      ]);
    const sheets = plans.map((plan): SheetFacts => {
      const { dose } = plan.result;
      // A plan of an older version has none.
      const stock = dose?.ok
        ? stockAmong({ lots, mixes }, { ...plan, dose, planIds: [plan.id] }, now)
        : { lots: [], mixes: [] };
      return { plan, stock, installed: installed.filter((h) => h.planId === plan.id) };
    });
    const there = station(spotOf(tree));
    return {
      tree,
      detections,
      entries,
      held,
      alike: [...alike],
      row,
      year,
      arrival,
      sheets,
      hands,
      lots: Object.fromEntries(groupBy(lots, (l) => l.labelKey)),
      air: { measured: there.at(now), hours: expectedHours(there.forecast(now).members, HOURS) },
    };
  });

/** A crew's day for a phone that takes it along; null where there is no such round. */
export const offlineDayView = (
  viewer: Viewer,
  id: string,
  now: Date,
  station: StationFor,
): Promise<OfflineDay | null> =>
  together(viewer, async () => {
    const day = await dayView(viewer, id, now, station);
    if (!day) return null;
    const plans = new Set(day.stops.flatMap((s) => s.items.map((i) => i.id)));
    const [hanging, entries, taken] = await Promise.all([
      installedNow(viewer),
      entriesOf(viewer),
      takenFrom(
        viewer,
        day.batches.map((b) => b.id),
      ),
    ]);
    return {
      day,
      entries,
      installed: hanging.filter((h) => plans.has(h.planId)),
      taken: Object.fromEntries(groupBy(taken, (t) => t.batchId)),
    };
  });
