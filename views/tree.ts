import { inHand, type TreeInHand } from '@/facts/diagnosis';
import { knowledgeOf } from '@/facts/knowledge';
import { yearOf } from '@/facts/season';
import { detectionsNear, treeOf } from '@/facts/tree';
import { stockFor } from '@/facts/batches';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { visitsOnTree } from '@/store/assignments';
import { leftAtTree } from '@/store/day';
import { getPlan } from '@/store/plans';
import { treeQuotes } from '@/store/quotes';
import { besideSheets } from '@/store/sheets';
import { heldBy } from '@/store/stock';
import { alikeTrees, rowTrees, type Tree } from '@/store/tree';

/** Reads in one transaction what a page of a tree needs beside the tree itself; null where there is no such tree. */
const ofTree = <T extends object>(
  viewer: Viewer,
  id: string,
  now: Date,
  more: (tree: Tree) => Promise<T>,
): Promise<(TreeInHand & T) | null> =>
  together(viewer, async () => {
    const tree = await treeOf(viewer, id, now);
    if (!tree) return null;
    const [{ knowledge }, detections, rest] = await Promise.all([
      knowledgeOf(viewer),
      detectionsNear(viewer, tree),
      more(tree),
    ]);
    return { ...inHand({ viewer, tree, knowledge, detections, now }), ...rest };
  });

/** Measuring, deciding and the letter need nothing more. */
export const treeView = (v: Viewer, id: string, now: Date) => ofTree(v, id, now, async () => ({}));

export const overviewOf = (v: Viewer, id: string, now: Date, station: StationFor) =>
  ofTree(v, id, now, async (tree) => {
    const [quotes, year, visits, lefts] = await Promise.all([
      treeQuotes(v, tree.id),
      yearOf(v, tree, station, now),
      visitsOnTree(v, tree.id),
      leftAtTree(v, tree.id),
    ]);
    return { quotes, year, visits, lefts };
  });

export const examineView = (v: Viewer, id: string, now: Date) =>
  ofTree(v, id, now, async (tree) => ({ alike: await alikeTrees(v, tree) }));

export const prescribeView = (v: Viewer, id: string, now: Date, station: StationFor) =>
  ofTree(v, id, now, async (tree) => {
    const [held, alike, year] = await Promise.all([heldBy(v), rowTrees(v, tree), yearOf(v, tree, station, now)]);
    return { held, alike, year };
  });

/** The sheet of a plan: the one asked for while it is open, else the first open one; null where none is. */
export const applyView = (viewer: Viewer, id: string, now: Date, _: StationFor, planId: string | null) =>
  ofTree(viewer, id, now, async (tree) => {
    const open = tree.plans.filter((p) => p.state === 'open');
    const head = open.find((p) => p.id === planId) ?? open[0];
    const plan = head ? await getPlan(viewer, head.id) : null;
    if (!plan?.result.dose?.ok) return { open, sheet: null };
    const { dose } = plan.result;
    const [held, stock, beside] = await Promise.all([
      heldBy(viewer),
      stockFor(viewer, { ...plan, dose, planIds: [plan.id] }, now),
      besideSheets(viewer, tree.siteId, [plan.id]),
    ]);
    return { open, sheet: { plan, held, stock, ...beside } };
  });
