import { digestOf } from '@/facts/digest';
import { refuse, type Result } from '@/lib/result';
import { v7 } from 'uuid';
import { command } from '@/commands/command';
import { breaks, heatStrangers, readSent } from '@/commands/guide/own-entry';
import { uuid } from '@/lib/ids';
import type { CustomEntry } from '@/core/custom/overlay';
import { keyOf, customFileSchema, type HeatEntry } from '@/core/custom/custom-file';
import { addEntry, customEntries, customHeatEntries } from '@/store/knowledge';
import { z } from 'zod';

type Sent = CustomEntry | HeatEntry;
const TOLD = 12;
const NOTE_MOST = 500;

/** Entries of another company, from its file: all of them, or none and what is wrong with which. */
export const importCustomEntries = command({
  name: 'import-custom-entries',
  right: 'edit the guide',
  schema: z.object({ id: uuid, text: z.string().max(1_000_000, 'A file may have 1 MB at most.') }),
  once: (x) => x.id,
  run: async ({ viewer }, { text }): Promise<Result<{ added: number; newer: number; same: number }>> => {
    const read = readSent(customFileSchema, text, 'the file', TOLD);
    if (!read.ok) return read;
    const { from, entries } = read.value;
    const sent = entries.map((e) => ({ ...e, key: keyOf(e), version: 1 })) as (Sent & { note: string })[];
    const named = (e: Sent) => `${e.kind} ${e.key}`;
    const twice = sent.find((e, i) => sent.findIndex((x) => named(x) === named(e)) !== i);
    if (twice) return refuse('text', `${named(twice)} stands twice in the file.`);
    const [kept, keptHeat] = await Promise.all([customEntries(viewer), customHeatEntries(viewer)]);
    const known = new Map([...kept, ...keptHeat].map((e) => [named(e), digestOf(e.data)]));
    const fresh = sent.filter((e) => known.get(named(e)) !== digestOf(e.data));
    const heat = fresh.filter((e) => e.kind === 'heat');
    const over = fresh.filter((e) => e.kind !== 'heat');
    const issues = [...(await breaks(kept, over)), ...heatStrangers([...kept, ...over], heat)];
    if (issues.length)
      return { ok: false, issues: issues.slice(0, TOLD).map((sentence) => ({ path: 'text', message: sentence })) };
    for (const e of fresh)
      await addEntry(viewer, {
        id: v7(),
        kind: e.kind,
        key: e.key,
        data: e.data,
        note: `${e.note || 'from a file'}${from ? ` (${from})` : ''}`.slice(0, NOTE_MOST),
      });
    const newer = fresh.filter((e) => known.has(named(e))).length;
    return { ok: true, value: { added: fresh.length - newer, newer, same: sent.length - fresh.length } };
  },
});
