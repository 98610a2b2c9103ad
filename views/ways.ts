import { worksNow } from '@/knowledge/works';
import type { Condition } from '@/core/diagnose/knowledge';
import { carriedOut, type CarriedOut } from '@/core/prescribe/carried';
import { hostsNow } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { shelfLabels, type ShelfLabel } from '@/store/stock';

/** What carries out one way of the guide for a company: uses of the labels on its shelf, and works. */
export interface WayHere extends Pick<CarriedOut, 'works'> {
  uses: (CarriedOut['uses'][number] & Pick<ShelfLabel, 'id'>)[];
}

/** What carries out each way against a condition, in the order of its ways. */
export async function waysHere(viewer: Viewer, condition: Condition): Promise<WayHere[]> {
  const shelf = await shelfLabels(viewer);
  const works = worksNow();
  const ids = new Map(shelf.map((s) => [s.label, s.id]));
  return condition.options.map((way) => {
    const { uses, works: hands } = carriedOut(condition, way, hostsNow(), { labels: shelf.map((s) => s.label), works });
    return { uses: uses.map((u) => ({ ...u, id: ids.get(u.label)! })), works: hands };
  });
}
