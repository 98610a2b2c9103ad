import { MOST_TOGETHER } from './limits';
import type { SyncResult } from './send';

/** Bytes of writes that travel together, about a second and a half of a thin line. */
export const MOST_BYTES = 64_000;

/** What waits, as far as its order asks: the phone numbers it. */
export interface Numbered {
  seq: number;
  id: string;
  bytes: number;
}

/**
 * What is sent next: the first of what waits, in the order in which it was written, as many as travel together; one that is
 * longer than that travels alone.
 */
export function nextOf<T extends Numbered>(waiting: readonly T[]): T[] {
  const inOrder = [...waiting].sort((a, b) => a.seq - b.seq);
  const out: T[] = [];
  let bytes = 0;
  for (const w of inOrder) {
    if (out.length && (out.length >= MOST_TOGETHER || bytes + w.bytes > MOST_BYTES)) break;
    out.push(w);
    bytes += w.bytes;
  }
  return out;
}

/** What still waits once the server has answered: only what it spoke of is gone from the phone. */
export const stillQueued = <T extends Numbered>(waiting: readonly T[], synced: readonly SyncResult[]): T[] =>
  waiting.filter((w) => !synced.some((l) => l.id === w.id));

/** How long to wait before trying again, ms: from two seconds, twice as long each time, to five minutes. */
export const waitMs = (tries: number): number => Math.min(300_000, 2000 * 2 ** Math.max(0, tries));
