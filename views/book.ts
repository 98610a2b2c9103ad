import { treeOf } from '@/commands/facts/tree';
import type { Viewer } from '@/store/auth';
import { listRecords, recordVersions, type BookFilter } from '@/store/book';
import { together } from '@/store/db';
import { getPlace, sitesToChoose } from '@/store/grounds';
import { overturned } from '@/store/knowledge';
import { lotsOf } from '@/store/shelf';
import { knowledgeOf } from '@/commands/facts/knowledge';

/** A page of the book, one row more than asked for where there is more, and the places to choose from. */
export const bookView = (v: Viewer, filter: BookFilter) =>
  together(v, async () => {
    const [rows, places] = await Promise.all([listRecords(v, filter), sitesToChoose(v, filter.placeId ?? null)]);
    return { rows, places };
  });

/** A record with its versions, newest first, its tree, place and lots as they stand; null where there is none. */
export const recordView = (viewer: Viewer, id: string, now: Date) =>
  together(viewer, async () => {
    const versions = await recordVersions(viewer, id);
    const newest = versions[0];
    if (!newest) return null;
    const [tree, place, lots] = await Promise.all([
      treeOf(viewer, newest.data.tree.id, now),
      getPlace(viewer, newest.data.place.id),
      lotsOf(viewer, newest.data.product.key),
    ]);
    return { versions, newest, tree, place, lots };
  });

export const overturnedView = (v: Viewer) =>
  together(v, async () => {
    const [rows, { knowledge }] = await Promise.all([overturned(v), knowledgeOf(v)]);
    return { rows, knowledge };
  });
