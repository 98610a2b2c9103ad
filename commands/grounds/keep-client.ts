import { command, done } from '@/commands/command';
import { name } from '@/commands/grounds/name';
import { uuid } from '@/core/book/record';
import { saveClient } from '@/store/grounds';
import { z } from 'zod';

export const keepClient = command({
  name: 'keep-client',
  right: 'edit grounds',
  schema: z.object({ id: uuid, name: name('A client'), contact: z.string().trim().max(400, 'At most 400 signs.') }),
  run: async ({ viewer: v }, c) => {
    await saveClient(v, c);
    return done;
  },
});
