import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { listPeople } from '@/store/people';
import { insertAbsence } from '@/store/crew-days';
import { z } from 'zod';

const day = z.iso.date('Give the day like 2027-05-14.');

/** Somebody does not work on some days: ill, on leave, on a course. */
export const addAbsence = command({
  name: 'add-absence',
  right: 'plan rounds',
  schema: z
    .object({
      id: uuid,
      personId: uuid,
      from: day,
      to: day,
      why: z.string().trim().max(200, 'At most 200 characters.').default(''),
    })
    .refine((a) => a.from <= a.to, { path: ['to'], message: 'The last day lies before the first.' }),
  once: (a) => a.id,
  run: async ({ viewer }, a) => {
    const people = await listPeople(viewer);
    if (!people.some((p) => p.id === a.personId)) return refuse('personId', 'There is no such person in this company.');
    await insertAbsence(viewer, a);
    return done;
  },
});
