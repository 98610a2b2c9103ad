import { customFile } from '@/core/custom/custom-file';
import { customEntries, customHeatEntries } from '@/store/knowledge';
import { route } from '../../_server/api';

/** One's own entries as a file for another company: all of them, or the one that is named. */
export const GET = route(null, async (viewer, request) => {
  const key = new URL(request.url).searchParams.get('key');
  const all = (await Promise.all([customEntries(viewer), customHeatEntries(viewer)])).flat();
  const entries = all.filter((e) => key === null || e.key === key);
  const name = (key ?? 'knowledge').replace(/[^a-z0-9-]+/g, '-');
  return new Response(JSON.stringify(customFile(viewer.companyName, entries), null, 2), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="elmhorn-${name}.json"`,
      'cache-control': 'no-store',
    },
  });
});
