import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { insertLabelCheck } from '@/store/stock';
import { z } from 'zod';

export const checkLabel = command({
  name: 'check-label',
  right: 'keep the shelf',
  schema: z.object({ labelId: uuid }),
  run: async ({ viewer: v }, { labelId }) => {
    const made = await insertLabelCheck(v, labelId);
    return made.count ? done : refuse('', 'There is no such label in this company.');
  },
});
