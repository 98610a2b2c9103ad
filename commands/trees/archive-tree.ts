import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { setTreeArchived, tagTakenSince } from '@/store/tree-list';
import { z } from 'zod';

export const archiveTree = command({
  name: 'archive-tree',
  right: 'edit grounds',
  schema: z.object({ id: uuid, archived: z.boolean() }),
  run: async ({ viewer: v }, t) => {
    if (!t.archived && (await tagTakenSince(v, t.id)))
      return refuse('id', 'Its tag hangs on another tree here by now. Give that one another tag first.');
    const changed = await setTreeArchived(v, t.id, t.archived);
    return changed.count ? done : noTree;
  },
});
