import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import { getSite } from '@/store/sites';
import { insertTask, treeByTag } from '@/store/tasks';
import { z } from 'zod';

/** Further ahead a date is a slip of the hand. */
const AHEAD_YEARS = 20;

/** Something to be done at a place on a day: what somebody comes back for, or what is left to the client with how it is done. */
export const addTask = command({
  name: 'add-task',
  right: 'settle a follow-up',
  schema: z.object({
    id: uuid,
    siteId: uuid,
    /** A tag of the place; empty for the whole place. */
    tag: z.string().trim().max(24).default(''),
    who: z.enum(['company', 'client'], 'Say who does it.'),
    what: z.string().trim().min(3, 'Say what is to be done.').max(200, 'At most 200 characters.'),
    instructions: z.string().trim().max(2000, 'At most 2000 characters.').default(''),
    due: z.iso.date('Give the day like 2027-05-14.'),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, { tag, ...p }): Promise<Result> => {
    const place = await getSite(viewer, p.siteId);
    if (!place) return refuse('siteId', 'This place is not in this company.');
    const today = dayIn(receivedAt, place.timeZone);
    if (p.due < today) return refuse('due', 'This day has passed; give today or a day to come.');
    if (p.due > dayAfter(today, AHEAD_YEARS, 'years')) return refuse('due', `At most ${AHEAD_YEARS} years ahead.`);
    if (p.who === 'client' && p.instructions.length < 10)
      return refuse('instructions', 'Say how it is done, in words for somebody who does not do this for a living.');
    const treeId = tag ? await treeByTag(viewer, place.id, tag) : null;
    if (tag && !treeId) return refuse('tag', 'No tree here wears this tag.');
    await insertTask(viewer, { ...p, treeId });
    return done;
  },
});
