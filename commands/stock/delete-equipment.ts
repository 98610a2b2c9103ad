import { done } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { removeEquipment } from '@/store/stock';
import { z } from 'zod';

export const deleteEquipment = command({
  name: 'delete-equipment',
  right: 'keep the shelf',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }) => {
    await removeEquipment(v, id);
    return done;
  },
});
