import type { Result } from '@/lib/result';
import { command } from '@/commands/command';
import { treatmentInputOf, writeTreatment } from '@/facts/recording';
import { settleAnew } from '@/commands/programmes/settle';
import { planRest, type RestOfIt } from '@/commands/trees/rest';
import { treatmentInputSchema } from '@/core/records/record';

/** What a booking made: its record, what comes next, and what became of what did not go in. */
export interface Recorded {
  recordId: string;
  due: { what: string; due: string }[];
  rest: RestOfIt | null;
}

/** Booking: the record, the stock, the follow-ups and the end of the plan, together or not at all. */
export const recordTreatment = command({
  name: 'record-treatment',
  right: 'apply',
  schema: treatmentInputSchema,
  once: (x) => x.id,
  run: async (context, b): Promise<Result<Recorded>> => {
    const treatmentInput = await treatmentInputOf(context, b);
    if (!treatmentInput.ok) return treatmentInput;
    const written = await writeTreatment(context, treatmentInput.value);
    if (!written.ok) return written;
    const { assignment, due } = treatmentInput.value;
    if (assignment) await settleAnew(context, assignment.assignmentId, [assignment.treeId]);
    const rest = await planRest(context, treatmentInput.value);
    return { ok: true, value: { recordId: b.id, due: due.map((f) => ({ what: f.what, due: f.due })), rest } };
  },
});
