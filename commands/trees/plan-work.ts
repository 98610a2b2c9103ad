import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { weighingOf, workFactsOf } from '@/facts/treatment-context';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { told } from '@/lib/units/units';
import { uuid } from '@/lib/ids';
import { blocked } from '@/core/gates/rules';
import { scoreWork } from '@/core/prescribe/compare';
import { priced } from '@/core/prescribe/costs';
import { noDayAhead } from '@/core/prescribe/when';
import { factsOn, readAnswers } from '@/core/work/work';
import { findWork } from '@/knowledge/works';
import { addWorkPlans } from '@/store/works';
import { type Tree } from '@/store/tree';
import { v7 } from 'uuid';
import { z } from 'zod';

/** Planning a work without a label: its arithmetic and gates run again here, for the tree in hand and its like. */
export const planWork = command({
  name: 'plan-work',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    workId: z.string().max(60),
    answers: z.record(z.string().max(40), z.union([z.string().max(60), z.number(), z.boolean()])),
    /** The day it is planned for; null for what may be done at once. */
    on: z.iso.date('Give the day like 2026-05-14.').nullable().default(null),
    released: z.record(z.string().max(60), z.string().max(600)),
    alike: z
      .array(z.object({ id: uuid, treeId: uuid }))
      .max(60, 'At most 60 trees at once.')
      .default([]),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, p): Promise<Result> => {
    const work = findWork(p.workId);
    if (!work) return refuse('workId', 'There is no such work.');
    const plans: Parameters<typeof addWorkPlans>[1][number][] = [];
    let first: Tree | null = null;
    for (const t of [{ id: p.id, treeId: p.treeId }, ...p.alike]) {
      const tree = await treeOf(viewer, t.treeId, receivedAt);
      const today = tree && workFactsOf(viewer, tree, receivedAt);
      if (!tree || !today) {
        if (t.id === p.id) return tree ? refuse('', 'Measure the trunk first.') : noTree;
        continue;
      }
      const never = p.on && noDayAhead(p.on, today.on);
      if (never) return refuse('on', never);
      const facts = factsOn(today, p.on ?? today.on);
      const read = readAnswers(work, facts, p.answers);
      if (!read.ok) return { ok: false, issues: read.issues };
      const sheet = work.workOut(facts, read.answers);
      first ??= tree;
      const by = weighingOf(viewer, { ...tree, programme: first.programme ?? tree.programme }, receivedAt);
      const open = blocked(sheet.gates, p.released);
      if (open.length) {
        if (t.id === p.id)
          return {
            ok: false,
            issues: open.map((g) => ({ path: `gates.${g.id}`, message: `${g.title}: ${g.sentence}` })),
          };
        continue;
      }
      plans.push({
        id: t.id,
        treeId: tree.id,
        workId: work.id,
        conditionId: facts.condition?.id ?? null,
        answers: read.answers,
        sheet: told((system) => (system === viewer.units ? sheet : work.workOut({ ...facts, system }, read.answers))),
        released: p.released,
        plannedFor: facts.on > today.on ? facts.on : null,
        price: priced(scoreWork({ work, sheet, held: 0, weighing: by }), by),
        visitId: null,
      });
    }
    const programme = first?.programme;
    const rows = plans.flatMap(({ treeId }) => (treeId === p.treeId ? [] : [{ id: v7(), treeId }]));
    await addWorkPlans(viewer, plans, programme ? { rows, as: programme } : null);
    return done;
  },
});
