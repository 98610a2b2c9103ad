import { command, done, type Answer } from '@/commands/command';
import { regionKey } from '@/commands/rules/region-key';
import { regionFor } from '@/commands/facts/region';
import { todayOf } from '@/commands/today';
import { saveRegion } from '@/store/people';
import { v7 } from 'uuid';
import { z } from 'zod';

/** Signs the profile as compared with the rules in force, today, by the owner who presses. */
export const signRegion = command({
  name: 'sign-region',
  right: 'manage people',
  schema: z.object({
    /** The profile that is meant; the outfit's own region where nothing is said. */
    key: regionKey.optional(),
  }),
  run: async ({ viewer: v, now }, { key = v.region }): Promise<Answer> => {
    await saveRegion(v, v7(), key, { ...regionFor(v, key), checked: { by: v.name, on: todayOf(v, now) } });
    return done;
  },
});
