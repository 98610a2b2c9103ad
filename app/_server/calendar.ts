import ical, { ICalEventTransparency } from 'ical-generator';
import { after, type Day } from '@/core/season/follow-ups';
import { findHost } from '@/knowledge';

interface Due {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  placeName: string;
  what: string;
  reason: string;
  onlyIf: string | null;
  due: Day;
  earliest: Day;
  latest: Day;
}

/**
 * Visits as iCalendar. A visit is a day, not an hour: it is written as the day that it is, whatever zone the server, or
 * whoever reads it, lives in.
 */
export function calendarOf(name: string, visits: readonly Due[], origin: string): string {
  const calendar = ical({ name, prodId: { company: 'Elmhorn', product: 'Elmhorn', language: 'EN' } });
  // The library writes a day by its UTC parts.
  const day = (d: Day) => new Date(`${d}T00:00:00Z`);
  for (const f of visits)
    calendar.createEvent({
      id: `${f.id}@elmhorn`,
      start: day(f.due),
      end: day(after(f.due, 1, 'days')),
      allDay: true,
      transparency: ICalEventTransparency.TRANSPARENT,
      summary: `${f.tag} ${findHost(f.hostId)?.name ?? ''}: ${f.what}`,
      location: f.placeName,
      description: `${f.reason}${f.onlyIf ? ` Only if ${f.onlyIf}.` : ''} Makes sense from ${f.earliest} to ${f.latest}.`,
      ...(origin ? { url: `${origin}/tree/${f.treeId}` } : {}),
    });
  return calendar.toString();
}
