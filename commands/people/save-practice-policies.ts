import { done } from '@/lib/result';
import { command } from '@/commands/command';
import { setSchools } from '@/store/people';
import { z } from 'zod';

/** The schools of the company, where practitioners disagree; each decision names the one it used. */
export const savePracticePolicies = command({
  name: 'save-practice-policies',
  right: 'manage people',
  schema: z.object({
    crownLoss: z.enum(['knowledge', '30', '50']),
    programme: z.enum(['conventional', 'organic', 'threshold']),
    stems: z.enum(['ask', 'sum', 'basal-area', 'each']),
    route: z.enum(['soil first', 'injection first', 'spray or physical first']),
    frequency: z.enum(['yearly, small', 'every 2–3 years']),
    rootZone: z.enum(['12', '18']),
    woundDressing: z.enum(['none', 'wilt region', 'always on oak']),
    sticky: z.enum(['on a wrap', 'never']),
    mesh: z.enum(['metal', 'plastic']),
  }),
  run: async ({ viewer }, s) => {
    await setSchools(viewer, {
      ...s,
      crownLoss: s.crownLoss === 'knowledge' ? 'knowledge' : s.crownLoss === '30' ? 30 : 50,
    });
    return done;
  },
});
