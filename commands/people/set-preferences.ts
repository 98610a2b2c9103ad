import { command, done } from '@/commands/command';
import { setPreference } from '@/store/people';
import { z } from 'zod';

export const prefer = command({
  name: 'set-preferences',
  right: null,
  schema: z.object({ units: z.enum(['metric', 'us']), theme: z.enum(['light', 'daylight', 'night']) }),
  run: async ({ viewer: v }, p) => {
    await setPreference(v, p);
    return done;
  },
});
