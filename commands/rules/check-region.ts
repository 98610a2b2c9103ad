import { done, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { regionKey } from '@/commands/rules/region-key';
import { regionFor } from '@/facts/region';
import { todayOf } from '@/facts/today';
import { insertRegion } from '@/store/people';
import { v7 } from 'uuid';
import { z } from 'zod';

/** Signs the profile as compared with the rules in force, today, by the owner who presses. */
export const checkRegion = command({
  name: 'check-region',
  right: 'manage people',
  schema: z.object({
    /** The profile that is meant; the company's own region where nothing is said. */
    key: regionKey.optional(),
    /** What it was read against. */
    against: z
      .string()
      .trim()
      .min(3, 'Name the law, the code or the authority it was read against, and its date.')
      .max(300, 'At most 300 characters.'),
  }),
  run: async ({ viewer: v, receivedAt }, { key = v.region, against }): Promise<Result> => {
    await insertRegion(v, v7(), key, {
      ...regionFor(v, key),
      checked: { by: v.name, on: todayOf(v, receivedAt), against },
    });
    return done;
  },
});
