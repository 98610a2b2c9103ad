import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { offeredAt } from '@/facts/offered';
import { numberAt, typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { NO_PRICES } from '@/core/cost/prices';
import { DAYS_OPEN } from '@/core/quotes/quote';
import { dayIn } from '@/lib/calendar/zone';
import { getSite } from '@/store/sites';
import { insertQuote } from '@/store/quotes';
import { z } from 'zod';

/** Offers a client what is to be done on a whole property within a year: worked out here anew, as it is planned now. */
export const sendSiteQuote = command({
  name: 'send-site-quote',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    siteId: uuid,
    /** Lines by their keys. */
    keys: z.array(z.string().max(200)).min(1, 'Offer one thing at least.').max(60, 'At most sixty things at once.'),
    message: z.string().trim().max(2000, 'At most 2000 characters.'),
    days: typed,
  }),
  run: async ({ viewer, receivedAt }, p): Promise<Result<{ path: string }>> => {
    const issues: Issue[] = [];
    const days = numberAt(issues, 'days', p.days, { name: 'The days', ...DAYS_OPEN, whole: true });
    if (issues.length) return { ok: false, issues };
    if (viewer.prices.unentered) return refuse('keys', NO_PRICES);
    const place = await getSite(viewer, p.siteId);
    if (!place) return refuse('siteId', 'This place is not in this company.');
    const lines = await offeredAt(viewer, place.id, dayIn(receivedAt, place.timeZone));
    const chosen = lines.filter((l) => p.keys.includes(l.key));
    if (chosen.length < new Set(p.keys).size)
      return refuse('keys', 'What is planned here has changed meanwhile. Look at it again, then make the offer.');
    const token = await insertQuote(viewer, {
      id: p.id,
      siteId: place.id,
      days: days!,
      data: {
        about: 'property',
        company: viewer.companyName,
        by: viewer.name,
        client: place.clientName,
        place: place.name,
        message: p.message,
        currency: viewer.prices.currency,
        comingOut: viewer.prices.visit,
        lines: chosen,
      },
    });
    return { ok: true, value: { path: `/share/${token}` } };
  },
});
