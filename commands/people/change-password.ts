import { done, refuse, type Result } from '@/lib/result';
import { checkPassword, setPassword } from '@/store/auth';
import { z } from 'zod';
import { command } from '../command';
import { passwordSchema, tooEasy } from './password';

/** A new password for oneself; every session ends, this one too. */
export const changePassword = command({
  name: 'change-password',
  right: null,
  schema: z.object({ was: z.string().min(1, 'Type the password you have now.').max(200), next: passwordSchema }),
  run: async ({ viewer }, { was, next }): Promise<Result> => {
    // Whoever does not know the old one is told nothing of the new one, and costs nothing.
    const wrong = await checkPassword(viewer, was);
    if (wrong) return refuse('was', wrong);
    const easy = await tooEasy(next, [viewer.name, viewer.email, viewer.companyName]);
    if (easy) return refuse('next', easy);
    await setPassword(viewer, next);
    return done;
  },
});
