import { meetPhone } from '@/commands/phone/meet';
import { NOT_THIS_PHONE } from '@/commands/phone/receive';
import { meetingSchema } from '@/core/phone/send';
import { bodyOf, faulty, route } from '../../_server/api';
import { faultsOf } from '@/commands/command';
import { clockNow } from '@/store/clock';

/** A phone meets the server: the key that seals what waits on it, and the rounds that it holds. */
export const POST = route(
  null,
  async (viewer, request) => {
    const sent = await bodyOf(request, 4000);
    if (!sent.ok) return sent.fault;
    const read = meetingSchema.safeParse(sent.value);
    if (!read.success) return faulty(400, ...faultsOf(read.error));
    const met = await meetPhone(viewer, clockNow(), read.data);
    return met
      ? Response.json(met, { headers: { 'cache-control': 'no-store' } })
      : faulty(410, { path: 'phoneId', sentence: NOT_THIS_PHONE });
  },
  { what: 'phone', most: 60, seconds: 60 },
);
