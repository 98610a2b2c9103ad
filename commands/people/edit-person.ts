import { done, refuse } from '@/lib/result';
import { stale } from '@/commands/stale';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { ROLES } from '@/core/people/rights';
import { changePerson, listPeople } from '@/store/people';
import { z } from 'zod';

const licence = z.string().trim().max(80, 'At most 80 characters.');

export const editPerson = command({
  name: 'edit-person',
  right: 'manage people',
  schema: z.object({
    id: uuid,
    role: z.enum(ROLES),
    licenceNumber: licence,
    licenceCategories: z.string().max(300, 'At most 300 characters.'),
    licenceExpires: z.union([z.literal(''), z.iso.date('Give a day that exists, like 2027-03-31.')]),
    active: z.boolean(),
    basedOn: z.number().int().min(1),
  }),
  run: async ({ viewer }, p) => {
    if (p.licenceNumber && !p.licenceExpires) return refuse('licenceExpires', 'Say until when the licence runs.');
    const wanted = {
      ...p,
      licenceNumber: p.licenceNumber || null,
      licenceCategories: p.licenceCategories
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean),
      licenceExpires: p.licenceExpires || null,
    };
    const kept = await changePerson(viewer, wanted);
    if (kept === 'kept') return done;
    if (kept === 'last owner') return refuse('', 'A company needs at least one owner who can sign in.');
    const now = kept === 'stale' && (await listPeople(viewer)).find((x) => x.id === p.id);
    return now
      ? stale(`what stands of ${now.name}`, now, wanted, {
          role: 'The role',
          licenceNumber: 'The licence',
          licenceCategories: 'The list of categories',
          licenceExpires: 'The end of the licence',
          active: 'Whether they may sign in',
        })
      : refuse('', 'There is no such person in this company.');
  },
});
