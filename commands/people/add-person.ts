import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { ROLES } from '@/core/people/rights';
import { pgCode } from '@/store/db';
import { insertPerson } from '@/store/people';
import { z } from 'zod';
import { passwordSchema, tooEasy } from './password';

export const addPerson = command({
  name: 'add-person',
  right: 'manage people',
  schema: z.object({
    id: uuid,
    name: z.string().trim().min(1, 'The name is missing.').max(120, 'At most 120 characters.'),
    email: z.email('That is no e-mail address.').max(200),
    role: z.enum(ROLES),
    password: passwordSchema,
  }),
  once: (x) => x.id,
  run: async ({ viewer }, p) => {
    const easy = await tooEasy(p.password, [p.name, p.email, viewer.companyName]);
    if (easy) return refuse('password', easy);
    try {
      await insertPerson(viewer, { ...p, email: p.email.toLowerCase() });
    } catch (error) {
      if (pgCode(error) === '23505') return refuse('email', 'Somebody signs in with this address already.');
      throw error;
    }
    return done;
  },
});
