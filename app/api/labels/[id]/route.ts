import { uuid } from '@/core/book/record';
import { getLabel } from '@/store/shelf';
import { faulty, route } from '../../../_server/api';

/** One label version in the open label format (docs/label-format.md). */
export const GET = route('see the grounds', async (viewer, _request, { id }) => {
  const held = uuid.safeParse(id).success ? await getLabel(viewer, id!) : null;
  if (!held) return faulty(404, { path: 'id', sentence: 'There is no such label in this outfit.' });
  return new Response(JSON.stringify(held.label, null, 2) + '\n', {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${held.label.key}-v${held.label.version}.json"`,
    },
  });
});
