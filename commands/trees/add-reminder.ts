import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { treeOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import { insertReminder } from '@/store/follow-ups';
import { z } from 'zod';

/** Further ahead a date is a slip of the hand. */
const AHEAD_YEARS = 20;

/** Coming back on a day of one's own, for something that no rule asks for. */
export const addReminder = command({
  name: 'add-reminder',
  right: 'settle a follow-up',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    on: z.iso.date('Give the day like 2026-05-14.'),
    what: z.string().trim().min(3, 'Say what for.').max(200, 'At most 200 characters.'),
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, { id, treeId, on, what }): Promise<Result> => {
    const tree = await treeOf(viewer, treeId, receivedAt);
    if (!tree) return noTree;
    const today = dayIn(receivedAt, tree.timeZone);
    if (on < today) return refuse('on', 'This day has passed; give today or a day to come.');
    if (on > dayAfter(today, AHEAD_YEARS, 'years')) return refuse('on', `At most ${AHEAD_YEARS} years ahead.`);
    await insertReminder(viewer, { id, treeId, on, what, reason: `Set by ${viewer.name}.` });
    return done;
  },
});
