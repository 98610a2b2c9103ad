import { z } from 'zod';
import { newCalendarToken } from '@/store/auth';
import { type Answer } from '@/commands/command';
import { command } from '@/commands/command';

export const makeCalendar = command({
  name: 'make-calendar-address',
  right: null,
  schema: z.object({}),
  run: async ({ viewer: v }): Promise<Answer<{ path: string }>> => ({
    ok: true,
    value: { path: `/api/calendar/${await newCalendarToken(v)}.ics` },
  }),
});
