import { invalidatedView } from '@/views/jobs';
import { route } from '../../../_server/api';
import { stationFor } from '../../../_server/station';
import { clockNow } from '@/store/clock';

/** What has turned under the rounds in force: asked after the page of rounds stands. */
export const GET = route('see the grounds', async (viewer) =>
  Response.json(await invalidatedView(viewer, clockNow(), stationFor)),
);
