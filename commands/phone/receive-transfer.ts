import { issuesOf, refuse, type Result } from '@/lib/result';
import { createDecipheriv } from 'node:crypto';
import { type AnyCommand } from '@/commands/command';
import { transferSchema, type Transfer } from '@/core/phone/transfer';
import { sendSchema, type Send } from '@/core/phone/send';
import { loadViewer } from '@/store/auth';
import { phoneNamed, conflictsNamed } from '@/store/phones';
import { land, type At } from './receive';

/** Opens what a phone sealed. @throws where it was changed, or sealed by another key */
function open(key: Buffer, { iv, data }: Transfer['sealed'][number]): unknown {
  const bytes = Buffer.from(data, 'base64');
  const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(iv, 'base64'));
  decipher.setAuthTag(bytes.subarray(-16));
  return JSON.parse(Buffer.concat([decipher.update(bytes.subarray(0, -16)), decipher.final()]).toString('utf8'));
}

const opened = (key: Buffer, transfer: Transfer): Send[] | null => {
  try {
    return transfer.sealed.map((s) => sendSchema.parse(open(key, s)));
  } catch {
    return null;
  }
};

/**
 * Takes what another phone handed over in a file: it is written for the person who did it, not for the one who carries it.
 * Brought twice, or sent by its own phone as well, it lands once.
 */
export async function receiveTransfer(
  context: At,
  verbs: (name: string) => AnyCommand | null,
  input: unknown,
): Promise<Result<{ synced: number; refused: number; by: string }>> {
  const read = transferSchema.safeParse(input);
  if (!read.success) return { ok: false, issues: issuesOf(read.error) };
  const { phoneId } = read.data;
  const phone = await phoneNamed(context.viewer, phoneId);
  if (!phone) return refuse('phoneId', 'This file is of a phone that is not of this company.');
  if (phone.endedAt)
    return refuse('phoneId', 'This phone was ended. Let it in again first, if what is in the file is to be believed.');
  const doer = await loadViewer({ companyId: context.viewer.companyId, personId: phone.personId });
  const sends = opened(phone.key, read.data);
  if (!doer || !sends) return refuse('sealed', 'This file was changed or is damaged. Hand over once more.');
  const before = new Set(
    (
      await conflictsNamed(
        doer,
        sends.map((s) => s.id),
      )
    ).map((r) => r.id),
  );
  let synced = 0;
  for (const s of sends)
    if (!before.has(s.id) && (await land({ ...context, viewer: doer }, phoneId, verbs, s)).ok) synced++;
  return { ok: true, value: { synced, refused: sends.length - synced, by: doer.name } };
}
