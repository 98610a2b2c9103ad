import { command, done, refuse, type Answer } from '@/commands/command';
import { spotOf } from '@/commands/facts/diagnosis';
import { treeOf } from '@/commands/facts/tree';
import { noTree } from '@/commands/tree/no-tree';
import { instant, uuid } from '@/core/book/record';
import { toHang } from '@/core/hanging/hang-on';
import { GUARDS, pulledOf } from '@/core/hanging/hanging';
import { addHung, hangingOf } from '@/store/hanging';
import { getPlan } from '@/store/plans';
import { v5 } from 'uuid';
import { z } from 'zod';
import { notThen } from './then';

/** Devices of a plan are hung on their tree: from now on the board keeps them until somebody has pulled each. */
export const hang = command({
  name: 'hang',
  right: 'apply',
  schema: z.object({
    id: uuid,
    planId: uuid,
    at: instant,
    guarded: z.enum(GUARDS),
    /** Why they hang through the night; empty where they are pulled before dark. */
    overnight: z.string().trim().max(300, 'At most 300 signs.').default(''),
  }),
  once: (x) => x.id,
  run: async ({ viewer, now, station }, p): Promise<Answer> => {
    const plan = await getPlan(viewer, p.planId);
    const tree = plan && (await treeOf(viewer, plan.treeId, now));
    if (!plan) return refuse('planId', 'This plan is not in this outfit.');
    if (!tree) return noTree;
    if (plan.state !== 'open') return refuse('planId', 'This plan is done or dropped; nothing is hung by it.');
    const { dose } = plan.result;
    if (!dose.ok) return refuse('planId', 'This plan has no dose; prescribe anew.');
    const never = notThen(p.at, now);
    if (never) return refuse('at', never);
    const before = await hangingOf(viewer, plan.id);
    if (before.some((d) => !d.pulledAt)) return refuse('planId', 'What this plan hangs, hangs already.');
    const hangs = toHang({ ...plan, dose }, pulledOf(before), station(spotOf(tree)).at(new Date(p.at)));
    if (!hangs.ok) return refuse('planId', hangs.sentence);
    const { count, ...each } = hangs.value;
    await addHung(
      viewer,
      Array.from({ length: count }, (_, i) => ({
        // A phone without signal pulls what it hung: it knows each by what it sent.
        id: v5(String(i + 1), p.id),
        treeId: tree.id,
        planId: plan.id,
        site: i + 1,
        ...each,
        guarded: p.guarded,
        overnight: p.overnight || null,
        hungAt: new Date(p.at),
      })),
    );
    return done;
  },
});
