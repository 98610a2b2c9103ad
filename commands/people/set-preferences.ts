import { z } from 'zod';
import { setPreference } from '@/store/people';
import { done } from '@/commands/command';
import { command } from '@/commands/command';

export const prefer = command({
  name: 'set-preferences',
  right: null,
  schema: z.object({ units: z.enum(['metric', 'us']), theme: z.enum(['light', 'daylight', 'night']) }),
  run: async ({ viewer: v }, p) => {
    await setPreference(v, p);
    return done;
  },
});
