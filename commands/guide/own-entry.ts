import { faultsIn } from '@/core/diagnose/check';
import { overlay, type OwnEntry } from '@/core/diagnose/overlay';
import { shipped } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { ownEntries } from '@/store/knowledge';
import { z } from 'zod';

/** What an entry of one's own rests on. */
export const note = z.string().trim().min(3, 'Say what it rests on.').max(500, 'At most 500 signs.');

/** What an entry would break, told before it is kept; what ships is sound, so every fault is the entry's. */
export async function breaks(v: Viewer, entry: OwnEntry): Promise<string[]> {
  const others = (await ownEntries(v)).filter((e) => e.kind !== entry.kind || e.key !== entry.key);
  const before = new Set(faultsIn(overlay(shipped, others).knowledge));
  return faultsIn(overlay(shipped, [...others, entry]).knowledge).filter((f) => !before.has(f));
}
