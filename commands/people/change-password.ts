import { changePassword } from '@/store/auth';
import { z } from 'zod';
import { command, done, refuse, type Answer } from '../command';
import { passwordSchema, tooEasy } from './password';

/** A new password for oneself; every session ends, this one too. */
export const changeOwnPassword = command({
  name: 'change-password',
  right: null,
  schema: z.object({ was: z.string().min(1, 'Type the password you have now.').max(200), next: passwordSchema }),
  run: async ({ viewer }, { was, next }): Promise<Answer> => {
    const easy = await tooEasy(next, [viewer.name, viewer.email, viewer.outfitName]);
    if (easy) return refuse('next', easy);
    const sentence = await changePassword(viewer, was, next);
    return sentence ? refuse('was', sentence) : done;
  },
});
