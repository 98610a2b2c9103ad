import { todayOf } from '@/facts/today';
import type { Viewer } from '@/store/auth';
import { getTrees, type Tree } from '@/store/tree';
import { nearbyDetections, type Detections } from '@/store/diagnoses';

/** Trees as they stand, with the sums of the year of `now`; what this company has not got is left out. */
export const treesOf = (v: Viewer, ids: readonly string[], now: Date) => getTrees(v, ids, todayOf(v, now).slice(0, 4));
export const treeOf = async (v: Viewer, id: string, now: Date): Promise<Tree | null> =>
  (await treesOf(v, [id], now))[0] ?? null;

/** What was named near a tree. */
export const detectionsNear = async (v: Viewer, tree: Tree): Promise<Detections> =>
  (await nearbyDetections(v, [tree])).get(tree.id)!;
