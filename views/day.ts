import type { CrewsDay, LoadCheck, SiteStop } from '@/facts/crews-day';
import { daytimesFor } from '@/facts/fortnight';
import { atNewestDose } from '@/facts/newest-plans';
import { thingsOf } from '@/facts/crew-day-items';
import { endsOf, type CrewDayItem } from '@/facts/crew-day-ends';
import { todayOf } from '@/facts/today';
import { may } from '@/core/people/rights';
import { beforeDriving, isTicked, loadLine, nextStop, stopsOf, type Before } from '@/core/crew-day/day';
import { dayAfter } from '@/lib/calendar/days';
import type { LocalDate } from '@/lib/calendar/zone';
import { hoursOfDay } from '@/core/weather/by-hour';
import type { StationFor } from '@/core/weather/station';
import { loadOut, type Equipment, type LoadGroup } from '@/core/work/load-out';
import type { Viewer } from '@/store/auth';
import { recordsOfPlans } from '@/store/records';
import { crewDayHead, ticksOf } from '@/store/day';
import { together } from '@/store/db';
import { daySites } from '@/store/sites';
import { messagesOfCrewDay } from '@/store/messages';
import { getPlans, openVisits, type OpenPlan } from '@/store/plans';
import type { OpenWork } from '@/store/works';
import { listCrews, crewDaysBetween, toldOf, type CrewRow, type CrewDayRow } from '@/store/crew-days';
import { listEquipment, listLots } from '@/store/stock';
import { goodStock } from './jobs';
import { byDay } from './today';

const BEFORE_WORDS: Record<Before['what'], string> = {
  services: 'Buried services located and marked',
  neighbours: 'Neighbours told, washing and windows',
  client: 'Client told of the day',
};
/** What is dealt with before driving, as lines of the load sheet. */
const beforeLines = (before: readonly Before[], nameOf: (id: string) => string): LoadGroup[] =>
  before.length
    ? [
        {
          title: 'Before driving',
          lines: before.map((b) => ({ what: `${BEFORE_WORDS[b.what]}: ${nameOf(b.siteId)}`, amount: '' })),
        },
      ]
    : [];

/** Hours of the day in which the air suits what waits at a place. */
async function fitsOf({
  viewer,
  stops,
  day,
  station,
  now,
}: {
  viewer: Viewer;
  stops: readonly Omit<SiteStop, 'fit'>[];
  day: LocalDate;
  station: StationFor;
  now: Date;
}) {
  const ids = stops.flatMap((s) => s.items.flatMap((i) => (i.kind === 'plan' && i.stands === 'open' ? [i.id] : [])));
  const plans = await getPlans(viewer, ids);
  return stops.map((s): SiteStop => {
    const hours = daytimesFor([day], s.place, station, now);
    const fit: SiteStop['fit'] = {};
    for (const i of s.items) {
      const plan = plans.find((p) => p.id === i.id);
      const use = plan?.label.uses.find((u) => u.key === plan.useKey);
      const spans = use && hours(use)?.[0];
      if (spans) fit[i.id] = spans;
    }
    return { ...s, fit };
  });
}

/** What is dealt with before driving to some stops. */
const beforeOf = (stops: readonly SiteStop[]): Before[] =>
  beforeDriving(
    stops.map((s) => ({
      siteId: s.siteId,
      methods: s.items.flatMap((i) => (i.kind === 'plan' ? [i.plan.method] : [])),
      workIds: s.items.flatMap((i) => (i.kind === 'work' ? [i.work.workId] : [])),
      told: s.told,
    })),
  );

/** What a day is loaded with, each line with whether it was seen on the truck; what is done needs no loading any more. */
function loadOf({
  viewer,
  things,
  before,
  equipment,
  stock,
  ticks,
}: {
  viewer: Viewer;
  things: readonly CrewDayItem[];
  before: readonly LoadGroup[];
  equipment: readonly Equipment[];
  stock: ReadonlyMap<string, number>;
  ticks: ReadonlyMap<string, string>;
}): CrewsDay['load'] {
  const open = things.filter((t) => t.stands === 'open');
  const groups = loadOut(
    open.flatMap((t) => (t.kind === 'plan' ? [t.plan] : [])),
    open.flatMap((t) => (t.kind === 'work' ? [t.work] : [])),
    equipment,
    viewer.units,
    stock,
  );
  return [...before, ...groups].map((g) => ({
    title: g.title,
    lines: g.lines.map((l): LoadCheck => {
      const line = loadLine(g.title, l.what);
      return { line, what: l.what, amount: l.amount, short: l.short ?? null, ticked: isTicked(ticks, line, l.amount) };
    }),
  }));
}

/** A crew's day on one page: where, how long, what must be there, what became of it. */
export const dayView = (viewer: Viewer, crewDayId: string, now: Date, station: StationFor): Promise<CrewsDay | null> =>
  together(viewer, async () => {
    const round = await crewDayHead(viewer, crewDayId);
    if (!round) return null;
    const today = todayOf(viewer, now);
    const { things: stands, lefts, batches } = await thingsOf(viewer, crewDayId);
    const amounts = new Map(
      (
        await atNewestDose(
          viewer,
          now,
          stands.flatMap((t) => (t.kind === 'plan' ? [t.plan] : [])),
        )
      ).map((p) => [p.id, p]),
    );
    const things = stands.map((t) => (t.kind === 'plan' ? { ...t, plan: amounts.get(t.id)! } : t));
    const siteIds = [...new Set([...things, ...lefts].map((t) => t.siteId))];
    const planIds = [...things, ...lefts].flatMap((t) =>
      'itemId' in t ? [t.itemId] : t.kind === 'plan' ? [t.id] : [],
    );
    const [places, done, ticks, told, lots, equipment, messages] = await Promise.all([
      daySites(viewer, siteIds, may(viewer.role, 'see gate codes')),
      recordsOfPlans(viewer, planIds),
      ticksOf(viewer, crewDayId),
      toldOf(viewer, round.day),
      listLots(viewer),
      listEquipment(viewer),
      messagesOfCrewDay(viewer, crewDayId),
    ]);
    const siteOf = new Map(places.map((p) => [p.id, p]));
    const nameOf = (id: string) => siteOf.get(id)?.name ?? '';
    const stops = await fitsOf({
      viewer,
      stops: stopsOf(things).map((s) => {
        const place = siteOf.get(s.siteId)!;
        return {
          ...s,
          place,
          begins: s.items[0]!.begins,
          told: told.has(s.siteId),
          weather: hoursOfDay(station(place).forecast(now).members, round.day, place.timeZone),
        };
      }),
      day: round.day,
      station,
      now,
    });
    const before = beforeOf(stops);
    return {
      round,
      today,
      stops,
      nextSiteId: nextStop(stops)?.siteId ?? null,
      lefts,
      done,
      batches,
      load: loadOf({
        viewer,
        things,
        before: beforeLines(before, nameOf),
        equipment,
        stock: goodStock(lots, round.day),
        ticks,
      }),
      before,
      ends: endsOf({ things, batches }, now),
      messages,
      places: Object.fromEntries(places.map((p) => [p.id, p])),
    };
  });

/** What waits for a crew, to be put on a day by hand, and the days that stand. */
export interface ToPut {
  today: LocalDate;
  plans: OpenPlan[];
  works: OpenWork[];
  crews: CrewRow[];
  rounds: CrewDayRow[];
}
/** Days ahead on which something may be put by hand. */
const AHEAD_DAYS = 13;
export const toPutView = (viewer: Viewer, now: Date): Promise<ToPut> =>
  together(viewer, async () => {
    const today = todayOf(viewer, now);
    const last = dayAfter(today, AHEAD_DAYS, 'days');
    const [{ plans: open, works }, crews, rounds] = await Promise.all([
      openVisits(viewer),
      listCrews(viewer),
      crewDaysBetween(viewer, today, last),
    ]);
    const { plans, ahead } = byDay(open, today);
    return {
      today,
      plans: [...plans, ...ahead.filter((p) => p.earliest! <= last)],
      works: works.filter((w) => !w.plannedFor || w.plannedFor <= last),
      crews: crews.filter((c) => c.active),
      rounds,
    };
  });
