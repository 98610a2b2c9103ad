import { done } from '@/lib/result';
import { command } from '@/commands/command';
import { THEMES } from '@/core/people/looks';
import { setPreference } from '@/store/people';
import { z } from 'zod';

export const savePreferences = command({
  name: 'save-preferences',
  right: null,
  schema: z.object({ units: z.enum(['metric', 'us']), theme: z.enum(THEMES) }),
  run: async ({ viewer: v }, p) => {
    await setPreference(v, p);
    return done;
  },
});
