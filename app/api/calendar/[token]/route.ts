import ical from 'ical-generator';
import { after } from '@/core/season/follow-ups';
import { findHost } from '@/knowledge';
import { calendarOwner } from '@/store/auth';
import { dueBetween } from '@/store/follow-ups';
import { currentViewer, todayOf } from '../../../_server/viewer';

/** What is due, as iCalendar: by a secret address for subscribing, or `mine.ics` for whoever is signed in. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const token = (await params).token.replace(/\.ics$/, '');
  const v = token === 'mine' ? await currentViewer() : token.length <= 100 ? await calendarOwner(token) : null;
  if (!v)
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
  const today = todayOf(v);
  const due = await dueBetween(v, after(today, -1, 'years'), after(today, 5, 'years'), 5000);
  const calendar = ical({
    name: `Elmhorn, ${v.outfitName}`,
    prodId: { company: 'Elmhorn', product: 'Elmhorn', language: 'EN' },
  });
  for (const f of due)
    calendar.createEvent({
      id: `${f.id}@elmhorn`,
      // A follow-up is a day, not an hour.
      start: new Date(`${f.due}T00:00:00`),
      end: new Date(`${after(f.due, 1, 'days')}T00:00:00`),
      allDay: true,
      floating: true,
      summary: `${f.tag} ${findHost(f.hostId)?.name ?? ''}: ${f.what}`,
      location: f.placeName,
      description: `${f.reason}${f.onlyIf ? ` Only if ${f.onlyIf}.` : ''} Makes sense from ${f.earliest} to ${f.latest}.`,
    });
  return new Response(calendar.toString(), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="elmhorn.ics"',
      'cache-control': 'no-store',
    },
  });
}
