import { done } from '@/lib/result';
import { command } from '@/commands/command';
import { name } from '@/commands/sites/name';
import { uuid } from '@/lib/ids';
import { upsertClient } from '@/store/sites';
import { z } from 'zod';

export const saveClient = command({
  name: 'save-client',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    name: name('A client'),
    contact: z.string().trim().max(400, 'At most 400 characters.'),
  }),
  run: async ({ viewer: v }, c) => {
    await upsertClient(v, c);
    return done;
  },
});
