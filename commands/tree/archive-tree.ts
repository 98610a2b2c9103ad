import { command, done } from '@/commands/command';
import { noTree } from '@/commands/tree/no-tree';
import { uuid } from '@/core/book/record';
import { setTreeArchived } from '@/store/tree-list';
import { z } from 'zod';

export const archiveTree = command({
  name: 'archive-tree',
  right: 'edit grounds',
  schema: z.object({ id: uuid, archived: z.boolean() }),
  run: async ({ viewer: v }, t) => {
    const changed = await setTreeArchived(v, t.id, t.archived);
    return changed.count ? done : noTree;
  },
});
