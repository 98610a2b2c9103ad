'use client';

import { currentWrite, type OfflineCommand } from '@/core/phone/command-names';
import { nextOf, stillQueued } from '@/core/phone/queue';
import type { SyncResult, Send } from '@/core/phone/send';
import { keepClockAhead, phoneNow } from './clock.client';
import { canKeep, phoneStore, type Sealed } from './store.client';
import { browserNow } from '@/ui/clock.client';

/** A write that waits on this phone to be sent. */
export interface QueuedWrite extends Omit<Send, 'verb'> {
  verb: OfflineCommand;
  seq: number;
  /** What pages show of it until it is sent, beside what it says itself. */
  shown: unknown;
}

/** Pages of this phone hear of what waits, in whichever tab it was written. */
const CHANNEL = 'elmhorn-waiting';
const ears = new Set<() => void>();
let channel: BroadcastChannel | null = null;
const tell = () => {
  for (const ear of ears) ear();
  channel?.postMessage('changed');
};
/** Hears whenever what waits has changed. @returns lets go again */
export function onQueueChange(ear: () => void): () => void {
  if (!channel && typeof BroadcastChannel !== 'undefined') {
    channel = new BroadcastChannel(CHANNEL);
    channel.onmessage = () => {
      for (const other of ears) other();
    };
  }
  ears.add(ear);
  return () => void ears.delete(ear);
}

const text = new TextEncoder();
async function seal(key: CryptoKey, what: unknown): Promise<Pick<Sealed, 'iv' | 'data' | 'bytes'>> {
  const bytes = text.encode(JSON.stringify(what));
  const iv = crypto.getRandomValues(new Uint8Array(12));
  return { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, bytes), bytes: bytes.length };
}
async function unseal(key: CryptoKey, s: Sealed): Promise<unknown> {
  const bytes = await crypto.subtle.decrypt({ name: 'AES-GCM', iv: s.iv }, key, s.data);
  return JSON.parse(new TextDecoder().decode(bytes));
}

/**
 * Keeps a write on this phone, sealed, behind all that waits.
 * @param tried whether it was on its way and no answer came: then the server may have it
 * @returns false where it cannot be kept
 */
export async function queueWrite(
  w: Omit<Send, 'at' | 'clockAt'> & { shown?: unknown },
  tried = false,
): Promise<boolean> {
  if (!canKeep()) return false;
  const db = await phoneStore();
  const holder = await db.get('holder', 'me');
  const key = holder && (await db.get('keys', holder.personId));
  if (!holder || !key) return false;
  const { shown, ...send } = w;
  const at = { at: phoneNow().toISOString(), clockAt: browserNow().toISOString() };
  // What pages show of it is sealed apart: a file that is handed over holds what the server reads and nothing else.
  const [sealed, beside] = await Promise.all([seal(key, { ...send, ...at }), seal(key, shown ?? null)]);
  const kept = { id: w.id, personId: holder.personId, phoneId: holder.phoneId, at: browserNow().getTime(), ...sealed };
  await db.add('waiting', { ...kept, tried, beside: { iv: beside.iv, data: beside.data } });
  tell();
  return true;
}

/** How much waits on this phone, whoever wrote it. */
export async function countQueue(): Promise<number> {
  return canKeep() ? (await phoneStore()).count('waiting') : 0;
}

/** What waits of whoever holds this phone, in the order in which it was written; nothing without the key. */
export async function readQueue(): Promise<QueuedWrite[]> {
  if (!canKeep()) return [];
  const db = await phoneStore();
  const holder = await db.get('holder', 'me');
  const key = holder && (await db.get('keys', holder.personId));
  if (!holder || !key) return [];
  const mine = (await db.getAll('waiting')).filter((s) => s.personId === holder.personId);
  return Promise.all(
    mine.map(async (s) => ({
      // The app may have been renewed since.
      ...(currentWrite((await unseal(key, s)) as Send) as Send & { verb: OfflineCommand }),
      shown: await unseal(key, { ...s, ...s.beside }),
      seq: s.seq!,
    })),
  );
}

/**
 * Takes back a write that waits, where it was a slip.
 * @returns false where it has been sent already, or may have been: then it is taken back on the server, behind itself
 */
export async function takeBack(id: string): Promise<boolean> {
  if (!canKeep()) return false;
  const db = await phoneStore();
  const found = (await db.getAll('waiting')).find((s) => s.id === id);
  if (!found || found.tried) return false;
  await db.delete('waiting', found.seq!);
  tell();
  return true;
}

/** How a try to send ended. */
export type Sent =
  | { how: 'empty'; synced: number; refused: number; aheadS: number | null }
  | { how: 'no answer' | 'signed out' | 'ended' | 'somebody else'; synced: number; refused: number };

/** What waits, sent in its order until nothing does or the line breaks. Tabs of one browser take turns. */
export async function sendQueue(): Promise<Sent> {
  if (!canKeep()) return { how: 'empty', synced: 0, refused: 0, aheadS: null };
  if (!navigator.locks) return sendAll();
  return navigator.locks.request('elmhorn-sends', { ifAvailable: true }, async (lock) =>
    lock ? sendAll() : { how: 'somebody else' as const, synced: 0, refused: 0 },
  );
}

async function asTried(seqs: readonly number[]): Promise<void> {
  const tx = (await phoneStore()).transaction('waiting', 'readwrite');
  for (const seq of seqs) {
    const found = await tx.store.get(seq);
    if (found && !found.tried) await tx.store.put({ ...found, tried: true });
  }
  await tx.done;
}

async function sendAll(): Promise<Sent> {
  const sum = { synced: 0, refused: 0 };
  let aheadS: number | null = null;
  for (;;) {
    const waiting = await readQueue();
    if (!waiting.length) return { how: 'empty', ...sum, aheadS };
    const db = await phoneStore();
    const holder = (await db.get('holder', 'me'))!;
    const sizes = new Map((await db.getAll('waiting')).map((s) => [s.seq!, s.bytes]));
    const batch = nextOf(waiting.map((w) => ({ ...w, bytes: sizes.get(w.seq) ?? 0 })));
    // From here on the server may have them, whether or not its answer comes.
    await asTried(batch.map((b) => b.seq));
    let answer: Response;
    try {
      answer = await fetch('/api/phone/sends', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({
          phoneId: holder.phoneId,
          clockNow: browserNow().toISOString(),
          sends: batch.map(({ id, verb, what, input, at, clockAt }) => ({ id, verb, what, input, at, clockAt })),
        }),
        signal: AbortSignal.timeout(90_000),
      });
    } catch {
      return { how: 'no answer', ...sum };
    }
    if (answer.status === 401) return { how: 'signed out', ...sum };
    if (answer.status === 410) return { how: 'ended', ...sum };
    if (!answer.ok) return { how: 'no answer', ...sum };
    const got = (await answer.json()) as { synced: SyncResult[]; aheadS: number };
    ({ aheadS } = got);
    keepClockAhead(got.aheadS);
    const still = stillQueued(batch, got.synced);
    const tx = db.transaction('waiting', 'readwrite');
    await Promise.all(batch.filter((b) => !still.includes(b)).map((b) => tx.store.delete(b.seq)));
    await tx.done;
    sum.synced += got.synced.filter((l) => l.ok).length;
    sum.refused += got.synced.filter((l) => !l.ok).length;
    tell();
    // The server spoke of none of them: going on would ask the same for ever.
    if (still.length === batch.length) return { how: 'no answer', ...sum };
  }
}

const base64 = (bytes: ArrayBuffer | Uint8Array) => {
  let out = '';
  for (const b of bytes instanceof Uint8Array ? bytes : new Uint8Array(bytes)) out += String.fromCharCode(b);
  return btoa(out);
};
/** What waits, as files for another phone: one for each phone and person that wrote it. No key is needed, and none is in it. */
export async function handOver(): Promise<{ name: string; file: Blob }[]> {
  const all = await (await phoneStore()).getAll('waiting');
  const phones = [...new Set(all.map((s) => s.phoneId))];
  return phones.map((phoneId) => ({
    name: `elmhorn-handed-${phoneId.slice(-6)}.json`,
    file: new Blob(
      [
        JSON.stringify({
          format: 'elmhorn-handed',
          formatVersion: 1,
          phoneId,
          sealed: all.filter((s) => s.phoneId === phoneId).map((s) => ({ iv: base64(s.iv), data: base64(s.data) })),
        }),
      ],
      { type: 'application/json' },
    ),
  }));
}
