import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { putDown } from '@/commands/typed';
import { uuid } from '@/lib/ids';
import { readNumber } from '@/lib/units/numbers';
import { addOthersApplied } from '@/store/others-applied';
import { getSite } from '@/store/sites';
import { z } from 'zod';

/** What the client or others put down on this place: it counts against the caps of every label. */
export const recordOthersOnSite = command({
  name: 'record-others-on-site',
  right: 'edit grounds',
  schema: z.object({
    id: uuid,
    siteId: uuid,
    ...putDown,
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, o): Promise<Result> => {
    const grams = readNumber(o.grams, { name: 'The amount', above: 0, max: 1e7, unit: 'g' });
    if (!grams.ok) return refuse('grams', grams.sentence);
    if (o.onDay > todayOf(viewer, receivedAt)) return refuse('onDay', 'That day has not come yet.');
    if (!(await getSite(viewer, o.siteId))) return refuse('', 'There is no such place in this company.');
    await addOthersApplied(viewer, { ...o, grams: grams.value });
    return done;
  },
});
