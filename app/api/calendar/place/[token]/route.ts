import { after, dayIn } from '@/core/season/follow-ups';
import { calendarVisits } from '@/store/follow-ups';
import { placeOfCalendar } from '@/store/place-calendar';
import { plannedBetween } from '@/store/plans';
import { hoursOver } from '@/commands/facts/season';
import {
  asCalendar,
  calendarOf,
  forClient,
  movedByRain,
  plannedVisit,
  STRUCK_OUT_DAYS,
} from '../../../../_server/calendar';
import { stationFor } from '../../../../_server/station';

/** When somebody comes to a place, and for what, as iCalendar: for its client, by a secret address. */
export async function GET(_request: Request, { params }: { params: Promise<{ token: string }> }) {
  const token = (await params).token.replace(/\.ics$/, '');
  const place = token.length <= 100 ? await placeOfCalendar(token) : null;
  if (!place)
    return Response.json(
      { faults: [{ path: 'token', sentence: 'This calendar address does not work (any more). Ask for a new one.' }] },
      { status: 404 },
    );
  const today = dayIn(new Date(), place.timeZone);
  const from = after(today, -STRUCK_OUT_DAYS, 'days');
  const until = after(today, 2, 'years');
  const [due, planned] = await Promise.all([
    calendarVisits(place, after(today, -1, 'days'), until, new Date(`${from}T00:00:00Z`), place.placeId),
    plannedBetween(place, from, until, place.placeId),
  ]);
  const now = new Date();
  const hours = await hoursOver(place, due, stationFor, now);
  const visits = forClient([...movedByRain(due, hours, now), ...planned.map(plannedVisit)]);
  return asCalendar(calendarOf(`${place.placeName}, ${place.outfitName}`, visits, ''));
}
