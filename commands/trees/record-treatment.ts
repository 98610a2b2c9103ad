import type { Result } from '@/lib/result';
import { command } from '@/commands/command';
import { bookingOf, writeBooking } from '@/facts/booking';
import { settleAnew } from '@/commands/programmes/settle';
import { planRest, type RestOfIt } from '@/commands/trees/rest';
import { bookingSchema } from '@/core/book/record';

/** What a booking made: its record, what comes next, and what became of what did not go in. */
export interface Booked {
  recordId: string;
  due: { what: string; due: string }[];
  rest: RestOfIt | null;
}

/** Booking: the record, the stock, the follow-ups and the end of the plan, together or not at all. */
export const recordTreatment = command({
  name: 'record-treatment',
  right: 'apply',
  schema: bookingSchema,
  once: (x) => x.id,
  run: async (context, b): Promise<Result<Booked>> => {
    const booking = await bookingOf(context, b);
    if (!booking.ok) return booking;
    const written = await writeBooking(context, booking.value);
    if (!written.ok) return written;
    const { assignment, due } = booking.value;
    if (assignment) await settleAnew(context, assignment.assignmentId, [assignment.treeId]);
    const rest = await planRest(context, booking.value);
    return { ok: true, value: { recordId: b.id, due: due.map((f) => ({ what: f.what, due: f.due })), rest } };
  },
});
