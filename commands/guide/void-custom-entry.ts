import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { breaks, note } from '@/commands/guide/own-entry';
import { uuid } from '@/lib/ids';
import { ADDED_KINDS, type CustomEntry } from '@/core/custom/overlay';
import { addEntry, customEntries, ownInUse } from '@/store/knowledge';
import { z } from 'zod';

/** An own entry that is told no more: what it was stays on record; one that trees or the book name stays. */
export const voidCustomEntry = command({
  name: 'void-custom-entry',
  right: 'edit the guide',
  schema: z.object({ id: uuid, kind: z.enum(ADDED_KINDS), key: z.string().max(60), note }),
  once: (x) => x.id,
  run: async ({ viewer }, { id, kind, key, note: why }): Promise<Result> => {
    const kept = await customEntries(viewer);
    if (!kept.some((e) => e.kind === kind && e.key === key && e.data !== null))
      return refuse('key', 'There is no such entry of your own.');
    if (await ownInUse(viewer, kind, key))
      return refuse('key', 'Trees, looks or the book name it: it stays, so that they can be read. Change it instead.');
    const issues = await breaks(kept, [{ kind, key, version: 1, data: null } as CustomEntry]);
    if (issues.length) return refuse('key', `That would leave the guide with a gap: ${issues[0]}.`);
    await addEntry(viewer, { id, kind, key, data: null, note: why });
    return done;
  },
});
