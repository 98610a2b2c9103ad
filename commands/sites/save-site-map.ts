import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { areaOf, toGlobe } from '@/core/site-map/site-map';
import { siteMapSchema } from '@/core/site-map/schema';
import { upsertSiteMap } from '@/store/site-map';
import { z } from 'zod';

const metre = z.number('A place on the plan is a number of metres.').min(-20_000).max(20_000);

/** Keeps the plan and where its trees stand; their position on the globe follows where the origin is known. */
export const saveSiteMap = command({
  name: 'save-site-map',
  right: 'edit grounds',
  schema: z.object({
    siteId: uuid,
    plan: siteMapSchema,
    trees: z.array(z.object({ id: uuid, x: metre, y: metre })).max(600),
    /** The version of the plan that was drawn on. */
    basedOn: z.number().int().min(1),
  }),
  run: async ({ viewer }, p): Promise<Result> => {
    const kept = await upsertSiteMap({
      scope: viewer,
      siteId: p.siteId,
      siteMap: p.plan,
      areaM2: p.plan.outline ? areaOf(p.plan.outline) : null,
      trees: p.trees.map((t) => ({ ...t, ...(p.plan.origin ? toGlobe(t, p.plan.origin) : { lat: null, lon: null }) })),
      basedOn: p.basedOn,
    });
    if (kept === 'kept') return done;
    return kept === 'stale'
      ? refuse(
          'version',
          'Somebody drew this plan anew meanwhile. What you drew stays here; kept again, it goes over what stands now.',
        )
      : refuse('', 'There is no such place in this company.');
  },
});
