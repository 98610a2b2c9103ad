import type { Result } from '@/lib/result';
import { command } from '@/commands/command';
import { newCalendarToken } from '@/store/auth';
import { z } from 'zod';

export const addCalendarAddress = command({
  name: 'add-calendar-address',
  right: null,
  schema: z.object({}),
  run: async ({ viewer: v }): Promise<Result<{ path: string }>> => ({
    ok: true,
    value: { path: `/api/calendar/${await newCalendarToken(v)}.ics` },
  }),
});
