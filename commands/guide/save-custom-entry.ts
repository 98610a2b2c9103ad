import type { Result } from '@/lib/result';
import { command } from '@/commands/command';
import { breaks, note, readSent } from '@/commands/guide/own-entry';
import { uuid } from '@/lib/ids';
import { ADDED_KINDS, CUSTOM_SCHEMAS, type CustomEntry } from '@/core/custom/overlay';
import { addEntry, customEntries } from '@/store/knowledge';
import { z } from 'zod';

/** Faults of an entry that are told at once: each stands beside its field. */
const TOLD = 20;

/** A host, sign, test, condition or work of one's own, as JSON of the published shape; checked as what ships is. */
export const saveCustomEntry = command({
  name: 'save-custom-entry',
  right: 'edit the guide',
  schema: z.object({
    id: uuid,
    kind: z.enum(ADDED_KINDS),
    text: z.string().max(40_000, 'At most 40,000 characters.'),
    note,
  }),
  once: (x) => x.id,
  run: async ({ viewer }, { id, kind, text, note: why }): Promise<Result<{ key: string }>> => {
    const read = readSent<z.ZodType<{ id: string }>>(CUSTOM_SCHEMAS[kind], text, 'entry', TOLD);
    if (!read.ok) return read;
    const entry = { kind, key: read.value.id, version: 1, data: read.value } as CustomEntry;
    const issues = await breaks(await customEntries(viewer), [entry]);
    if (issues.length)
      return { ok: false, issues: issues.slice(0, TOLD).map((sentence) => ({ path: 'text', message: sentence })) };
    await addEntry(viewer, { id, kind, key: read.value.id, data: read.value, note: why });
    return { ok: true, value: { key: read.value.id } };
  },
});
