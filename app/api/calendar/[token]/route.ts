import { dayAfter, DAY_MS } from '@/lib/calendar/days';
import {
  asCalendar,
  calendarOf,
  movedByRain,
  plannedVisit,
  STRUCK_OUT_DAYS,
  taskVisit,
} from '../../../_server/calendar';
import { hoursOver } from '@/facts/season';
import { withCustomKnowledge } from '@/facts/custom-knowledge';
import { calendarOwner, type Viewer } from '@/store/auth';
import { calendarVisits } from '@/store/follow-ups';
import { plannedBetween } from '@/store/plans';
import { tasksBetween } from '@/store/tasks';
import { stationFor } from '../../../_server/station';
import { currentViewer, todayOf } from '../../../_server/viewer';
import { clockNow } from '@/store/clock';

/** What is due, as iCalendar: by a secret address for subscribing, or `mine.ics` for whoever is signed in. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const token = (await params).token.replace(/\.ics$/, '');
  const viewer = token === 'mine' ? await currentViewer() : token.length <= 100 ? await calendarOwner(token) : null;
  if (!viewer)
    return Response.json(
      {
        issues: [
          {
            path: 'token',
            message: 'This calendar address does not work (any more). Make a new one under your name.',
          },
        ],
      },
      { status: 404 },
    );
  return withCustomKnowledge(viewer, () => theirs(viewer));
}

async function theirs(viewer: Viewer): Promise<Response> {
  const today = todayOf(viewer);
  const since = new Date(clockNow().getTime() - STRUCK_OUT_DAYS * DAY_MS);
  const until = dayAfter(today, 5, 'years');
  const [due, planned, tasks] = await Promise.all([
    calendarVisits({ scope: viewer, from: dayAfter(today, -1, 'years'), to: until, since }),
    plannedBetween(viewer, dayAfter(today, -STRUCK_OUT_DAYS, 'days'), until),
    tasksBetween(viewer, dayAfter(today, -STRUCK_OUT_DAYS, 'days'), until, null),
  ]);
  const now = clockNow();
  const hours = await hoursOver(viewer, due, stationFor, now);
  const visits = [
    ...movedByRain(due, hours, now),
    ...planned.map(plannedVisit),
    ...tasks.map((t) => taskVisit(t, 'Left to the client: ')),
  ];
  const text = calendarOf(`Elmhorn, ${viewer.companyName}`, visits, process.env.ELMHORN_ORIGIN ?? '');
  return asCalendar(text);
}
