import { command, refuse, type Result } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { getPlace } from '@/store/grounds';
import { newPlaceCalendar } from '@/store/place-calendar';
import { z } from 'zod';

/** A secret address at which the client of a place sees when somebody comes, for what, and what is left to them. */
export const addSiteCalendar = command({
  name: 'add-site-calendar',
  right: 'edit grounds',
  schema: z.object({ placeId: uuid }),
  run: async ({ viewer }, { placeId }): Promise<Result<{ path: string }>> => {
    if (!(await getPlace(viewer, placeId))) return refuse('placeId', 'There is no such place in this company.');
    return { ok: true, value: { path: `/share/place/${await newPlaceCalendar(viewer, placeId)}` } };
  },
});
