import { after } from '@/core/season/follow-ups';
import { calendarOf, plannedVisit } from '../../../_server/calendar';
import { calendarOwner } from '@/store/auth';
import { calendarVisits } from '@/store/follow-ups';
import { plannedBetween } from '@/store/plans';
import { currentViewer, todayOf } from '../../../_server/viewer';

/** How long a visit that is done or off is still sent, struck out, for calendars that ask seldom. */
const STRUCK_OUT_MS = 60 * 864e5;

/** What is due, as iCalendar: by a secret address for subscribing, or `mine.ics` for whoever is signed in. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const token = (await params).token.replace(/\.ics$/, '');
  const viewer = token === 'mine' ? await currentViewer() : token.length <= 100 ? await calendarOwner(token) : null;
  if (!viewer)
    return Response.json(
      {
        faults: [
          {
            path: 'token',
            sentence: 'This calendar address does not work (any more). Make a new one under your name.',
          },
        ],
      },
      { status: 404 },
    );
  const today = todayOf(viewer);
  const since = new Date(Date.now() - STRUCK_OUT_MS);
  const until = after(today, 5, 'years');
  const [due, planned] = await Promise.all([
    calendarVisits(viewer, after(today, -1, 'years'), until, since),
    plannedBetween(viewer, after(today, -60, 'days'), until),
  ]);
  const visits = [...due, ...planned.map(plannedVisit)];
  const text = calendarOf(`Elmhorn, ${viewer.outfitName}`, visits, process.env.ELMHORN_ORIGIN ?? '');
  return new Response(text, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="elmhorn.ics"',
      'cache-control': 'no-store',
    },
  });
}
