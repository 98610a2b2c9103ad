import { issuesOf } from '@/lib/result';
import { revalidatePath } from 'next/cache';
import { commandNamed } from '@/commands';
import { NOT_THIS_PHONE, receive } from '@/commands/phone/receive';
import { sendsSchema } from '@/core/phone/send';
import { bodyOf, issueResponse, route } from '../../../_server/api';
import { carryMessages } from '../../../_server/messages';
import { stationFor } from '../../../_server/station';
import { clockNow } from '@/store/clock';

/** What a phone wrote without signal, in its order; each write is answered by itself. */
export const POST = route(
  null,
  async (viewer, request) => {
    const sent = await bodyOf(request, 2_500_000);
    if (!sent.ok) return sent.issue;
    const read = sendsSchema.safeParse(sent.value);
    if (!read.success) return issueResponse(400, ...issuesOf(read.error));
    const got = await receive({ viewer, receivedAt: clockNow(), station: stationFor }, commandNamed, read.data);
    if (!got) return issueResponse(410, { path: 'phoneId', message: NOT_THIS_PHONE });
    if (got.synced.some((l) => l.ok)) {
      await carryMessages();
      revalidatePath('/', 'layout');
    }
    return Response.json(got, { headers: { 'cache-control': 'no-store' } });
  },
  { what: 'sends', most: 240, seconds: 60 },
);
