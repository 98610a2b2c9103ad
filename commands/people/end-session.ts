import { done, refuse } from '@/lib/result';
import { z } from 'zod';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { endSession as end } from '@/store/auth';

/** A device that one is signed in on is signed out, wherever it is. */
export const endSession = command({
  name: 'end-session',
  right: null,
  schema: z.object({ id: uuid }),
  run: async ({ viewer }, { id }) =>
    (await end(viewer, id)) ? done : refuse('id', 'That device is signed out already.'),
});
