import type { Result } from '@/lib/result';
import { command } from '@/commands/command';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { readReading, typedReading } from '@/core/measure/reading';
import { addReading } from '@/store/inspections';

/** Measuring: every stem as typed, the height it was read at, what was in the way. */
export const measureTree = command({
  name: 'measure-tree',
  right: 'measure',
  schema: typedReading,
  once: (x) => x.id,
  run: async ({ viewer, occurredAt }, m): Promise<Result<{ next: string }>> => {
    const read = readReading(m);
    if (!read.ok) return read;
    const tree = await treeOf(viewer, m.treeId, occurredAt);
    if (!tree) return noTree;
    await addReading(viewer, { id: m.id, treeId: tree.id, at: occurredAt, ...read.value });
    const next = !tree.looks.length ? 'inspect' : !tree.savedDiagnoses.length ? 'diagnose' : 'prescribe';
    return { ok: true, value: { next: `/trees/${tree.id}/${next}` } };
  },
});
