import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { removeSprayer } from '@/store/shelf';
import { done } from '@/commands/command';
import { command } from '@/commands/command';

export const dropSprayer = command({
  name: 'drop-sprayer',
  right: 'keep the shelf',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }) => {
    await removeSprayer(v, id);
    return done;
  },
});
