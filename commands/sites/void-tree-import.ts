import { done, refuse } from '@/lib/result';
import { z } from 'zod';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { restsOnImport, takeImportBack } from '@/store/imports';

/** A list that was brought in goes back whole: its trees come off, while nothing was seen, planned or done on any of them. */
export const voidTreeImport = command({
  name: 'void-tree-import',
  right: 'edit grounds',
  schema: z.object({ id: uuid }),
  run: async ({ viewer }, { id }) => {
    const tags = await restsOnImport(viewer, id);
    if (tags.length)
      return refuse(
        'id',
        `Something was seen, measured, planned or done on ${tags.length === 1 ? 'tree' : 'trees'} ${tags.slice(0, 8).join(', ')}${tags.length > 8 ? ' and others' : ''}. Archive single trees instead.`,
      );
    return (await takeImportBack(viewer, id))
      ? done
      : refuse('id', 'This list was taken back already, or is not here.');
  },
});
