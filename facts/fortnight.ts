import { todayOf } from '@/facts/today';
import { AIRBORNE, type Method } from '@/core/label/methods';
import type { LabelUse } from '@/core/label/schema';
import { airLimitsOf, VISIT_HOURS } from '@/core/prescribe/conditions';
import { driveMatrix } from '@/core/schedule/drive';
import { workedMinutes } from '@/core/crew-day/home';
import { learnedPace, INSPECTION_PACE, WORK_PREPARE, type DayDone } from '@/core/schedule/durations';
import { HOLE_MINUTES } from '@/core/label/minutes';
import { type Pace } from '@/core/label/minutes';
import { hoursOn } from '@/core/schedule/hours';
import { before, jobsOf, type Item, type JobOf } from '@/core/schedule/jobs';
import type { Crew, Hours, Job, Kit, Problem } from '@/core/schedule/problem';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { sunOn } from '@/core/season/sun';
import { anyAir, fitDays, fitSpans, type AirLimits } from '@/core/weather/fitness';
import type { StationFor } from '@/core/weather/station';
import { findCondition } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import {
  absentSince,
  closedDays,
  listCrews,
  setOutOn,
  timedSince,
  waitingUntil,
  type AllWaiting,
  type Absence,
  type ClosedDay,
  type CrewRow,
  type OpenInspection,
  type WaitingSite,
  type WaitingPlan,
  type WaitingWork,
} from '@/store/crew-days';
import { listEquipment, listSprayers } from '@/store/stock';
import { regionFor } from './region';

/** Days that are planned at once. */
const FORTNIGHT = 14;
/** How far beyond them the next time of a product is looked for. */
const BEYOND_DAYS = 60;
/** Years of records from which a company learns its pace. */
const LEARN_YEARS = 2;

/** Kits of a company, and how many crews can have each on one day. */
const KITS = { spray: 25, injection: 15, probe: 15, drench: 10, tools: 10 } as const;
type KitKey = keyof typeof KITS;
const kitFor = (method: Method): KitKey | null => {
  if (method === 'trunk-injection') return 'injection';
  if (method === 'soil-injection') return 'probe';
  if (method === 'soil-drench' || method === 'root-zone-feeding') return 'drench';
  return AIRBORNE.includes(method) && method !== 'dust' && method !== 'repellent' ? 'spray' : null;
};

/** A visit of a programme that waits. */
export interface AssignedItem {
  visitId: string;
  assignmentId: string;
  treeId: string;
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
}

/** A fortnight as it lies before whoever plans it. */
export interface Fortnight {
  today: LocalDate;
  problem: Omit<Problem, 'jobs'> & { jobs: JobOf[] };
  places: WaitingSite[];
  crews: CrewRow[];
  away: Absence[];
  /** More waits than is planned at once: the soonest of it is here. */
  more: boolean;
  /** Plans whose time is over: they want a new one, or to be dropped. */
  passed: { id: string; treeId: string; tag: string; siteId: string; latest: LocalDate; label: string }[];
  /** Visits of programmes among the items, with what a move of them must know. */
  visits: Map<string, AssignedItem>;
  /** Plans of their own, by item, with the day that they are for. */
  plans: Map<string, LocalDate>;
}

/** A crew over some days: when it goes out, and what licences are with it. */
function crewOver(row: CrewRow, days: readonly LocalDate[], away: readonly Absence[]): Crew {
  const here = days.map((day) =>
    row.people.filter((p) => !away.some((a) => a.personId === p.id && a.from <= day && day <= a.to)),
  );
  return {
    id: row.id,
    name: row.name,
    hours: days.map((day, d) => {
      const spans = hoursOn(row.hours, day, null);
      if (!spans.length || here[d]!.length < row.least) return null;
      return { from: spans[0]!.from, to: spans.at(-1)!.to };
    }),
    // What lies between its hours is its rest.
    rests: days.map((day) => {
      const spans = hoursOn(row.hours, day, null);
      return spans.slice(1).flatMap((s, i) => (s.from > spans[i]!.to ? [{ from: spans[i]!.to, to: s.from }] : []));
    }),
    licences: days.map((day, d) => {
      const held = here[d]!.filter((p) => p.licenceExpires !== null && p.licenceExpires >= day);
      return held.length ? [...new Set(held.flatMap((p) => p.licenceCategories))] : null;
    }),
  };
}

/** How likely the air is to suit a use at a place on each day; null where its label asks nothing of the air. */
function chancesFor(days: readonly LocalDate[], place: WaitingSite, station: StationFor, now: Date) {
  const { members } = station(place).forecast(now);
  return (limits: AirLimits): Job['chances'] => {
    // Where nobody forecasts, no day is better than another.
    if (anyAir(limits) || !members.length) return null;
    const fit = new Map(fitDays(members, limits, VISIT_HOURS, place.timeZone).map((f) => [f.day, f.chance]));
    return days.map((d) => fit.get(d) ?? null);
  };
}

/** Minutes after sunrise and before sunset in which the sun is low, and those after it in which there is light. */
const LOW_SUN = 180;
const DUSK = 30;
/** Hours of each day in which air and light suit a use at a place; null where any are as good. */
export function daytimesFor(
  days: readonly LocalDate[],
  place: Pick<WaitingSite, 'lat' | 'lon' | 'timeZone'>,
  station: StationFor,
  now: Date,
) {
  const { members } = station(place).forecast(now);
  const { lat, lon } = place;
  const low = (day: LocalDate): Hours[] | null => {
    const sun = lat === null || lon === null ? null : sunOn(day, { lat, lon }, place.timeZone);
    return (
      sun && [
        { from: sun.rise, to: sun.rise + LOW_SUN },
        { from: sun.set - LOW_SUN, to: sun.set + DUSK },
      ]
    );
  };
  return (use: LabelUse): Job['daytimes'] => {
    const limits = airLimitsOf(use);
    const lowSun = use.conditions?.lowSun ?? false;
    if (anyAir(limits) || !members.length) return lowSun ? days.map(low) : null;
    const told = fitSpans(members, limits, place.timeZone, lowSun ? low : null);
    return days.map((day) => told.get(day) ?? (lowSun ? low(day) : null));
  };
}

/** A loss of so many trees a year makes a missed treatment the loss of a tree. */
const LOSES_TREES = 0.1;

interface Frame {
  today: LocalDate;
  last: LocalDate;
  pace: Record<Method, Pace>;
  viewer: Viewer;
  place: (id: string) => WaitingSite;
  chances: (siteId: string) => (limits: AirLimits) => Job['chances'];
  daytimes: (siteId: string) => (use: LabelUse) => Job['daytimes'];
  /** What the largest sprayer holds, mL; null where nobody keeps a list. */
  tankMl: number | null;
}
const later = (a: LocalDate, b: LocalDate): LocalDate => (a > b ? a : b);

/** What every item has, of whatever kind. */
function common(w: WaitingPlan | WaitingWork | OpenInspection, { place, today }: Frame) {
  const now = w.crewId && w.crewDayOf && w.crewDayOf >= today ? { day: w.crewDayOf, crewId: w.crewId } : null;
  return {
    id: w.id,
    treeId: w.treeId,
    tag: w.tag,
    siteId: w.siteId,
    section: w.section,
    walk: w.walk,
    now,
    locked: now !== null && (w.locked ?? false),
    told: now && place(w.siteId).told.includes(now.day) ? now.day : null,
  };
}

/**
 * When a plan may stand. A visit of a programme has the first day that its label and what comes before it leave: never sooner,
 * and later only as far as that is worth it; its own laying has the last word when rounds are kept.
 */
function timeOf(w: WaitingPlan, { today, last }: Frame): Pick<Item, 'earliest' | 'latest' | 'firm' | 'wanted'> {
  const wanted = w.plannedFor && later(w.plannedFor, today);
  if (w.visitId && wanted) return { earliest: wanted, latest: later(w.latest ?? wanted, wanted), firm: false, wanted };
  return { earliest: later(w.earliest ?? today, today), latest: w.latest ?? last, firm: w.latest !== null, wanted };
}

function itemOfPlan(w: WaitingPlan, f: Frame): Item {
  const { use, label } = w;
  const { prepare, each } = f.pace[use.method];
  const region = regionFor(f.viewer, f.place(w.siteId).region);
  const reserved = region.reserved.filter((r) => label.actives.some((a) => a.name === r.active));
  const hangs = use.method === 'trunk-injection' ? (w.uptake ?? 0) : 0;
  return {
    ...common(w, f),
    about: { kind: 'plan', method: use.method, label: label.name },
    labelKey: label.key,
    minDays: use.intervals.minDays ?? 0,
    ...timeOf(w, f),
    prepare,
    minutes: each + HOLE_MINUTES * (w.sites ?? 0),
    hangs: Math.round(hangs),
    kit: kitFor(use.method),
    licences: [...(label.licenceCategory ? [label.licenceCategory] : []), ...reserved.map((r) => r.category)],
    licensed: label.restricted || label.licenceCategory !== undefined || region.licenceNeeded,
    chances: f.chances(w.siteId)(airLimitsOf(use)),
    daytimes: f.daytimes(w.siteId)(use),
    tanks: f.tankMl !== null && kitFor(use.method) === 'spray' ? (w.mixMl ?? 0) / f.tankMl : 0,
    stake: (findCondition(w.conditionId)?.lossPerYear ?? 0) >= LOSES_TREES ? 3 : 2,
    sick: !w.sound,
    reEntryHours: use.intervals.reEntryHours,
  };
}

/** What no label speaks of: no licence, no limits of air, nobody kept out. */
const UNLABELLED = {
  labelKey: null,
  minDays: 0,
  hangs: 0,
  licences: [],
  licensed: false,
  chances: null,
  daytimes: null,
  tanks: 0,
  reEntryHours: 0,
} as const;

function itemOfWork(w: WaitingWork, f: Frame): Item {
  const wanted = w.plannedFor && later(w.plannedFor, f.today);
  return {
    ...common(w, f),
    ...UNLABELLED,
    about: { kind: 'work', workId: w.workId },
    earliest: later(w.earliest ?? w.plannedFor ?? f.today, f.today),
    latest: w.latest ?? later(f.last, wanted ?? f.last),
    firm: w.latest !== null && w.latest >= f.today,
    wanted,
    prepare: WORK_PREPARE,
    minutes: w.minutes,
    kit: 'tools',
    stake: 1,
    sick: !w.sound,
  };
}

function itemOfInspection(w: OpenInspection, f: Frame): Item {
  return {
    ...common(w, f),
    ...UNLABELLED,
    about: { kind: 'look', what: w.what },
    earliest: later(w.earliest, f.today),
    latest: later(w.latest, w.due),
    firm: false,
    wanted: later(w.due, f.today),
    prepare: INSPECTION_PACE.prepare,
    minutes: INSPECTION_PACE.each,
    kit: null,
    // What hangs in a trunk and is not pulled does harm; a look that comes late tells less.
    stake: w.kind === 'pull-device' ? 3 : 1,
    sick: !w.sound,
  };
}

/** Items of these days, with room for the next time of each product that lies beyond them; and plans whose time is over. */
function itemsOf({ plans, works, looks }: AllWaiting, f: Frame): { items: Item[]; passed: WaitingPlan[] } {
  const passed = plans.filter((p) => p.latest !== null && p.latest < f.today && p.visitId === null);
  const open = plans.filter((p) => !passed.includes(p));
  const inTime = (w: { earliest: LocalDate | null }) => w.earliest === null || w.earliest <= f.last;
  const key = (p: WaitingPlan) => `${p.treeId} ${p.label.key}`;
  const beyond = new Map<string, LocalDate>();
  for (const p of open)
    if (!inTime(p) && p.plannedFor && p.plannedFor < (beyond.get(key(p)) ?? '9999')) beyond.set(key(p), p.plannedFor);
  return {
    passed,
    items: [
      ...open.filter(inTime).map((p) => before(itemOfPlan(p, f), beyond.get(key(p)) ?? null)),
      ...works.filter((w) => inTime({ earliest: w.earliest ?? w.plannedFor })).map((w) => itemOfWork(w, f)),
      ...looks.filter((w) => w.due <= f.last).map((w) => itemOfInspection(w, f)),
    ],
  };
}

const dayDone = ({ begunAt, home, yardLat, yardLon, pieces }: ClosedDay): DayDone => ({
  worked: workedMinutes(begunAt, home),
  yard: { lat: yardLat, lon: yardLon },
  pieces,
});

/** What waits, but for what crews have set out with on a day. */
function withoutUnderWay({ plans, works, looks, ...rest }: AllWaiting, day: LocalDate): AllWaiting {
  const waits = (w: { begun: boolean; crewDayOf: LocalDate | null }) => !w.begun || w.crewDayOf !== day;
  return { ...rest, plans: plans.filter(waits), works: works.filter(waits), looks: looks.filter(waits) };
}

/** Everything that is read for the assignment of a fortnight from today on. */
export async function fortnightFacts(viewer: Viewer, now: Date) {
  const today = todayOf(viewer, now);
  const days = Array.from({ length: FORTNIGHT }, (_, d) => dayAfter(today, d, 'days'));
  const last = days.at(-1)!;
  const [all, setOut, crewRows, away, log, closed, sprayers, equipment] = await Promise.all([
    waitingUntil(viewer, dayAfter(last, BEYOND_DAYS, 'days')),
    setOutOn(viewer, today),
    listCrews(viewer),
    absentSince(viewer, today),
    timedSince(viewer, dayAfter(today, -LEARN_YEARS, 'years')),
    closedDays(viewer, dayAfter(today, -LEARN_YEARS, 'years')),
    listSprayers(viewer),
    listEquipment(viewer),
  ]);
  return { today, days, all, setOut, crewRows, away, log, closed, sprayers, equipment };
}
type FortnightFacts = Awaited<ReturnType<typeof fortnightFacts>>;

/** The same, read and worked out. */
export const fortnightOf = async (
  viewer: Viewer,
  station: StationFor,
  now: Date,
  underWay: 'apart' | 'with' = 'apart',
): Promise<Fortnight> => fortnightFrom(await fortnightFacts(viewer, now), viewer, station, now, underWay);

/**
 * The problem of a fortnight: the same data make the same one. Where much waits it takes seconds, and no connection to the
 * database should be held meanwhile.
 * @param underWay what crews have set out with today: apart from what is planned, as is the rest of their day; or with it, for
 *   whoever changes such a day itself
 */
export function fortnightFrom(
  { today, days, all, setOut, crewRows, away, log, closed, sprayers, equipment }: FortnightFacts,
  viewer: Viewer,
  station: StationFor,
  now: Date,
  underWay: 'apart' | 'with' = 'apart',
): Fortnight {
  const last = days.at(-1)!;
  const waiting = underWay === 'with' ? all : withoutUnderWay(all, today);
  const places = new Map(waiting.places.map((p) => [p.id, p]));
  const chances = new Map<string, (limits: AirLimits) => Job['chances']>();
  const daytimes = new Map<string, (use: LabelUse) => Job['daytimes']>();
  const frame: Frame = {
    today,
    last,
    viewer,
    pace: learnedPace(log, closed.map(dayDone)),
    place: (id) => places.get(id)!,
    chances: (id) => {
      if (!chances.has(id)) chances.set(id, chancesFor(days, places.get(id)!, station, now));
      return chances.get(id)!;
    },
    daytimes: (id) => {
      if (!daytimes.has(id)) daytimes.set(id, daytimesFor(days, places.get(id)!, station, now));
      return daytimes.get(id)!;
    },
    tankMl: sprayers.length ? Math.max(...sprayers.map((s) => s.holdsMl)) : null,
  };
  const { items, passed } = itemsOf(waiting, frame);
  const jobs = jobsOf(items);
  const here = waiting.places.filter((p) => jobs.some((j) => j.siteId === p.id));
  const crews = crewRows.filter((c) => c.active);
  const own = (kind: 'drill' | 'probe') => {
    const has = equipment.filter((e) => e.kind === kind);
    return has.length ? has.reduce((sum, e) => sum + e.count, 0) : null;
  };
  const counts: Record<KitKey, number | null> = {
    spray: sprayers.length || null,
    injection: own('drill'),
    probe: own('probe'),
    drench: null,
    tools: null,
  };
  return {
    today,
    places: here,
    crews,
    away,
    more: waiting.more,
    passed: passed.map(({ id, treeId, tag, siteId, latest, label }) => ({
      id,
      treeId,
      tag,
      siteId,
      latest: latest!,
      label: label.name,
    })),
    problem: {
      days,
      crews: crews.map((c) => {
        const over = crewOver(c, days, away);
        // Who has set out today takes no more of what is planned for it.
        return underWay === 'apart' && setOut.has(c.id) ? { ...over, hours: [null, ...over.hours.slice(1)] } : over;
      }),
      places: here.map((p) => ({
        id: p.id,
        name: p.name,
        open: days.map((d) => hoursOn(p.hours, d, { from: 0, to: 1440 })),
      })),
      kits: (Object.keys(KITS) as KitKey[]).map((key): Kit => ({ key, setUp: KITS[key], count: counts[key] })),
      drive: driveMatrix([...crews.map((c) => ({ lat: c.yardLat, lon: c.yardLon })), ...here]),
      jobs,
    },
    visits: new Map(
      [...waiting.plans, ...waiting.works].flatMap((w) =>
        w.visitId && w.assignmentId && w.plannedFor && w.earliest && w.latest
          ? [
              [
                w.id,
                {
                  visitId: w.visitId,
                  assignmentId: w.assignmentId,
                  treeId: w.treeId,
                  day: w.plannedFor,
                  earliest: w.earliest,
                  latest: w.latest,
                },
              ],
            ]
          : [],
      ),
    ),
    plans: new Map(waiting.plans.flatMap((p) => (!p.visitId && p.plannedFor ? [[p.id, p.plannedFor]] : []))),
  };
}
