import { refuse, type Issue } from '@/lib/result';
import type { Context } from '@/facts/context';
import { perform, type AnyCommand } from '@/commands/command';
import { sharesOf } from '@/core/records/row';
import { aheadBy } from '@/core/phone/clock';
import type { SyncResult, Send, Sends } from '@/core/phone/send';
import { together } from '@/store/db';
import { insertConflict, phoneHeard, phoneNamed, conflictsNamed } from '@/store/phones';
import { v5 } from 'uuid';
import { z } from 'zod';

/** A row of trees that was written in one go, as the phone sent it; amounts are figures. */
const rowSchema = z.looseObject({
  id: z.uuid(),
  rows: z
    .array(z.looseObject({ planId: z.uuid(), recordId: z.uuid(), amount: z.number().positive() }))
    .min(2)
    .max(60),
  startedAt: z.iso.datetime({ offset: true }),
  endedAt: z.iso.datetime({ offset: true }),
});
/** What was written in one go, tree by tree: each under an id of its own, made from that of its record. */
function partsOf(s: Send): Send[] {
  const row = s.verb === 'record-treatments' ? rowSchema.safeParse(s.input) : null;
  if (!row?.success) return [];
  const { rows, ...same } = row.data;
  const shares = sharesOf(
    rows.map((r) => r.amount),
    null,
    same,
  );
  return rows.map((r, i) => {
    const { startedAt, endedAt } = shares[i]!;
    const id = v5(s.id, r.recordId);
    return { ...s, id, input: { ...same, id, rows: [r], total: null, startedAt, endedAt } };
  });
}

/** What a phone is told when it has sent: what became of each write, and how far its clock is ahead, in seconds. */
export interface Received {
  synced: SyncResult[];
  aheadS: number;
}
/** A phone that the server does not know, or that somebody has ended. */
export const NOT_THIS_PHONE = 'This phone was ended, or is not known here. Sign in on it again.';

export type At = Omit<Context, 'occurredAt' | 'phone' | 'progress'>;

/**
 * One write of a phone, as if it were said now, but of the hour in which it was done. What is refused is kept for somebody
 * to look at, so that the phone may let go of it.
 */
export async function land(
  context: At,
  phoneId: string,
  verbs: (name: string) => AnyCommand | null,
  s: Send,
): Promise<SyncResult> {
  const verb = verbs(s.verb);
  const told = typeof s.input === 'object' && s.input !== null && !Array.isArray(s.input) ? s.input : null;
  const answer =
    verb && told
      ? await perform(
          verb,
          { ...context, phone: { id: phoneId, clockAt: s.clockAt } },
          { ...told, occurredAt: s.at, sentAs: s.id },
        )
      : refuse('', 'This server knows no such thing. The phone may run an older or a newer Elmhorn than it.');
  if (answer.ok) return { id: s.id, ok: true };
  const parts = verb && told ? partsOf(s) : [];
  if (parts.length) {
    // One tree that does not go takes no other with it: each lands, or waits to be settled, by itself.
    const issues: Issue[] = [];
    for (const part of parts) {
      const one = await land(context, phoneId, verbs, part);
      if (!one.ok) issues.push(...one.issues);
    }
    return issues.length ? { id: s.id, ok: false, issues } : { id: s.id, ok: true };
  }
  await insertConflict(context.viewer, phoneId, s, answer.issues);
  return { id: s.id, ok: false, issues: answer.issues };
}

/**
 * Takes what a phone wrote without signal, in its order. Each write lands or is kept for a look, by itself: one that is
 * refused holds none of the others up. Sent again, each is answered as before.
 * @param commands the commands of the house by their names
 * @returns null for a phone that is given nothing any more
 * @throws a bug or an outage; what had landed before it stays landed, and the phone sends the rest again
 */
export async function receive(
  context: At,
  verbs: (name: string) => AnyCommand | null,
  { phoneId, clockNow, sends }: Sends,
): Promise<Received | null> {
  const { viewer, receivedAt } = context;
  const aheadS = aheadBy(Date.parse(clockNow), receivedAt.getTime());
  const before = await together(viewer, async () => {
    const phone = await phoneNamed(viewer, phoneId);
    if (!phone || phone.endedAt || phone.personId !== viewer.personId) return null;
    await phoneHeard(viewer, phoneId, aheadS);
    return conflictsNamed(
      viewer,
      sends.map((s) => s.id),
    );
  });
  if (!before) return null;
  const synced: SyncResult[] = [];
  for (const s of sends) {
    // What was refused is settled by whoever looks at it, not by sending it once more.
    const refused = before.find((b) => b.id === s.id);
    synced.push(refused ? { id: s.id, ok: false, issues: refused.issues } : await land(context, phoneId, verbs, s));
  }
  return { synced, aheadS };
}
