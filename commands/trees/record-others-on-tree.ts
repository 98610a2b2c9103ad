import { done, refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { putDown } from '@/commands/typed';
import { numberAt } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { findCondition } from '@/knowledge';
import { addOthersApplied } from '@/store/others-applied';
import { z } from 'zod';

/** What others put on this tree, and how it went: it counts towards limits, and is evidence. */
export const recordOthersOnTree = command({
  name: 'record-others-on-tree',
  right: 'examine',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    ...putDown,
    family: z.string().trim().max(60, 'At most 60 characters.'),
    resistance: z.string().trim().max(40, 'At most 40 characters.'),
    conditionId: z.string().max(60).nullable(),
    effect: z.enum(['none', 'some', 'good']).nullable(),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, x): Promise<Result> => {
    const issues: Issue[] = [];
    const grams = numberAt(issues, 'grams', x.grams, { name: 'The grams', above: 0, max: 1e6, unit: 'g' });
    if (x.onDay > todayOf(viewer, receivedAt)) issues.push({ path: 'onDay', message: 'That day has not come yet.' });
    if (issues.length) return { ok: false, issues };
    const tree = await treeOf(viewer, x.treeId, receivedAt);
    if (!tree) return noTree;
    if (x.conditionId !== null && !findCondition(x.conditionId))
      return refuse('conditionId', 'There is no such trouble.');
    await addOthersApplied(viewer, { ...x, grams: grams!, siteId: tree.siteId });
    return done;
  },
});
