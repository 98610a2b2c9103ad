import { uuid } from '@/lib/ids';
import { planDaysView } from '@/views/plan-days';
import { issueResponse, route } from '../../../_server/api';
import { stationFor } from '../../../_server/station';
import { clockNow } from '@/store/clock';

/** On which days a plan may stand: asked when somebody takes it in hand to move it. */
export const GET = route('see the grounds', async (viewer, request) => {
  const plan = uuid.safeParse(new URL(request.url).searchParams.get('plan'));
  const days = plan.success ? await planDaysView(viewer, plan.data, stationFor, clockNow()) : null;
  return days ? Response.json(days) : issueResponse(404, { path: 'plan', message: 'No such plan waits here.' });
});
