import { command, done, type Answer } from '@/commands/command';
import { regionFor } from '@/commands/facts/region';
import { todayOf } from '@/commands/today';
import { saveRegion } from '@/store/people';
import { v7 } from 'uuid';
import { z } from 'zod';

/** Signs the profile as compared with the rules in force, today, by the owner who presses. */
export const signRegion = command({
  name: 'sign-region',
  right: 'manage people',
  schema: z.object({}),
  run: async ({ viewer: v, now }): Promise<Answer> => {
    await saveRegion(v, v7(), v.region, { ...regionFor(v), checked: { by: v.name, on: todayOf(v, now) } });
    return done;
  },
});
