import { done, refuse, type Result } from '@/lib/result';
import { regionKey } from '@/commands/rules/region-key';
import { command } from '@/commands/command';
import { readNumber } from '@/lib/units/numbers';
import { LENGTH } from '@/lib/units/units';
import { setCompany } from '@/store/people';
import { z } from 'zod';

export const saveCompany = command({
  name: 'save-company',
  right: 'manage people',
  schema: z.object({
    name: z.string().trim().min(1, 'The company needs a name.').max(120, 'At most 120 characters.'),
    region: regionKey,
    breastHeight: z.string().max(20),
    unit: z.enum(['cm', 'in']),
    paper: z.enum(['A4', 'Letter'], 'Choose the paper.').default('A4'),
  }),
  run: async ({ viewer }, o): Promise<Result> => {
    const read = readNumber(o.breastHeight, {
      name: 'Breast height',
      min: o.unit === 'cm' ? 100 : 39.4,
      max: o.unit === 'cm' ? 200 : 78.7,
      unit: o.unit,
    });
    if (!read.ok) return refuse('breastHeight', read.sentence);
    await setCompany(viewer, {
      name: o.name,
      region: o.region,
      breastHeightCm: read.value * LENGTH[o.unit],
      paper: o.paper,
    });
    return done;
  },
});
