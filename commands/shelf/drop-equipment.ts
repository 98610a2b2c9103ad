import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { removeEquipment } from '@/store/shelf';
import { done } from '@/commands/command';
import { command } from '@/commands/command';

export const dropEquipment = command({
  name: 'drop-equipment',
  right: 'keep the shelf',
  schema: z.object({ id: uuid }),
  run: async ({ viewer: v }, { id }) => {
    await removeEquipment(v, id);
    return done;
  },
});
