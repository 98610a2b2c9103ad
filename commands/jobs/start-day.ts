import { done, refuse, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { notThen } from '@/facts/not-then';
import { todayOf } from '@/facts/today';
import { instant } from '@/core/records/record';
import { uuid } from '@/lib/ids';
import { formatDay } from '@/lib/calendar/days';
import { crewDayEntries, crewDayHead, setBegun } from '@/store/day';
import { z } from 'zod';

/** A crew sets out: from now on nobody plans its day anew behind its back. Null takes it back, where it was a slip. */
export const startDay = command({
  name: 'start-day',
  right: 'apply',
  schema: z.object({ crewDayId: uuid, at: instant.nullable() }),
  run: async ({ viewer, receivedAt }, { crewDayId, at }): Promise<Result> => {
    const round = await crewDayHead(viewer, crewDayId);
    if (!round) return refuse('', 'There is no such round in this company.');
    if (round.closedAt) return refuse('', 'This day is closed.');
    if (at === null) return (await setBegun(viewer, crewDayId, null)) ? done : refuse('', 'This day is closed.');
    const never = notThen(at, receivedAt);
    if (never) return refuse('at', never);
    // Its day is the company's; a crew that is home after midnight has begun before it.
    if (round.day > todayOf(viewer, new Date(at))) return refuse('', `This round is for ${formatDay(round.day)}.`);
    if (!(await crewDayEntries(viewer, crewDayId)).length) return refuse('', 'Nothing stands on this round.');
    return (await setBegun(viewer, crewDayId, new Date(at))) ? done : refuse('', 'This day is closed.');
  },
});
