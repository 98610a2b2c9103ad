import { command, done, refuse } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { ROLES } from '@/core/people/rights';
import { changePerson } from '@/store/people';
import { z } from 'zod';

const licence = z.string().trim().max(80, 'At most 80 signs.');

export const editPerson = command({
  name: 'edit-person',
  right: 'manage people',
  schema: z.object({
    id: uuid,
    role: z.enum(ROLES),
    licenceNumber: licence,
    licenceCategories: z.string().max(300, 'At most 300 signs.'),
    licenceExpires: z.union([z.literal(''), z.iso.date('Give a day that exists, like 2027-03-31.')]),
    active: z.boolean(),
  }),
  run: async ({ viewer: v }, p) => {
    if (p.licenceNumber && !p.licenceExpires) return refuse('licenceExpires', 'Say until when the licence runs.');
    const sentence = await changePerson(v, {
      ...p,
      licenceNumber: p.licenceNumber || null,
      licenceCategories: p.licenceCategories
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean),
      licenceExpires: p.licenceExpires || null,
    });
    if (sentence) return refuse('', sentence);
    return done;
  },
});
