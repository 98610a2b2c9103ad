import { issuesOf, refuse, type Result } from '@/lib/result';
import type { Context } from '@/facts/context';
import { perform, type AnyCommand } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { REASON } from '@/core/phone/reason';
import { may } from '@/core/people/rights';
import { loadViewer } from '@/store/auth';
import { syncConflicts, updateConflict, settleConflict, type SyncConflict } from '@/store/phones';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

export const settleSchema = z.discriminatedUnion('how', [
  z.object({
    how: z.literal('send again'),
    id: uuid,
    /** Reasons by the place that asked for one. */
    reasons: z
      .record(
        z.string().regex(REASON, 'Only a reason can be added.'),
        z.string().trim().max(600, 'At most 600 characters.'),
      )
      .default({}),
  }),
  z.object({
    how: z.literal('set aside'),
    id: uuid,
    words: reasonSchema('Say in a few words why it is not written.', 600),
  }),
]);

/** A write with the reasons that were added. */
function withReasons(input: unknown, reasons: Readonly<Record<string, string>>): Record<string, unknown> {
  const out = { ...(input as Record<string, unknown>) };
  for (const [path, why] of Object.entries(reasons)) {
    if (!why) continue;
    const [first, gate] = path.split('.') as [string, string | undefined];
    if (gate) out[first] = { ...(out[first] as Record<string, unknown> | undefined), [gate]: why };
    else out[first] = [out[first], why].filter(Boolean).join(' ');
  }
  return out;
}

/** Writes it as the person who did it, of the hour in which it was done. */
async function sendAgain(
  context: Context,
  verbs: (name: string) => AnyCommand | null,
  n: SyncConflict,
  reasons: Readonly<Record<string, string>>,
): Promise<Result<unknown>> {
  const verb = verbs(n.verb);
  if (!verb) return refuse('', 'This server knows no such thing.');
  const doer = await loadViewer({ companyId: context.viewer.companyId, personId: n.personId });
  if (!doer) return refuse('', 'Whoever did it is not in this company any more.');
  const { receivedAt, station } = context;
  return perform(
    verb,
    { viewer: doer, receivedAt, station },
    { ...withReasons(n.input, reasons), occurredAt: n.seenAt.toISOString(), sentAs: n.id },
  );
}

/**
 * Settles what came from a phone and was refused: sent once more, where what stood in its way is gone or a reason is added;
 * or set aside with a reason, and still kept. Whoever did it may, and whoever corrects the book.
 * Not one of the commands of the house: it speaks for another person, and only of what that person sent.
 */
export async function settle(
  context: Context,
  verbs: (name: string) => AnyCommand | null,
  input: unknown,
): Promise<Result<{ stands: boolean }>> {
  const read = settleSchema.safeParse(input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const { viewer } = context;
  const [n] = await syncConflicts(viewer, read.data.id);
  if (!n) return refuse('id', 'Somebody has settled this before, or it is not in this company.');
  if (n.personId !== viewer.personId && !may(viewer.role, 'correct'))
    return refuse('', 'Whoever did it settles it, or somebody who may correct the book.');
  if (read.data.how === 'set aside')
    return (await settleConflict(viewer, n.id, 'set aside', read.data.words))
      ? { ok: true, value: { stands: false } }
      : refuse('id', 'Somebody has settled this before.');
  const answer = await sendAgain(context, verbs, n, read.data.reasons);
  if (!answer.ok) {
    await updateConflict(viewer, n.id, answer.issues);
    return answer;
  }
  await settleConflict(viewer, n.id, 'sent again', Object.values(read.data.reasons).join(' ').slice(0, 600));
  return { ok: true, value: { stands: true } };
}
