import { lastFew } from '@/core/diagnose/once';
import { overlay, type Overlaid } from '@/core/diagnose/overlay';
import { shipped } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { ownEntries } from '@/store/knowledge';

/** Outfits whose knowledge is kept laid together; entries are only ever added, so that a version says what it holds. */
const overlaid = lastFew<Overlaid>(50);

/** What this outfit knows: what ships, with its own entries laid over it. */
export async function knowledgeOf(v: Viewer): Promise<Overlaid> {
  const entries = await ownEntries(v);
  const key = [v.outfitId, ...entries.map((e) => `${e.kind} ${e.key} ${e.version}`)].join();
  return overlaid(key, () => overlay(shipped, entries));
}
