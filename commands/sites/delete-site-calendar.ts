import { command, done, refuse } from '@/commands/command';
import { uuid } from '@/core/book/record';
import { endPlaceCalendar } from '@/store/place-calendar';
import { z } from 'zod';

/** The calendar address of a place stops working. */
export const deleteSiteCalendar = command({
  name: 'delete-site-calendar',
  right: 'edit grounds',
  schema: z.object({ placeId: uuid }),
  run: async ({ viewer }, { placeId }) =>
    (await endPlaceCalendar(viewer, placeId)).count ? done : refuse('placeId', 'This place has no calendar address.'),
});
