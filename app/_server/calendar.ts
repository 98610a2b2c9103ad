import ical, { ICalEventStatus, ICalEventTransparency } from 'ical-generator';
import { dayAfter, daysBetween } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { METHOD_NAMES } from '@/core/label/methods';
import { groupBy } from '@/core/work/load-out';
import { findWork } from '@/knowledge/works';
import { findHost } from '@/knowledge';
import { underRain, type HoursAt } from '@/facts/season';
import type { CalendarVisit } from '@/store/follow-ups';
import type { PlannedVisit } from '@/store/plans';
import type { Task } from '@/store/tasks';

export interface Due {
  id: string;
  /** Null for a whole place. */
  treeId: string | null;
  siteId?: string;
  tag: string;
  hostId: string;
  siteName: string;
  what: string;
  reason: string;
  onlyIf: string | null;
  due: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  state: 'open' | 'done' | 'dropped';
  version: number;
  changedAt: Date;
}

/** Days on either side of which a date may be moved by rain: a change of the visit itself counts for more than all of them. */
const MOVES_MOST = 400;

/**
 * Visits as rain has moved them. Rain only ever brings a date forward, so that the days by which it has are counted among the
 * changes of a visit, and its number never falls.
 */
export const movedByRain = (visits: readonly CalendarVisit[], hours: HoursAt, now: Date): Due[] => {
  const was = new Map(visits.map((v) => [v.id, v]));
  const midnight = new Date(Math.floor(now.getTime() / 864e5) * 864e5);
  return underRain(visits, hours, now).map((v) => {
    const moved = daysBetween(v.due, was.get(v.id)!.due);
    return {
      ...v,
      version: v.version * MOVES_MOST + Math.min(moved, MOVES_MOST - 1),
      changedAt: moved && midnight > v.changedAt ? midnight : v.changedAt,
    };
  });
};

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

/** A task of a place as a visit. @param client what is put before what is left to the client */
export const taskVisit = (t: Task, client: string): Due => ({
  ...t,
  tag: t.tag ?? '',
  hostId: '',
  what: t.who === 'client' ? `${client}${t.what}` : t.what,
  reason: t.instructions,
  onlyIf: null,
  earliest: t.due,
  latest: t.due,
});

/** How long what is done or off is still sent, struck out, for calendars that ask seldom. */
export const STRUCK_OUT_DAYS = 60;

/** A calendar as an answer; it is never kept on the way. */
export const asCalendar = (text: string): Response =>
  new Response(text, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="elmhorn.ics"',
      'cache-control': 'no-store',
    },
  });

/** Minutes are counted from here: a sequence is a number of 32 bits. */
const COUNTED_FROM = Date.parse('2020-01-01T00:00:00Z');

/**
 * Visits as a client reads them: what is done on one day is one entry, however many trees have it, and nothing is told of why.
 * An entry keeps the id of its first tree; where trees part, those that go another day have one of their own. As trees come and
 * go, the changes of an entry cannot be counted by theirs: its number is the minute of the last change of all, which never falls.
 */
export function forClient(visits: readonly Due[]): Due[] {
  const groups = groupBy(visits, (v) => [v.due, v.what, v.state].join());
  const last = Math.max(0, ...visits.map((v) => v.changedAt.getTime()));
  return [...groups.values()].map((of) => {
    const [first] = [...of].sort((a, b) => a.id.localeCompare(b.id)) as [Due, ...Due[]];
    const alone = of.length === 1;
    return {
      ...first,
      tag: alone ? first.tag : `${of.length} trees`,
      hostId: alone ? first.hostId : '',
      reason: '',
      version: Math.max(0, Math.floor((last - COUNTED_FROM) / 60_000)),
      changedAt: new Date(Math.max(...of.map((v) => v.changedAt.getTime()))),
    };
  });
}

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
  const day = (d: LocalDate) => new Date(`${d}T00:00:00Z`);
  for (const f of visits)
    calendar.createEvent({
      id: `${f.id}@elmhorn`,
      start: day(f.due),
      end: day(dayAfter(f.due, 1, 'days')),
      allDay: true,
      transparency: ICalEventTransparency.TRANSPARENT,
      sequence: f.version,
      lastModified: f.changedAt,
      stamp: f.changedAt,
      status: f.state === 'open' ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
      summary: [[f.tag, findHost(f.hostId)?.name].filter(Boolean).join(' '), f.what].filter(Boolean).join(': '),
      location: f.siteName,
      description: f.reason
        ? `${f.reason}${f.onlyIf ? ` Only if ${f.onlyIf}.` : ''} Makes sense from ${f.earliest} to ${f.latest}.`
        : '',
      ...(origin ? { url: `${origin}/${f.treeId ? `trees/${f.treeId}` : `sites/${f.siteId}`}` } : {}),
    });
  return calendar.toString();
}
