import { command, done, refuse, type Answer } from '@/commands/command';
import { spotOf } from '@/commands/facts/diagnosis';
import { treeOf } from '@/commands/facts/tree';
import { noTree } from '@/commands/tree/no-tree';
import { instant, uuid } from '@/core/book/record';
import { fillOf, GUARDS, wentIn } from '@/core/hanging/hanging';
import { uptake } from '@/core/ring/uptake';
import { soilState } from '@/core/weather/air';
import { addHung, hangingOf } from '@/store/hanging';
import { getPlan } from '@/store/plans';
import { v7 } from 'uuid';
import { z } from 'zod';
import { notThen } from './then';

/** Less than this is left in every device. */
const LEAST_ML = 0.1;

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
    const device = plan.label.uses.find((u) => u.key === plan.useKey)?.sites?.device;
    if (!device || !dose.ok || !dose.sites)
      return refuse('planId', 'Nothing of this plan hangs: it brings the product in by another way.');
    const never = notThen(p.at, now);
    if (never) return refuse('at', never);
    const before = await hangingOf(viewer, plan.id);
    if (before.some((d) => !d.pulledAt)) return refuse('planId', 'What this plan hangs, hangs already.');
    const whole = fillOf(dose);
    if (whole === null) return refuse('planId', 'This plan says no volume that is hung.');
    // What was pulled unfinished is hung again: the rest of the dose, never more than it.
    const fillMl = whole - wentIn(before.map((d) => ({ putMl: d.putMl, leftMl: d.leftMl ?? 0, lostMl: d.lostMl })));
    if (fillMl < LEAST_ML) return refuse('planId', 'All of it went in already: write it up.');
    // One vessel feeds all tees of a trunk; every capsule and bottle is its own.
    const count = device === 'tee infusion' ? 1 : dose.sites.count;
    const weather = station(spotOf(tree)).at(new Date(p.at));
    const { minutes } = uptake({
      device,
      mlPerSite: fillMl / count,
      temperatureC: weather.temperatureC,
      humidity: weather.humidity,
      soil: soilState(weather),
      leaf: plan.plannedFor === null ? plan.choices.leaf : null,
    });
    await addHung(
      viewer,
      Array.from({ length: count }, (_, i) => ({
        id: v7(),
        treeId: tree.id,
        planId: plan.id,
        site: i + 1,
        device,
        putMl: fillMl / count,
        expectedMinutes: minutes,
        guarded: p.guarded,
        overnight: p.overnight || null,
        hungAt: new Date(p.at),
      })),
    );
    return done;
  },
});
