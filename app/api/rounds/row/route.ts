import { z } from 'zod';
import { saidSchema } from '@/commands/said';
import { bookingSchema, uuid } from '@/core/book/record';
import { rowGatesView } from '@/views/row';
import { bodyOf, faulty, route } from '../../../_server/api';

const { weather, soil, leaf, intakeMmH, startedAt } = bookingSchema.shape;
const asked = z.strictObject({
  planIds: z.array(uuid).min(1).max(60),
  at: z.strictObject({ weather, soil, leaf, intakeMmH, startedAt, said: saidSchema }),
});
const MOST_BYTES = 64_000;

/** What stands at the trees of a row, asked while somebody says how ground and air are. */
export const POST = route('apply', async (viewer, request) => {
  const body = await bodyOf(request, MOST_BYTES);
  if (!body.ok) return body.fault;
  const read = asked.safeParse(body.value);
  if (!read.success)
    return faulty(400, ...read.error.issues.map((i) => ({ path: i.path.join('.'), sentence: i.message })));
  return Response.json(await rowGatesView(viewer, read.data.planIds, read.data.at, new Date()));
});
