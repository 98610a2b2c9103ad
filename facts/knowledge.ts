import { memoizeRecent } from '@/lib/memoize';
import { overlay, type Overlaid, type CustomEntry } from '@/core/custom/overlay';
import { shipped } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { customEntries } from '@/store/knowledge';

/** Companies whose knowledge is kept laid together; entries are only ever added, so that a version says what it holds. */
const overlaid = memoizeRecent<{ assignment: Overlaid | null }>(50);
const NOTHING_ASSIGNED = overlay(shipped, []);

/** A company's own entries; nothing is asked of the database where it has written none. */
export const entriesOf = async (v: Viewer): Promise<CustomEntry[]> =>
  v.customEntries === 0 ? [] : [...(await customEntries(v))];

/** What this company knows: what ships, with its own entries laid over it. */
export async function knowledgeOf(v: Viewer): Promise<Overlaid> {
  if (v.customEntries === 0) return NOTHING_ASSIGNED;
  const kept = overlaid(`${v.companyId} ${v.customEntries}`, () => ({ assignment: null }));
  return (kept.assignment ??= overlay(shipped, await entriesOf(v)));
}
