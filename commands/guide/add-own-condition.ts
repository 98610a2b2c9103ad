import { command, faultsOf, refuse, type Answer } from '@/commands/command';
import { breaks, note } from '@/commands/guide/own-entry';
import { uuid } from '@/core/book/record';
import { ownConditionEntry } from '@/core/diagnose/overlay';
import { addEntry } from '@/store/knowledge';
import { z } from 'zod';

/** An own condition, as JSON of the published shape; the same checks run over it as over what ships. */
export const addOwnCondition = command({
  name: 'add-own-condition',
  right: 'edit the guide',
  schema: z.object({ id: uuid, text: z.string().max(40_000, 'At most 40,000 signs.'), note }),
  run: async ({ viewer }, { id, text, note: why }): Promise<Answer<{ key: string }>> => {
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
    const faults = await breaks(viewer, { kind: 'condition', key: read.data.id, version: 1, data: read.data });
    if (faults.length) return { ok: false, faults: faults.slice(0, 6).map((sentence) => ({ path: 'text', sentence })) };
    await addEntry(viewer, { id, kind: 'condition', key: read.data.id, data: read.data, note: why });
    return { ok: true, value: { key: read.data.id } };
  },
});
