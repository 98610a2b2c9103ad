import { hoursOver } from '@/facts/season';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import { calendarVisits } from '@/store/follow-ups';
import type { OpenedCalendar } from '@/store/site-calendar';
import { plannedBetween } from '@/store/plans';
import { tasksBetween, type Task } from '@/store/tasks';
import { forClient, movedByRain, plannedVisit, STRUCK_OUT_DAYS, taskVisit, type Due } from './calendar';
import { stationFor } from './station';

/** What comes to a place, as its client is told of it: visits, and what is to be done there without a plan. */
export async function comingTo(place: OpenedCalendar, now: Date): Promise<{ visits: Due[]; tasks: Task[] }> {
  const today = dayIn(now, place.timeZone);
  const from = dayAfter(today, -STRUCK_OUT_DAYS, 'days');
  const until = dayAfter(today, 2, 'years');
  const [due, planned, tasks] = await Promise.all([
    calendarVisits({
      scope: place,
      from: dayAfter(today, -1, 'days'),
      to: until,
      since: new Date(`${from}T00:00:00Z`),
      siteId: place.siteId,
    }),
    plannedBetween(place, from, until, place.siteId),
    tasksBetween(place, from, until, place.siteId),
  ]);
  const hours = await hoursOver(place, due, stationFor, now);
  const visits = forClient([
    ...movedByRain(due, hours, now),
    ...planned.map(plannedVisit),
    ...tasks.map((t) => taskVisit(t, '')),
  ]);
  return { visits: visits.sort((a, b) => a.due.localeCompare(b.due) || a.id.localeCompare(b.id)), tasks };
}
