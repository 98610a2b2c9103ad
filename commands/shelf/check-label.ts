import { command, done, refuse } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { checkLabel } from '@/store/shelf';
import { z } from 'zod';

export const signLabel = command({
  name: 'check-label',
  right: 'keep the shelf',
  schema: z.object({ labelId: uuid }),
  run: async ({ viewer: v }, { labelId }) => {
    const made = await checkLabel(v, labelId);
    return made.count ? done : refuse('', 'There is no such label in this company.');
  },
});
