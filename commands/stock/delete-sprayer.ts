import { done } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { removeSprayer } from '@/store/stock';
import { z } from 'zod';

export const deleteSprayer = command({
  name: 'delete-sprayer',
  right: 'keep the shelf',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }) => {
    await removeSprayer(v, id);
    return done;
  },
});
