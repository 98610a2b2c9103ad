import { treeOf } from '@/facts/tree';
import type { Viewer } from '@/store/auth';
import { WORKS_ALONE } from '@/core/records/filter';
import { worksNow } from '@/knowledge/works';
import { listRecords, recordVersions, type RecordFilter, type RecordRow } from '@/store/records';
import { listDoneWorks, type DoneWork } from '@/store/works';
import { together } from '@/store/db';
import { getSite, sitesToChoose } from '@/store/sites';
import { overturned } from '@/store/knowledge';
import { lotsOf } from '@/store/stock';
import { knowledgeOf } from '@/facts/knowledge';

/** What stands in the book: a treatment with its record, or a work that was carried out. */
export type RecordEntry = { kind: 'treatment'; row: RecordRow } | { kind: 'work'; row: DoneWork };

/** Works that were carried out, found by what they are called as well. */
export const doneWorks = (v: Viewer, filter: RecordFilter): Promise<DoneWork[]> => {
  const words = filter.words?.toLowerCase();
  const named = words ? worksNow().flatMap((w) => (w.name.toLowerCase().includes(words) ? [w.id] : [])) : [];
  return listDoneWorks(v, { ...filter, named });
};

/** A page of the book, latest first, one entry more than asked for where there is more, and the places to choose from. */
export const recordsView = (v: Viewer, filter: RecordFilter) =>
  together(v, async () => {
    const [records, works, places] = await Promise.all([
      filter.method === WORKS_ALONE ? [] : listRecords(v, filter),
      filter.method === null || filter.method === WORKS_ALONE ? doneWorks(v, filter) : [],
      sitesToChoose(v, filter.siteId ?? null),
    ]);
    const entries: RecordEntry[] = [
      ...records.map((row) => ({ kind: 'treatment' as const, row })),
      ...works.map((row) => ({ kind: 'work' as const, row })),
    ];
    // The newest first, as the page after it goes on: by day, and by id within the day.
    entries.sort((a, b) => b.row.doneOn.localeCompare(a.row.doneOn) || b.row.id.localeCompare(a.row.id));
    return { entries: entries.slice(0, filter.limit + 1), places };
  });

/** A record with its versions, newest first, its tree, place and lots as they stand; null where there is none. */
export const recordView = (viewer: Viewer, id: string, now: Date) =>
  together(viewer, async () => {
    const versions = await recordVersions(viewer, id);
    const newest = versions[0];
    if (!newest) return null;
    const [tree, place, lots] = await Promise.all([
      treeOf(viewer, newest.data.tree.id, now),
      getSite(viewer, newest.data.place.id),
      lotsOf(viewer, newest.data.product.key),
    ]);
    return { versions, newest, tree, place, lots };
  });

export const overturnedView = (v: Viewer) =>
  together(v, async () => {
    const [rows, { knowledge }] = await Promise.all([overturned(v), knowledgeOf(v)]);
    return { rows, knowledge };
  });
