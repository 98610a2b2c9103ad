import { done, refuse } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { endSiteCalendar } from '@/store/site-calendar';
import { z } from 'zod';

/** The calendar address of a place stops working. */
export const deleteSiteCalendar = command({
  name: 'delete-site-calendar',
  right: 'edit grounds',
  schema: z.object({ siteId: uuid }),
  run: async ({ viewer }, { siteId }) =>
    (await endSiteCalendar(viewer, siteId)).count ? done : refuse('siteId', 'This place has no calendar address.'),
});
