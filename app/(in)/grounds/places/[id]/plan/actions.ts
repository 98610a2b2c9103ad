'use server';

import { revalidatePath } from 'next/cache';
import { v7 } from 'uuid';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { readGeoJson } from '@/core/grounds/geojson';
import { areaOf, toGlobe, type GroundsPlan } from '@/core/grounds/plan';
import { groundsPlanSchema } from '@/core/grounds/schema';
import { savePlan } from '@/store/grounds';
import { act, done, refuse, type Answer } from '@/app/_server/act';

const metre = z.number('A place on the plan is a number of metres.').min(-20_000).max(20_000);

/** Keeps the plan and where its trees stand; their position on the globe follows where the origin is known. */
export const keepPlan = act(
  'edit grounds',
  z.object({
    placeId: uuid,
    plan: groundsPlanSchema,
    trees: z.array(z.object({ id: uuid, x: metre, y: metre })).max(600),
  }),
  async (v, p): Promise<Answer> => {
    const kept = await savePlan(
      v,
      p.placeId,
      p.plan,
      p.plan.outline ? areaOf(p.plan.outline) : null,
      p.trees.map((t) => ({ ...t, ...(p.plan.origin ? toGlobe(t, p.plan.origin) : { lat: null, lon: null }) })),
    );
    revalidatePath('/', 'layout');
    return kept ? done : refuse('', 'There is no such place in this outfit.');
  },
);

/** Reads a file into a plan that is shown before it is kept; nothing is written. */
export const bringPlan = act(
  'edit grounds',
  z.object({ placeId: uuid, text: z.string().max(2_000_000, 'A plan has at most 2 MB.') }),
  async (_, { text }): Promise<Answer<{ plan: GroundsPlan; left: string[] }>> => {
    const read = readGeoJson(text, v7);
    return read.ok ? { ok: true, value: read.value } : refuse(read.path, read.sentence);
  },
);
