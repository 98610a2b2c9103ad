import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { endSchema } from '@/core/mix/end';
import { batchesNamed, endBatch as writeEnd } from '@/store/batches';
import { pgCode } from '@/store/db';

/** What became of the rest of a mix: kept under its tag until its end, handed in, or spilled. It is never poured away. */
export const finishBatch = command({
  name: 'finish-batch',
  right: 'apply',
  schema: endSchema,
  once: (x) => x.id,
  run: async ({ viewer, occurredAt }, { id, batchId, how, mixMl, words }): Promise<Result> => {
    const [batch] = await batchesNamed(viewer, [batchId]);
    if (!batch) return refuse('batchId', 'There is no such mix in this company.');
    if (batch.leftMl <= 0) return refuse('batchId', 'Nothing is left of it.');
    if (how === 'kept' && batch.goodUntil <= occurredAt)
      return refuse('how', 'It is good no longer, and is not kept: hand it in.');
    if (mixMl !== null && mixMl > batch.leftMl + 1e-6)
      return refuse('mixMl', `Only ${Number(batch.leftMl.toPrecision(4))} mL is left of it.`);
    try {
      await writeEnd(viewer, {
        id,
        batchId,
        ended: how,
        mixMl: how === 'kept' ? 0 : Math.min(mixMl ?? batch.leftMl, batch.leftMl),
        words,
        at: occurredAt,
      });
    } catch (error) {
      if (pgCode(error) === '23514') return refuse('mixMl', 'Somebody else drew from it meanwhile; look again.');
      throw error;
    }
    return done;
  },
});
