'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { readNumber } from '@/core/units/numbers';
import { LENGTH } from '@/core/units/units';
import { regions } from '@/knowledge';
import { newCalendarToken } from '@/store/auth';
import { setOutfit, setPreference } from '@/store/people';
import { act, done, refuse, type Answer } from '@/app/_server/act';

export const prefer = act(
  null,
  z.object({ units: z.enum(['metric', 'us']), theme: z.enum(['light', 'daylight', 'night']) }),
  async (v, p) => {
    await setPreference(v, p);
    revalidatePath('/', 'layout');
    return done;
  },
);

export const makeCalendar = act(null, z.object({}), async (v): Promise<Answer<{ path: string }>> => ({
  ok: true,
  value: { path: `/api/calendar/${await newCalendarToken(v)}.ics` },
}));

export const keepOutfit = act(
  'manage people',
  z.object({
    name: z.string().trim().min(1, 'The outfit needs a name.').max(120, 'At most 120 signs.'),
    region: z.string().refine((r) => r in regions, 'Choose a region.'),
    breastHeight: z.string().max(20),
    unit: z.enum(['cm', 'in']),
  }),
  async (v, o): Promise<Answer> => {
    const read = readNumber(o.breastHeight, {
      name: 'Breast height',
      min: o.unit === 'cm' ? 100 : 39.4,
      max: o.unit === 'cm' ? 200 : 78.7,
      unit: o.unit,
    });
    if (!read.ok) return refuse('breastHeight', read.sentence);
    await setOutfit(v, { name: o.name, region: o.region, breastHeightCm: read.value * LENGTH[o.unit] });
    revalidatePath('/', 'layout');
    return done;
  },
);
