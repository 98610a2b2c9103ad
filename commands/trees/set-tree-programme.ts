import { done, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { PROGRAMME_LIMITS } from '@/core/season/programme';
import { writeProgramme } from '@/store/programme';
import { z } from 'zod';

/** How this tree is to be treated over the years; what is booked from now on follows it. */
export const setTreeProgramme = command({
  name: 'set-tree-programme',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    school: z.enum(['conventional', 'organic', 'threshold']).nullable(),
    everyYears: z.number().int().min(PROGRAMME_LIMITS.everyYears.min).max(PROGRAMME_LIMITS.everyYears.max).nullable(),
    years: z.number().int().min(PROGRAMME_LIMITS.years.min).max(PROGRAMME_LIMITS.years.max),
  }),
  run: async ({ viewer: v, receivedAt }, { id, treeId, ...programme }): Promise<Result> => {
    if (!(await treeOf(v, treeId, receivedAt))) return noTree;
    await writeProgramme(v, [{ id, treeId }], programme);
    return done;
  },
});
