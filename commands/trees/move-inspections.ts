import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { uuid } from '@/lib/ids';
import { noDayAhead } from '@/core/prescribe/when';
import { formatDay } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import { moveVisitsTo, visitsById } from '@/store/follow-ups';
import { z } from 'zod';

/**
 * Visits that a rule or somebody asked for are moved to a day. A treatment never comes sooner than its label lets it and
 * nothing hangs longer than it may; anything else may stand outside its span where somebody says why. All or none are moved.
 */
export const moveInspections = command({
  name: 'move-inspections',
  right: 'settle a follow-up',
  schema: z.object({
    ids: z.array(uuid).min(1, 'Choose one visit at least.').max(300, 'At most 300 visits at once.'),
    day: z.iso.date('Give the day like 2027-05-14.'),
    because: z.string().trim().max(500, 'At most 500 characters.').default(''),
  }),
  run: async ({ viewer, receivedAt }, { ids, day, because }): Promise<Result<{ moved: number }>> => {
    const visits = await visitsById(viewer, ids);
    if (visits.length < new Set(ids).size) return refuse('ids', 'A visit among them is not in this company.');
    if (visits.some((v) => v.state !== 'open')) return refuse('ids', 'What is done or left out cannot be moved.');
    if (visits.some((v) => v.ruleId === 'programme'))
      return refuse('ids', 'A visit of a programme is moved by its programme, which takes what follows along.');
    const never = visits.flatMap((v) => noDayAhead(day, dayIn(receivedAt, v.timeZone)) ?? [])[0];
    if (never) return refuse('day', never);
    const issues = visits.flatMap((v): Issue[] => {
      if (v.kind === 'treat-again' && day < v.earliest)
        return [
          { path: `ids.${v.id}`, message: `${v.tag}: ${v.what} may come on ${formatDay(v.earliest)} at the soonest.` },
        ];
      if (v.kind === 'pull-device' && day > v.latest)
        return [{ path: `ids.${v.id}`, message: `${v.tag}: what hangs is pulled by ${formatDay(v.latest)}.` }];
      // What somebody asked for has no time but the day they gave.
      if (because || v.ruleId === 'own' || (v.earliest <= day && day <= v.latest)) return [];
      const span = `${formatDay(v.earliest)} to ${formatDay(v.latest)}`;
      return [
        { path: 'because', message: `${v.tag}: ${v.what} has its time from ${span}. Say why it is moved out of it.` },
      ];
    });
    if (issues.length) return { ok: false, issues: issues.slice(0, 40) };
    await moveVisitsTo(viewer, ids, day, because);
    return { ok: true, value: { moved: visits.length } };
  },
});
