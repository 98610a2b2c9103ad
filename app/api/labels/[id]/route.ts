import { uuid } from '@/lib/ids';
import { getLabel } from '@/store/stock';
import { issueResponse, route } from '../../../_server/api';

/** One label version in the open label format (docs/label-format.md). */
export const GET = route('see the grounds', async (viewer, _request, { id }) => {
  const held = uuid.safeParse(id).success ? await getLabel(viewer, id!) : null;
  if (!held) return issueResponse(404, { path: 'id', message: 'There is no such label in this company.' });
  return new Response(JSON.stringify(held.label, null, 2) + '\n', {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${held.label.key}-v${held.label.version}.json"`,
    },
  });
});
