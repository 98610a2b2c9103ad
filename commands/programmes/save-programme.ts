import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { yearProgrammeSchema, type YearProgramme } from '@/core/programmes/schema';
import { findWork } from '@/knowledge/works';
import { findCondition, heatModels, hostGroups, programmes } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import { addEntry } from '@/store/knowledge';
import { customHeatModels } from '@/store/season';
import { shelfLabels } from '@/store/stock';
import { z } from 'zod';

/** What a programme names must be there: conditions, works, sums of heat, products, hosts. */
export async function strangersIn(viewer: Viewer, programme: YearProgramme): Promise<Issue[]> {
  const [labels, own] = await Promise.all([shelfLabels(viewer), customHeatModels(viewer)]);
  const models = new Set([...heatModels, ...own].map((m) => m.id));
  const groups = hostGroups();
  const issues: Issue[] = programme.groups
    .filter((g) => !groups.has(g))
    .map((g) => ({ path: 'programme.groups', message: `There is no host or group “${g}”.` }));
  programme.steps.forEach((step, i) => {
    const issue = (at: string, sentence: string) =>
      issues.push({ path: `programme.steps.${i}.${at}`, message: sentence });
    const named = step.act.kind === 'treat' ? step.act.against : step.act.kind === 'look' ? step.act.of : [];
    for (const id of [...named, ...step.onlyHad]) if (!findCondition(id)) issue('act', `There is no trouble “${id}”.`);
    if (step.act.kind === 'work' && !findWork(step.act.work)) issue('act', `There is no work “${step.act.work}”.`);
    if (step.when.by === 'heat' && !models.has(step.when.model))
      issue('when', `There is no sum of heat “${step.when.model}”.`);
    const label = step.act.kind === 'treat' ? step.act.label : null;
    if (label && !labels.some((l) => l.key === label)) issue('act', 'This product is not on the shelf.');
  });
  return issues;
}

/** A programme of the company's own: a copy that was changed, or one made anew. The same key again is its next version. */
export const saveProgramme = command({
  name: 'save-programme',
  right: 'edit the guide',
  schema: z.object({
    id: uuid,
    programme: yearProgrammeSchema.refine((p) => p.key.startsWith('own-'), {
      path: ['key'],
      message: 'The key of a programme of one’s own begins with “own-”.',
    }),
    /** It is laid no more; what was laid of it stays. */
    retired: z.boolean().default(false),
  }),
  once: (x) => x.id,
  run: async ({ viewer }, p): Promise<Result<{ key: string }>> => {
    const { programme } = p;
    const issues = await strangersIn(viewer, programme);
    if (issues.length) return { ok: false, issues };
    if (programmes.some((s) => s.name === programme.name && s.key !== programme.key))
      return refuse('programme.name', 'One that ships has this name; give yours its own.');
    await addEntry(viewer, {
      id: p.id,
      kind: 'programme',
      key: programme.key,
      data: p.retired ? { retired: true } : programme,
      note: programme.basis,
    });
    return { ok: true, value: { key: programme.key } };
  },
});
