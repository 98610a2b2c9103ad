import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { deleteAbsenceRow } from '@/store/crew-days';
import { z } from 'zod';

/** Somebody works after all. */
export const deleteAbsence = command({
  name: 'delete-absence',
  right: 'plan rounds',
  schema: z.object({ id: uuid }),
  run: async ({ viewer }, { id }) =>
    (await deleteAbsenceRow(viewer, id)).count ? done : refuse('id', 'Nobody is away by this note.'),
});
