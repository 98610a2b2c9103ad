import { revalidatePath } from 'next/cache';
import { commandNamed } from '@/commands';
import { receiveTransfer } from '@/commands/phone/receive-transfer';
import { bodyOf, route } from '../../../_server/api';
import { stationFor } from '../../../_server/station';
import { clockNow } from '@/store/clock';

/** What waits on another phone, brought in a file that only the server can open. */
export const POST = route(
  'apply',
  async (viewer, request) => {
    const sent = await bodyOf(request, 10_000_000);
    if (!sent.ok) return sent.issue;
    const answer = await receiveTransfer(
      { viewer, receivedAt: clockNow(), station: stationFor },
      commandNamed,
      sent.value,
    );
    if (answer.ok) revalidatePath('/', 'layout');
    return Response.json(answer, { status: answer.ok ? 200 : 422, headers: { 'cache-control': 'no-store' } });
  },
  { what: 'handed', most: 20, seconds: 60 },
);
