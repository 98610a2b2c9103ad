'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { faultsIn } from '@/core/diagnose/check';
import { likelihoodEntry, overlay, ownConditionEntry, type OwnEntry } from '@/core/diagnose/overlay';
import { shipped } from '@/knowledge';
import { addEntry, ownEntries } from '@/store/knowledge';
import { act, done, faultsOf, refuse, type Answer } from '@/app/_server/act';
import type { Viewer } from '@/store/auth';

const note = z.string().trim().min(3, 'Say what it rests on.').max(500, 'At most 500 signs.');

/** What an entry would break, told before it is kept; what ships is sound, so every fault is the entry's. */
async function breaks(v: Viewer, entry: OwnEntry): Promise<string[]> {
  const others = (await ownEntries(v)).filter((e) => e.kind !== entry.kind || e.key !== entry.key);
  const before = new Set(faultsIn(overlay(shipped, others).knowledge));
  return faultsIn(overlay(shipped, [...others, entry]).knowledge).filter((f) => !before.has(f));
}

export const setLikelihood = act(
  'edit the guide',
  likelihoodEntry.extend({ id: uuid, note }),
  async (v, { id, note: why, ...data }): Promise<Answer> => {
    const key = `${data.condition}/${data.sign}`;
    const faults = await breaks(v, { kind: 'likelihood', key, version: 1, data });
    if (!shipped.signs.some((s) => s.id === data.sign)) return refuse('sign', 'There is no such sign.');
    if (faults.length) return refuse('often', `That would leave the guide with a gap: ${faults[0]}.`);
    await addEntry(v, { id, kind: 'likelihood', key, data, note: why });
    revalidatePath('/', 'layout');
    return done;
  },
);

/** An own condition, as JSON of the published shape; the same checks run over it as over what ships. */
export const addOwnCondition = act(
  'edit the guide',
  z.object({ id: uuid, text: z.string().max(40_000, 'At most 40,000 signs.'), note }),
  async (v, { id, text, note: why }): Promise<Answer<{ key: string }>> => {
    let raw: unknown;
    try {
      raw = JSON.parse(text);
    } catch {
      return refuse('text', 'This is not JSON.');
    }
    const read = ownConditionEntry.safeParse(raw);
    if (!read.success)
      return {
        ok: false,
        faults: faultsOf(read.error).map((f) => ({ path: 'text', sentence: `${f.path || 'entry'}: ${f.sentence}` })),
      };
    const faults = await breaks(v, { kind: 'condition', key: read.data.id, version: 1, data: read.data });
    if (faults.length) return { ok: false, faults: faults.slice(0, 6).map((sentence) => ({ path: 'text', sentence })) };
    await addEntry(v, { id, kind: 'condition', key: read.data.id, data: read.data, note: why });
    revalidatePath('/', 'layout');
    return { ok: true, value: { key: read.data.id } };
  },
);
