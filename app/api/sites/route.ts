import { findSites } from '@/store/sites';
import { route } from '../../_server/api';

/** Sites by a part of their name, address or client's name, for whoever chooses one of more than a list holds. */
export const GET = route('see the grounds', async (viewer, request) =>
  Response.json(await findSites(viewer, (new URL(request.url).searchParams.get('find') ?? '').slice(0, 80))),
);
