import { siteOfCalendar } from '@/store/site-calendar';
import { asCalendar, calendarOf } from '../../../../_server/calendar';
import { comingTo } from '../../../../_server/place-visits';
import { clockNow } from '@/store/clock';

/** When somebody comes to a place, and for what, as iCalendar: for its client, by a secret address. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const token = (await params).token.replace(/\.ics$/, '');
  const place = token.length <= 100 ? await siteOfCalendar(token) : null;
  if (!place)
    return Response.json(
      { issues: [{ path: 'token', message: 'This calendar address does not work (any more). Ask for a new one.' }] },
      { status: 404 },
    );
  const { visits } = await comingTo(place, clockNow());
  return asCalendar(calendarOf(`${place.siteName}, ${place.companyName}`, visits, ''));
}
