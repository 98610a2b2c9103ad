import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { treeOf } from '@/facts/tree';
import { uuid } from '@/lib/ids';
import { voidInspectionRow } from '@/store/inspections';
import { z } from 'zod';
import { reasonSchema } from '@/lib/reason-schema';

/** Takes a look back: it stays in the book of the tree with its reason, and is no evidence any more. */
export const voidInspection = command({
  name: 'void-inspection',
  right: 'examine',
  schema: z.object({
    treeId: uuid,
    inspectionId: uuid,
    reason: reasonSchema('Say in a few words why it is taken back.', 400),
  }),
  run: async ({ viewer, receivedAt }, w): Promise<Result> => {
    const tree = await treeOf(viewer, w.treeId, receivedAt);
    if (!tree?.looks.some((l) => l.id === w.inspectionId))
      return refuse('inspectionId', 'This look was taken back meanwhile, or it is not of this tree.');
    await voidInspectionRow(viewer, w.inspectionId, w.reason);
    return done;
  },
});
