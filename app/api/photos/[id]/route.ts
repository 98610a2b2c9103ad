import { uuid } from '@/lib/ids';
import { getPhoto } from '@/store/photos';
import { issueResponse, route } from '../../../_server/api';

export const GET = route('see the grounds', async (viewer, _request, { id }) => {
  const bytes = uuid.safeParse(id).success ? await getPhoto(viewer, id!) : null;
  if (!bytes) return issueResponse(404, { path: 'id', message: 'There is no such photo in this company.' });
  return new Response(new Uint8Array(bytes), {
    headers: {
      'content-type': 'image/jpeg',
      'cache-control': 'private, no-store',
      'content-security-policy': "default-src 'none'",
    },
  });
});
