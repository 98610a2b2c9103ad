import { issuesOf } from '@/lib/result';
import { handshake } from '@/commands/phone/handshake';
import { NOT_THIS_PHONE } from '@/commands/phone/receive';
import { handshakeSchema } from '@/core/phone/send';
import { bodyOf, issueResponse, route } from '../../_server/api';
import { clockNow } from '@/store/clock';

/** A phone meets the server: the key that seals what waits on it, and the rounds that it holds. */
export const POST = route(
  null,
  async (viewer, request) => {
    const sent = await bodyOf(request, 4000);
    if (!sent.ok) return sent.issue;
    const read = handshakeSchema.safeParse(sent.value);
    if (!read.success) return issueResponse(400, ...issuesOf(read.error));
    const met = await handshake(viewer, clockNow(), read.data);
    return met
      ? Response.json(met, { headers: { 'cache-control': 'no-store' } })
      : issueResponse(410, { path: 'phoneId', message: NOT_THIS_PHONE });
  },
  { what: 'phone', most: 60, seconds: 60 },
);
