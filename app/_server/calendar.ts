import ical, { ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { after, type Day } from '@/core/season/follow-ups';
import { METHOD_NAMES } from '@/core/label/methods';
import { findWork } from '@/core/work/works';
import { findHost } from '@/knowledge';
import type { PlannedVisit } from '@/store/plans';

export interface Due {
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
  state: 'open' | 'done' | 'dropped';
  version: number;
  changedAt: Date;
}

/** A plan or work for a day of its own as a visit: it counts its moves, and what is no longer open has changed once more. */
export const plannedVisit = (plan: PlannedVisit): Due => ({
  ...plan,
  what: plan.put
    ? `${METHOD_NAMES[plan.put.method]}, ${plan.put.label}`
    : (findWork(plan.workId!)?.name ?? plan.workId!),
  reason: 'Planned.',
  onlyIf: null,
  due: plan.plannedFor,
  version: plan.moves + (plan.state === 'open' ? 0 : 1),
});

/** How often a subscribed calendar should ask again, s. */
const REFRESH_S = 6 * 3600;

/**
 * Visits as iCalendar; what is done or off is struck out rather than left away, so that it goes from every calendar.
 * A visit is a day, not an hour: it is written as the day that it is, whatever zone the server, or
 * whoever reads it, lives in.
 */
export function calendarOf(name: string, visits: readonly Due[], origin: string): string {
  const calendar = ical({ name, prodId: { company: 'Elmhorn', product: 'Elmhorn', language: 'EN' }, ttl: REFRESH_S });
  // The library writes a day by its UTC parts.
  const day = (d: Day) => new Date(`${d}T00:00:00Z`);
  for (const f of visits)
    calendar.createEvent({
      id: `${f.id}@elmhorn`,
      start: day(f.due),
      end: day(after(f.due, 1, 'days')),
      allDay: true,
      transparency: ICalEventTransparency.TRANSPARENT,
      sequence: f.version,
      lastModified: f.changedAt,
      stamp: f.changedAt,
      status: f.state === 'open' ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
      summary: `${f.tag} ${findHost(f.hostId)?.name ?? ''}: ${f.what}`,
      location: f.placeName,
      description: `${f.reason}${f.onlyIf ? ` Only if ${f.onlyIf}.` : ''} Makes sense from ${f.earliest} to ${f.latest}.`,
      ...(origin ? { url: `${origin}/tree/${f.treeId}` } : {}),
    });
  return calendar.toString();
}
