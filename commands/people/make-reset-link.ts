import { refuse, type Result } from '@/lib/result';
import { uuid } from '@/lib/ids';
import { makeReset } from '@/store/auth';
import { z } from 'zod';
import { command } from '../command';

/** A link for somebody who has lost the password; the owner hands it over, and never learns the password. */
export const makeResetLink = command({
  name: 'make-reset-link',
  right: 'manage people',
  schema: z.object({ personId: uuid }),
  run: async ({ viewer }, { personId }): Promise<Result<{ path: string }>> => {
    const token = await makeReset(viewer, personId);
    return token
      ? { ok: true, value: { path: `/reset/${token}` } }
      : refuse('personId', 'There is nobody of that name who may sign in.');
  },
});
