import { uuid } from '@/lib/ids';
import { planMovesView } from '@/views/plan-days';
import { issueResponse, route } from '../../../_server/api';
import { stationFor } from '../../../_server/station';
import { clockNow } from '@/store/clock';

/** Plans of a place that the season has moved: asked after the page of its year stands. */
export const GET = route('see the grounds', async (viewer, request) => {
  const place = uuid.safeParse(new URL(request.url).searchParams.get('place'));
  const moves = place.success ? await planMovesView(viewer, place.data, stationFor, clockNow()) : null;
  return moves ? Response.json(moves) : issueResponse(404, { path: 'place', message: 'There is no such place.' });
});
