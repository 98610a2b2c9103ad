import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { batchesNamed, takenFrom, unmakeBatch as writeUnmade } from '@/store/batches';
import { v7 } from 'uuid';
import { z } from 'zod';

/** A mix that was written by a slip was never made: its product goes back into its lots, as long as nothing was taken from it. */
export const voidBatch = command({
  name: 'void-batch',
  right: 'apply',
  schema: z.object({ id: uuid, batchId: uuid }),
  once: (x) => x.id,
  run: async ({ viewer, occurredAt }, { id, batchId }): Promise<Result> => {
    const [batch] = await batchesNamed(viewer, [batchId]);
    if (!batch) return refuse('batchId', 'There is no such mix in this company.');
    if ((await takenFrom(viewer, [batchId])).length)
      return refuse('batchId', 'Something was taken from it already: say what becomes of the rest.');
    await writeUnmade(viewer, {
      id,
      batch,
      at: occurredAt,
      lots: batch.lots.map((l) => ({ moveId: v7(), lotId: l.id, amount: l.amount })),
    });
    return done;
  },
});
