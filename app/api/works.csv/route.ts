import { wallClock } from '@/lib/calendar/zone';
import { findHost } from '@/knowledge';
import type { DoneWork } from '@/store/works';
import { doneWorks } from '@/views/records';
import { recordsQuery } from '../../(in)/records/query';
import { workName } from '../../(in)/trees/[id]/works';
import { download, route } from '../../_server/api';
import { csv } from '../../_server/csv';

const HEADERS = [
  'Done on',
  'At',
  'Time zone',
  'Minutes',
  'Work',
  'Done by',
  'Host',
  'Tag',
  'Client',
  'Place',
  'Note',
  'Id',
];
const cells = (w: DoneWork) => [
  w.doneOn,
  w.doneAt ? wallClock(w.doneAt.toISOString(), w.timeZone).replace('T', ' ') : '',
  w.timeZone,
  w.minutes ?? '',
  workName(w),
  w.byName,
  findHost(w.hostId)?.latin ?? w.hostId,
  w.tag,
  w.clientName,
  w.siteName,
  w.note,
  w.id,
];

const PART = 500;
/** Works that were carried out, of the same selection as the book. */
export const GET = route('see the grounds', async (viewer, request) => {
  const { filter } = recordsQuery(Object.fromEntries(new URL(request.url).searchParams));
  async function* parts() {
    let after: { doneOn: string; id: string } | null = null;
    for (;;) {
      const rows: DoneWork[] = await doneWorks(viewer, { ...filter, after, limit: PART });
      const part = rows.slice(0, PART);
      yield part.map(cells);
      if (rows.length <= PART) return;
      after = { doneOn: part.at(-1)!.doneOn, id: part.at(-1)!.id };
    }
  }
  return download('elmhorn-works.csv', 'text/csv; charset=utf-8', csv(HEADERS, parts()));
});
