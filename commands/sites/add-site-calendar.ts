import { refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { getSite } from '@/store/sites';
import { newSiteCalendar } from '@/store/site-calendar';
import { z } from 'zod';

/** A secret address at which the client of a place sees when somebody comes, for what, and what is left to them. */
export const addSiteCalendar = command({
  name: 'add-site-calendar',
  right: 'edit grounds',
  schema: z.object({ siteId: uuid }),
  run: async ({ viewer }, { siteId }): Promise<Result<{ path: string }>> => {
    if (!(await getSite(viewer, siteId))) return refuse('siteId', 'There is no such place in this company.');
    return { ok: true, value: { path: `/share/place/${await newSiteCalendar(viewer, siteId)}` } };
  },
});
