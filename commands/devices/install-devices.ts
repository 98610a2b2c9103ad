import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { atTheTree } from '@/facts/at-the-tree';
import { doseFollowed, momentOf } from '@/facts/recording';
import { spotOf } from '@/facts/diagnosis';
import { treatmentContextOfPlan } from '@/facts/treatment-context';
import { detectionsNear, treeOf } from '@/facts/tree';
import { saidSchema } from '@/facts/answers';
import { noTree } from '@/commands/trees/no-tree';
import { treatmentInputSchema, instant } from '@/core/records/record';
import { uuid } from '@/lib/ids';
import { toInstall } from '@/core/devices/hang-on';
import { GUARDS, removalsOf } from '@/core/devices/devices';
import { doseChangeSentence } from '@/core/dose/dose-change';
import { NO_YEAR } from '@/core/season/year';
import { insertInstallations, installedDevicesOf } from '@/store/devices';
import { getPlan } from '@/store/plans';
import { heldBy } from '@/store/stock';
import { v5 } from 'uuid';
import { z } from 'zod';
import { notThen } from '../../facts/not-then';
import { givesReason } from '@/lib/reason';

const { weather, soil, leaf, said, released, basis, deviation } = treatmentInputSchema.shape;

/** Devices of a plan are hung on their tree: from now on the board keeps them until somebody has pulled each. */
export const installDevices = command({
  name: 'install-devices',
  right: 'apply',
  schema: z.object({
    id: uuid,
    planId: uuid,
    at: instant,
    guarded: z.enum(GUARDS),
    /** Why they hang through the night; empty where they are pulled before dark. */
    overnight: z.string().trim().max(300, 'At most 300 characters.').default(''),
    /** What was said at the tree before it was hung; left out, the station of the place speaks. */
    weather: weather.optional(),
    soil: soil.optional(),
    leaf,
    said,
    released,
    basis,
    /** Why it is hung in spite of a stop, or by the planned dose where the newest facts give another. */
    deviation: deviation.default(''),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt, station }, p): Promise<Result> => {
    const plan = await getPlan(viewer, p.planId);
    const tree = plan && (await treeOf(viewer, plan.treeId, momentOf(p.at, receivedAt)));
    if (!plan) return refuse('planId', 'This plan is not in this company.');
    if (!tree) return noTree;
    if (plan.state !== 'open') return refuse('planId', 'This plan is done or dropped; nothing is hung by it.');
    const never = notThen(p.at, receivedAt);
    if (never) return refuse('at', never);
    if (!saidSchema.safeParse(p.said).success) return refuse('said', 'An answer was given that was not offered.');
    const doneAt = momentOf(p.at, receivedAt);
    const [held, detections] = await Promise.all([heldBy(viewer), detectionsNear(viewer, tree)]);
    const air = p.weather ?? { ...station(spotOf(tree)).at(doneAt), at: p.at };
    const there = atTheTree(
      treatmentContextOfPlan(viewer, tree, { held, detections, now: doneAt, plan, year: NO_YEAR }),
      plan,
      {
        weather: air,
        soil: p.soil ?? null,
        leaf: p.leaf,
        said: p.said,
        startedAt: p.at,
      },
    );
    const followed = doseFollowed(plan.result, there, p.basis);
    if (!followed.ok) return followed;
    const { dose, change } = followed.value;
    // Once it is in the tree a stop stops nothing: it is answered before.
    const against = [
      ...there.gates
        .filter((g) => g.strength === 'stop' && g.state === 'tripped')
        .map((g) => `${g.title}: ${g.sentence}`),
      ...(change?.followed === 'planned' ? [doseChangeSentence(change.was, viewer.units)] : []),
    ];
    if (against.length && !givesReason(p.deviation))
      return refuse('deviation', `${against.join(' ')} Say why it is hung all the same.`);
    const before = await installedDevicesOf(viewer, plan.id);
    if (before.some((d) => !d.removedAt)) return refuse('planId', 'What this plan hangs, hangs already.');
    const hangs = toInstall({ ...plan, dose }, removalsOf(before), air);
    if (!hangs.ok) return refuse('planId', hangs.sentence);
    const { count, ...each } = hangs.value;
    await insertInstallations(
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
        because: against.length ? p.deviation.trim() : null,
        installedAt: doneAt,
      })),
    );
    return done;
  },
});
