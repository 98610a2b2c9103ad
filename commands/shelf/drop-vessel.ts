import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { removeVessel } from '@/store/shelf';
import { done } from '@/commands/command';
import { command } from '@/commands/command';

export const dropVessel = command({
  name: 'drop-vessel',
  right: 'keep the shelf',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }) => {
    await removeVessel(v, id);
    return done;
  },
});
