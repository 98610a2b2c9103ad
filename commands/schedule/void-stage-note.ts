import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { voidStageNoteRow } from '@/store/season';
import { z } from 'zod';

/** Takes back what was said to be seen of the year: it stays on record, and moves nothing any more. */
export const voidStageNote = command({
  name: 'void-stage-note',
  right: 'measure',
  schema: z.object({ id: uuid }),
  run: async ({ viewer }, { id }): Promise<Result> =>
    (await voidStageNoteRow(viewer, id)) ? done : refuse('id', 'Nothing like this was noted in this company.'),
});
