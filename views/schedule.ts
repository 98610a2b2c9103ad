import { regionFor } from '@/facts/region';
import {
  comesHere,
  hoursAt,
  hoursOver,
  hostYear,
  taughtFrom,
  underRain,
  weatherOf,
  type DueVisit,
} from '@/facts/season';
import { dayAfter, DAY_MS } from '@/lib/calendar/days';
import { dayIn, wallClock, zonedInstant, type LocalDate } from '@/lib/calendar/zone';
import { findCondition, findHost, growthOf, heatModelsFor } from '@/knowledge';
import { lifeOf } from '@/knowledge/lives';
import { USUAL_WIND } from '@/core/gates/rules/weather';
import type { Region } from '@/core/gates/region';
import { memoizeEach } from '@/lib/memoize';
import { concerns } from '@/core/diagnose/reading';
import { coverOf } from '@/core/spray/covers';
import type { CoverLeft } from '@/core/season/cover';
import { infectionEvents, infections, infectionSpan, type InfectionEvent } from '@/core/season/infections';
import { stagesOn, type StageDate } from '@/core/season/stages';
import type { HeatModel } from '@/core/season/heat-schema';
import { seasonStart, type SeasonWeather } from '@/core/season/growth';
import { southOf } from '@/lib/calendar/hemisphere';
import { lifeSpans, type LifeSpan } from '@/core/season/life';
import { timedSpans } from '@/core/season/timed';
import { daysOf, heatCurve, type HeatPoint, type HostYear } from '@/core/season/year';
import { fitDays, fitHours, type AirLimits, type FitDay } from '@/core/weather/fitness';
import type { Hour, StationFor, WeatherDay, WeatherStation } from '@/core/weather/station';
import type { Host, TreatmentOption } from '@/core/diagnose/knowledge';
import type { Viewer } from '@/store/auth';
import { withSeries } from './series';
import { together } from '@/store/db';
import { dueBetween } from '@/store/follow-ups';
import { sitesToChoose, type SiteList } from '@/store/sites';
import { openVisits, type OpenPlan } from '@/store/plans';
import type { OpenWork } from '@/store/works';
import type { LeftOut } from '@/store/skipped-trees';
import type { Task } from '@/store/tasks';
import { besideVisits, yearVisits, type YearVisit } from '@/store/year-visits';
import { siteStand, siteYears, type SiteStand, type SiteYear, type StageNote } from '@/store/season';

/** A host of a place with its year. */
export interface HostSeason {
  host: Host;
  trees: number;
  year: HostYear;
  /** Stages reached by today. */
  now: StageDate[];
  /** Null where nobody can say how it grows. */
  basis: string | null;
}

/** An infection with what covers the leaves on that day. */
export interface CoveredEvent extends InfectionEvent {
  hosts: string[];
  /** Share of the newest cover that still stood; null where there was none. */
  cover: number | null;
}

/** How the coming days and their hours serve, by the usual limits of a kind of work. */
export interface Fitness {
  id: 'spray' | 'injection' | 'drench';
  days: FitDay[];
  /** Hours as a clock at the place shows them: YYYY-MM-DDTHH. */
  hours: { wall: string; chance: number }[];
}

/** When a trouble is worked against at a place, by the field guide’s own time: a way of it, and the days as they are expected. */
export interface ProblemTime {
  conditionId: string;
  method: TreatmentOption['method'];
  hostId: string;
  from: LocalDate;
  to: LocalDate;
  /** Nine times in ten its first day lies between these. */
  spread: { earliest: LocalDate; latest: LocalDate };
}

/** A stage in the life of a trouble that is worked against at a place, as it is expected on a host. */
export interface ProblemStage extends LifeSpan {
  conditionId: string;
  hostId: string;
}

export interface SiteSeason {
  place: SiteStand;
  today: LocalDate;
  hosts: HostSeason[];
  events: CoveredEvent[];
  fitness: Fitness[];
  /** What was done and is to come there, whatever it comes from. */
  visits: YearVisit[];
  /** What is to be done there without a plan. */
  tasks: Task[];
  /** Trees that rows were planned without, until they are dealt with. */
  left: LeftOut[];
  /** Sums of heat as they grow, each season of each model. */
  curves: { modelId: string; points: HeatPoint[] }[];
  /** When the troubles that are worked against here, or hatch here, have their time. */
  times: ProblemTime[];
  /** What those that are worked against do meanwhile: what they do the whole year is left out. */
  lives: ProblemStage[];
  /** Measured days up to yesterday, then the middle of the forecast. */
  days: (WeatherDay & { told: 'measured' | 'forecast' })[];
  stageNotes: StageNote[];
  covers: { hostId: string; doneOn: LocalDate; product: string; trees: number; left: CoverLeft }[];
  /** Sums of heat that concern what stands here. */
  models: HeatModel[];
  /** Days that came from readings of the place's own station. */
  brought: number;
  /** What the other days come from. */
  basis: WeatherStation['basis'];
}
export interface Season {
  places: SiteList;
  due: DueVisit[];
  ahead: OpenPlan[];
  works: OpenWork[];
  /** The place in hand; null where there is none. */
  at: SiteSeason | null;
}

/** Usual limits of three kinds of work, for a look at the days ahead; each label has its own. */
const KINDS: { id: Fitness['id']; hours: number; limits: AirLimits }[] = [
  {
    id: 'spray',
    hours: 2,
    limits: {
      minC: 4,
      maxC: 27,
      minWindMs: USUAL_WIND.minMs,
      maxWindMs: USUAL_WIND.maxMs,
      dryHours: 6,
      dryLeaves: true,
    },
  },
  {
    id: 'injection',
    hours: 3,
    limits: { minC: 8, maxC: 30, minWindMs: null, maxWindMs: null, dryHours: 0, dryLeaves: false },
  },
  {
    id: 'drench',
    hours: 2,
    limits: { minC: 4, maxC: null, minWindMs: null, maxWindMs: null, dryHours: 12, dryLeaves: false },
  },
];
/** Days of measured weather that are shown before today. */
const SHOWN_DAYS = 120;

const middle = (of: number[]) => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

/** The middle of the courses of a forecast, day by day. */
function middleDays(members: readonly Hour[][], timeZone: string): WeatherDay[] {
  return middles(members, timeZone, () => {
    const each = members.map((m) => daysOf(m, timeZone));
    return (each[0] ?? []).map(({ day }, i) => ({
      day,
      min: middle(each.map((d) => d[i]!.min)),
      max: middle(each.map((d) => d[i]!.max)),
      rainMm: each.reduce((sum, d) => sum + d[i]!.rainMm, 0) / each.length,
    }));
  });
}
/** Forecasts are the same for every page until the next is issued. */
const middles = memoizeEach<readonly Hour[][], WeatherDay[]>();

/** Days before today as they were measured: readings of the place's own before those of the station. What is only usual is none. */
function shownDays(station: WeatherStation, brought: readonly WeatherDay[], today: LocalDate, timeZone: string) {
  const own = new Map(brought.map((d) => [d.day, d]));
  return station
    .days(dayAfter(today, -SHOWN_DAYS, 'days'), dayAfter(today, -1, 'days'), timeZone)
    .flatMap((d) => (own.has(d.day) || station.basis !== 'usual' ? [own.get(d.day) ?? d] : []))
    .map((d) => ({ ...d, told: 'measured' as const }));
}

/** What was seen, measured, planned and done at a place. */
interface SeasonKnown extends Pick<SiteYear, 'stageNotes' | 'ownHeat'> {
  brought: readonly WeatherDay[];
  hoursOf: (from: Date, to: Date) => Hour[];
  visits: readonly YearVisit[];
  tasks: readonly Task[];
  left: readonly LeftOut[];
  stationFor: StationFor;
  now: Date;
  presence: Region['presence'];
}

/** Everything that the year brings to a place, worked out from what stands there, what was seen and the weather. */
function siteSeason(place: SiteStand, known: SeasonKnown): SiteSeason {
  const { stageNotes, ownHeat, brought, hoursOf, visits, tasks, left, stationFor, now, presence } = known;
  const { timeZone } = place;
  const station = stationFor(place);
  const today = dayIn(now, timeZone);
  const hosts = place.hosts.flatMap(({ hostId, trees }): HostSeason[] => {
    const host = findHost(hostId);
    if (!host) return [];
    const seen = { stageNotes, ownHeat, brought: [...brought] };
    const year = hostYear(host, { spot: place, timeZone, seen, stationFor, now, presence });
    return [{ host, trees, year, now: stagesOn(year.stages, today), basis: growthOf(host)?.basis ?? null }];
  });
  const ahead = station.forecast(now);
  const covers = place.covers.flatMap((c) => {
    const left = coverOf(c, hoursOf(new Date(c.endedAt), now), timeZone);
    return left ? [{ ...c, left }] : [];
  });
  return {
    place,
    today,
    hosts,
    events: infections
      .filter((id) => comesHere(presence, id))
      .flatMap((id) => eventsOf({ id, hosts, covers, hoursOf, members: ahead.members, timeZone, today, now })),
    fitness: KINDS.map(({ id, hours, limits }) => ({
      id,
      days: fitDays(ahead.members, limits, hours, timeZone).filter((d) => d.day >= today),
      hours: fitHours(ahead.members, limits, timeZone).map((h) => ({
        wall: wallClock(h.at, timeZone).slice(0, 13),
        chance: h.chance,
      })),
    })),
    visits: [...visits],
    tasks: [...tasks],
    left: [...left],
    curves: curvesOf(hosts, ownHeat, (start) => weatherOf({ station, start, timeZone, now, brought }), southOf(place)),
    times: timesOf(hosts, [
      ...visits.flatMap((v) => v.conditionId ?? []),
      ...hosts.flatMap((h) => h.year.heat.flatMap((x) => x.conditionId ?? [])),
    ]),
    lives: livesOf(
      hosts,
      visits.flatMap((v) => v.conditionId ?? []),
      southOf(place),
      today,
    ),
    days: [
      ...shownDays(station, brought, today, timeZone),
      ...middleDays(ahead.members, timeZone)
        .filter((d) => d.day >= today)
        .map((d) => ({ ...d, told: 'forecast' as const })),
    ],
    models: modelsAt(hosts, ownHeat),
    stageNotes: stageNotes.filter((s) => s.day >= dayAfter(today, -366, 'days')),
    covers: covers.map(({ hostId, doneOn, product, trees, left }) => ({ hostId, doneOn, product, trees, left })),
    brought: brought.filter((d) => d.day >= dayAfter(today, -SHOWN_DAYS, 'days')).length,
    basis: station.basis,
  };
}

/** Each sum of heat that is told of a host, as it grows through its season; once, whichever hosts it concerns. */
function curvesOf(
  hosts: readonly HostSeason[],
  ownHeat: readonly HeatModel[],
  weather: (start: LocalDate) => SeasonWeather,
  south: boolean,
): SiteSeason['curves'] {
  const curves = new Map<string, SiteSeason['curves'][number]>();
  for (const { host, year } of hosts)
    for (const { modelId, from } of year.heat) {
      const model = heatModelsFor(host, ownHeat).find((m) => m.id === modelId);
      if (model && !curves.has(`${modelId} ${from}`))
        curves.set(`${modelId} ${from}`, {
          modelId,
          points: heatCurve(model, weather(seasonStart(from, south)), from),
        });
    }
  return [...curves.values()];
}

/** The field guide’s times against troubles, on each host that they concern. */
const timesOf = (hosts: readonly HostSeason[], conditionIds: readonly string[]): ProblemTime[] =>
  [...new Set(conditionIds)].flatMap((conditionId) => {
    const condition = findCondition(conditionId);
    return (condition?.options ?? []).flatMap(({ method, timed = [] }) =>
      hosts
        .filter(({ host }) => concerns(condition!.groups, host))
        .flatMap(({ host, year }) =>
          timed
            .flatMap((time) => timedSpans(time, year))
            .flatMap(({ from, to }): ProblemTime[] =>
              from === null
                ? []
                : [
                    {
                      conditionId,
                      method,
                      hostId: host.id,
                      from: from.date.day,
                      to,
                      spread: { earliest: from.date.earliest, latest: from.date.latest },
                    },
                  ],
            ),
        ),
    );
  });

/** A year back and two ahead: what the ribbons are read for. */
const livesFor = (today: LocalDate) => ({ from: dayAfter(today, -1, 'years'), to: dayAfter(today, 2, 'years') });
const wholeYear = ({ time }: { time: LifeSpan['time'] }) => time.by === 'months' && time.from === 1 && time.to === 12;

/** The stages of some conditions on the hosts of a place, the host with most trees for each. */
const livesOf = (
  hosts: readonly HostSeason[],
  conditionIds: readonly string[],
  south: boolean,
  today: LocalDate,
): ProblemStage[] =>
  [...new Set(conditionIds)].flatMap((conditionId) => {
    const condition = findCondition(conditionId);
    const on = condition && hosts.find(({ host }) => concerns(condition.groups, host));
    if (!on) return [];
    const life = lifeOf(conditionId).filter((l) => !wholeYear(l));
    return lifeSpans(life, on.year, south, livesFor(today)).map((s) => ({ ...s, conditionId, hostId: on.host.id }));
  });

/** What waits for a sighting is offered to be seen; what hardly ever comes here is not told. */
function modelsAt(hosts: readonly HostSeason[], own: readonly HeatModel[]): HeatModel[] {
  const told = new Set(hosts.flatMap((h) => h.year.heat.map((x) => x.modelId)));
  const concerned = new Set(hosts.flatMap((h) => heatModelsFor(h.host, own)));
  return [...concerned].filter((m) => told.has(m.id) || m.from !== 'new year');
}

/** Infections of one trouble on the hosts of a place that can have it, with what covered them. */
function eventsOf({
  id,
  hosts,
  covers,
  hoursOf,
  members,
  timeZone,
  today,
  now,
}: {
  id: (typeof infections)[number];
  hosts: readonly HostSeason[];
  covers: SiteStand['covers'];
  hoursOf: (from: Date, to: Date) => Hour[];
  members: readonly Hour[][];
  timeZone: string;
  today: LocalDate;
  now: Date;
}): CoveredEvent[] {
  const condition = findCondition(id);
  // Stages are those of its main hosts: the ones that have a growth of their own.
  const can = hosts.filter((h) => condition && concerns(condition.groups, h.host) && h.year.stages.length > 0);
  const first = can.find((h) => infectionSpan(id, h.year.stages, today));
  const span = first && infectionSpan(id, first.year.stages, today);
  if (!first || !span || span.from > dayAfter(today, 10, 'days')) return [];
  const from = new Date(zonedInstant(`${dayAfter(span.from, -1, 'days')}T00:00`, timeZone)!);
  const measured = from < now ? hoursOf(from, now) : [];
  return infectionEvents({ condition: id, stages: first.year.stages, measured, members, timeZone, today }).map(
    (event) => {
      const cover = covers
        .filter((c) => can.some((h) => h.host.id === c.hostId) && c.targets.includes(id))
        .filter((c) => new Date(c.endedAt) < new Date(event.at))
        .at(-1);
      const until = new Date(event.at < now.toISOString() ? event.at : now);
      const left = cover && coverOf(cover, hoursOf(new Date(cover.endedAt), until), timeZone);
      const over = left && event.day > left.renewOn;
      const stood = left && (over ? 0 : left.share);
      return { ...event, hosts: can.map((h) => h.host.name), cover: stood ?? null };
    },
  );
}

/** Visits that renew a cover stand on the day on which rain makes them due. */
function movedByRain(visits: readonly YearVisit[], due: readonly DueVisit[]): YearVisit[] {
  const moved = new Map(due.flatMap((d) => (d.cover ? [[d.id, d] as const] : [])));
  return visits.map((v) => {
    const to = moved.get(v.id);
    return to ? { ...v, day: to.due, earliest: to.earliest } : v;
  });
}

/** What is due and planned in a span, and what the year brings to one place: the first by name where none is asked for. */
export const seasonView = ({
  viewer,
  now,
  stationFor,
  from,
  to,
  siteId,
  drawn = { from, to },
}: {
  viewer: Viewer;
  now: Date;
  stationFor: StationFor;
  from: LocalDate;
  to: LocalDate;
  siteId:
    string | null; /** The days of which visits of that place are told; those of the list where nothing is said. */
  drawn?: { from: LocalDate; to: LocalDate };
}): Promise<Season> =>
  together(viewer, async () => {
    const [places, due, { plans, works }, place] = await Promise.all([
      sitesToChoose(viewer, siteId ?? null),
      dueBetween(viewer, from, to, 400),
      openVisits(viewer),
      siteStand(viewer, siteId, dayAfter(dayIn(now, viewer.timeZone), -60, 'days')),
    ]);
    const [year] = place ? await siteYears(viewer, [place.id], taughtFrom(now)) : [];
    // Readings of its own are read by the hour only where there are any.
    const hours = await hoursAt(
      viewer,
      stationFor,
      place && year?.brought.length ? [place.id] : [],
      new Date(now.getTime() - SHOWN_DAYS * DAY_MS),
    );
    const visits = place
      ? await yearVisits({
          scope: viewer,
          siteId: place.id,
          from: drawn.from,
          to: drawn.to,
          today: dayIn(now, place.timeZone),
        })
      : [];
    const { series, left, tasks } = place
      ? await besideVisits(viewer, place.id, drawn.from)
      : { series: [], left: [], tasks: [] };
    const rained = underRain(due, await hoursOver(viewer, due, stationFor, now), now);
    const within = (p: { plannedFor: LocalDate | null }) => p.plannedFor !== null && p.plannedFor <= to;
    return {
      places,
      due: rained,
      ahead: plans.filter(within),
      works: works.filter(within),
      at:
        place &&
        siteSeason(place, {
          stageNotes: year?.stageNotes ?? [],
          ownHeat: year?.ownHeat ?? [],
          brought: year?.brought ?? [],
          hoursOf: hours({ ...place, siteId: place.id }),
          visits: withSeries(
            movedByRain(visits, rained),
            series,
            { school: viewer.schools.programme, south: southOf(place) },
            drawn.to,
          ),
          tasks,
          left,
          stationFor,
          now,
          presence: regionFor(viewer, place.region).presence,
        }),
    };
  });
