import { command, done, refuse, type Answer } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { areaOf, toGlobe } from '@/core/grounds/plan';
import { groundsPlanSchema } from '@/core/grounds/schema';
import { savePlan } from '@/store/grounds';
import { z } from 'zod';

const metre = z.number('A place on the plan is a number of metres.').min(-20_000).max(20_000);

/** Keeps the plan and where its trees stand; their position on the globe follows where the origin is known. */
export const keepPlan = command({
  name: 'draw-grounds',
  right: 'edit grounds',
  schema: z.object({
    placeId: uuid,
    plan: groundsPlanSchema,
    trees: z.array(z.object({ id: uuid, x: metre, y: metre })).max(600),
  }),
  run: async ({ viewer: v }, p): Promise<Answer> => {
    const kept = await savePlan(
      v,
      p.placeId,
      p.plan,
      p.plan.outline ? areaOf(p.plan.outline) : null,
      p.trees.map((t) => ({ ...t, ...(p.plan.origin ? toGlobe(t, p.plan.origin) : { lat: null, lon: null }) })),
    );
    return kept ? done : refuse('', 'There is no such place in this outfit.');
  },
});
