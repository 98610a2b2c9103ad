import { done } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { removeVessel } from '@/store/stock';
import { z } from 'zod';

export const deleteVessel = command({
  name: 'delete-vessel',
  right: 'keep the shelf',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }) => {
    await removeVessel(v, id);
    return done;
  },
});
