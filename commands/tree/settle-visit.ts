import { command, done, refuse, type Answer } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { settle } from '@/store/follow-ups';
import { z } from 'zod';

export const settleFollowUp = command({
  name: 'settle-visit',
  right: 'settle a follow-up',
  schema: z.object({ id: uuid, done: z.boolean() }),
  run: async ({ viewer: v }, { id, done: to }): Promise<Answer> => {
    const changed = await settle(v, id, to ? 'open' : 'done', to ? 'done' : 'open');
    return changed.count ? done : refuse('', 'This visit was settled meanwhile, or it is not in this outfit.');
  },
});
