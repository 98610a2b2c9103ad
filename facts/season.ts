import { memoizeRecent, memoize } from '@/lib/memoize';
import type { Host } from '@/core/diagnose/knowledge';
import type { Region } from '@/core/gates/region';
import { isAutumn, isStage } from '@/core/season/bbch';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn, zonedInstant, type LocalDate } from '@/lib/calendar/zone';
import { seasonStart, type Range, type SeasonWeather } from '@/core/season/growth';
import { isSouth } from '@/lib/calendar/hemisphere';
import { expectedStages, learn, type SeenStage } from '@/core/season/stages';
import { coverOf, covers } from '@/core/spray/covers';
import type { CoverLeft } from '@/core/season/cover';
import { heatDate, NO_YEAR, seasonSpan, seasonWeather, type HostYear } from '@/core/season/year';
import type { Hour, Spot, StationFor, WeatherStation } from '@/core/weather/station';
import { groupBy } from '@/core/work/load-out';
import { findHost, growthOf, heatModelsFor } from '@/knowledge';
import type { Viewer } from '@/store/auth';
import type { Scope } from '@/store/db';
import { broughtHours, siteYears, type BroughtDay, type SiteYear, type StageNote } from '@/store/season';
import type { DueRow } from '@/store/follow-ups';
import type { Tree } from '@/store/tree';
import { spotOf } from './diagnosis';
import { regionFor } from './region';

/** Other years that stand for what may come. */
const YEARS = 10;
/** Odds of a trouble in a region below which it is not waited for. */
const HARDLY = 0.2;
/** Whether a trouble comes to a region often enough to be told of every tree. */
export const comesHere = (presence: Region['presence'], condition: string | null): boolean =>
  (presence[condition ?? ''] ?? 1) >= HARDLY;
/** Seasons whose sightings still teach. */
const TAUGHT_YEARS = 8;

type Placed = Pick<Tree, 'id' | 'siteId' | 'hostId' | 'timeZone' | 'region' | 'lat' | 'lon' | 'siteMap' | 'others'>;

/** Seasons of a station that were laid together lately. */
const seasonsOf = memoize<WeatherStation, ReturnType<typeof memoizeRecent<SeasonWeather>>>(() =>
  memoizeRecent<SeasonWeather>(40),
);

/** Days that the station of the place measured go before those of the installation's. */
function withBrought(
  days: readonly (Range & { day: LocalDate })[],
  brought: ReadonlyMap<LocalDate, BroughtDay>,
): Range[] {
  return days.map((d) => brought.get(d.day) ?? d);
}

/** The weather of the season that begins on a day, as it is known now; of a season that is over, what was measured. */
export function weatherOf({
  station,
  start,
  timeZone,
  now,
  brought,
}: {
  station: WeatherStation;
  start: LocalDate;
  timeZone: string;
  now: Date;
  brought: readonly BroughtDay[];
}): SeasonWeather {
  const today = dayIn(now, timeZone);
  const { from, to } = seasonSpan(start);
  const own = new Map(brought.filter((d) => d.day >= from && d.day <= to).map((d) => [d.day, d]));
  const make = (): SeasonWeather => {
    const yesterday = dayAfter(today, -1, 'days');
    if (to < today)
      return { start, measured: withBrought(station.days(from, to, timeZone), own), courses: [], forecastDays: 0 };
    // What is only usual is no measurement: without readings the whole season is told by other years.
    const known = station.basis !== 'usual' || own.size > 0;
    const measured = known && from <= yesterday ? withBrought(station.days(from, yesterday, timeZone), own) : [];
    const years = station.years(from, to, timeZone, YEARS);
    const ahead = from <= today ? station.forecast(now) : null;
    const midnight = new Date(zonedInstant(`${today}T00:00`, timeZone)!);
    const past = ahead?.members.length ? station.hours(midnight, new Date(ahead.from)) : [];
    return seasonWeather(start, measured, ahead && { past, ahead, timeZone }, years);
  };
  const key = [start, timeZone, today, to < today ? '' : Math.floor(now.getTime() / 21_600_000)].join();
  return own.size ? make() : seasonsOf(station)(key, make);
}

/**
 * Days by which a sighting is set off before it is asked for its season: the last leaf may fall after the turn of the year, and
 * a hazel flower before it.
 */
const ACROSS = { autumn: -120, spring: 45 };

/** Stages of a host that were seen in the season that begins on a day. */
const stagesIn = (stageNotes: readonly StageNote[], hostId: string, from: LocalDate, south: boolean): SeenStage[] =>
  stageNotes.flatMap((s) => {
    const code = Number(s.what);
    if (s.kind !== 'stage' || s.hostId !== hostId || !isStage(code)) return [];
    const off = dayAfter(s.day, isAutumn(code) ? ACROSS.autumn : ACROSS.spring, 'days');
    return seasonStart(off, south) === from ? [{ code, day: s.day }] : [];
  });

/** Where and when a host is asked about, and what was seen and measured there. */
export interface YearAsked {
  spot: Spot;
  timeZone: string;
  seen: Omit<SiteYear, 'siteId'>;
  stationFor: StationFor;
  now: Date;
  presence: Region['presence'];
}

/** What this season and the next bring to a host at a place. */
export function hostYear(host: Host, { spot, timeZone, seen: known, stationFor, now, presence }: YearAsked): HostYear {
  const { stageNotes, brought, ownHeat } = known;
  // Without its position nobody knows the length of its days, nor which half of the year it is in.
  if (spot.lat === null) return NO_YEAR;
  // A tenth of a degree is less than a minute of daylight: trees of one place share what is worked out.
  const lat = Math.round(spot.lat * 10) / 10;
  const station = stationFor(spot);
  const growth = growthOf(host);
  const south = isSouth(spot.lat);
  const start = seasonStart(dayIn(now, timeZone), south);
  const years = (n: number) => dayAfter(start, n, 'years');
  const weather = (from: LocalDate) => weatherOf({ station, start: from, timeZone, now, brought });
  /** Seasons before one, with what was seen in them: this one teaches the next. */
  const taughtBefore = (n: number) =>
    Array.from({ length: TAUGHT_YEARS }, (_, i) => years(n - i - 1)).flatMap((from) => {
      const seen = stagesIn(stageNotes, host.id, from, south);
      return seen.length ? [{ weather: weather(from), seen }] : [];
    });
  const models = heatModelsFor(host, ownHeat).filter((m) => comesHere(presence, m.condition));
  const both = [0, 1].map((n) => {
    const from = years(n);
    const w = weather(from);
    const seen = stagesIn(stageNotes, host.id, from, south);
    return {
      stages: growth
        ? expectedStages({ growth, weather: w, lat, seen, learned: learn(growth, taughtBefore(n), lat) })
        : [],
      heat: models.flatMap((m) => heatDate(m, w, biofixOf(stageNotes, m.id, from)) ?? []),
    };
  });
  return { stages: both.flatMap((y) => y.stages), heat: both.flatMap((y) => y.heat) };
}

/** First day of a season on which somebody saw what a model counts from. */
const biofixOf = (stageNotes: readonly StageNote[], modelId: string, from: LocalDate): LocalDate | null =>
  stageNotes
    .filter((s) => s.kind === 'biofix' && s.what === modelId && s.day >= from && s.day < dayAfter(from, 1, 'years'))
    .map((s) => s.day)
    .sort()[0] ?? null;

/** First day of which anything that was seen or measured still counts. */
export const taughtFrom = (now: Date): LocalDate => `${now.getUTCFullYear() - TAUGHT_YEARS - 2}-01-01`;

/** What the seasons bring to each of these trees, by the tree's id: one statement, however many there are. */
export async function yearsOf(
  viewer: Viewer,
  trees: readonly Placed[],
  stationFor: StationFor,
  now: Date,
): Promise<Map<string, HostYear>> {
  const ids = trees.map((t) => t.siteId);
  const places = new Map((await siteYears(viewer, ids, taughtFrom(now))).map((p) => [p.siteId, p]));
  const known = new Map<string, HostYear>();
  return new Map(
    trees.map((t) => {
      const [host, spot, place] = [findHost(t.hostId), spotOf(t), places.get(t.siteId)];
      if (!host || !place) return [t.id, NO_YEAR];
      // Trees of one host at one place have one year.
      const key = [t.siteId, t.hostId, spot.lat?.toFixed(1)].join();
      const year =
        known.get(key) ??
        hostYear(host, {
          spot,
          timeZone: t.timeZone,
          seen: place,
          stationFor,
          now,
          presence: regionFor(viewer, t.region).presence,
        });
      known.set(key, year);
      return [t.id, year];
    }),
  );
}

/** What the seasons bring to one tree. */
export const yearOf = async (viewer: Viewer, tree: Placed, stationFor: StationFor, now: Date): Promise<HostYear> =>
  (await yearsOf(viewer, [tree], stationFor, now)).get(tree.id) ?? NO_YEAR;

/** Hours of weather at a place. */
export type HoursAt = (where: Spot & { siteId: string }) => (from: Date, to: Date) => Hour[];

/** Hours at places since an instant: what a station of their own has measured goes before the installation's. */
export async function hoursAt(
  scope: Scope,
  stationFor: StationFor,
  siteIds: readonly string[],
  from: Date,
): Promise<HoursAt> {
  const own = siteIds.length ? await broughtHours(scope, siteIds, from) : [];
  const byPlace = groupBy(own, (h) => h.siteId);
  return (where) => {
    const usual = (a: Date, b: Date) => stationFor(where).hours(a, b);
    const measured = byPlace.get(where.siteId);
    if (!measured) return usual;
    const byHour = new Map(
      measured.map(({ siteId: _, ...h }) => [h.at, { ...h, windMs: h.windMs ?? undefined, wet: h.wet ?? undefined }]),
    );
    return (a, b) => {
      const hours = usual(a, b);
      // Where no station tells of the hours, those that somebody brought are all there is.
      return hours.length
        ? hours.map((h) => byHour.get(h.at) ?? h)
        : [...byHour.values()].filter((h) => Date.parse(h.at) + 3_600_000 > +a && Date.parse(h.at) < +b);
    };
  };
}

type Renews = Pick<DueRow, 'siteId' | 'lat' | 'lon' | 'timeZone' | 'sprayed' | 'due' | 'earliest' | 'id'>;
/** A visit that is due, with what the rain left of the cover that it renews. */
export type UnderRain<T extends Renews = DueRow> = T & { cover: CoverLeft | null };
export type DueVisit = UnderRain;

/** Hours at the places of visits that renew a cover, since the first of those covers: weather is asked only for what it wears off. */
export function hoursOver(scope: Scope, rows: readonly Renews[], stationFor: StationFor, now: Date): Promise<HoursAt> {
  const wears = rows.filter((r) => r.sprayed && covers(r.sprayed.use));
  const first = wears.map((r) => r.sprayed!.endedAt).sort()[0];
  return hoursAt(scope, stationFor, [...new Set(wears.map((r) => r.siteId))], new Date(first ?? now));
}

/** Visits in order of date, each that renews a cover on the day on which rain makes it due. */
export function underRain<T extends Renews>(rows: readonly T[], hours: HoursAt, now: Date): UnderRain<T>[] {
  return rows
    .map((row): UnderRain<T> => {
      const { sprayed } = row;
      const cover =
        sprayed && covers(sprayed.use)
          ? coverOf(sprayed, hours(row)(new Date(sprayed.endedAt), now), row.timeZone)
          : null;
      if (!cover || cover.renewOn >= row.due) return { ...row, cover };
      const due = cover.renewOn;
      return { ...row, cover, due, earliest: due < row.earliest ? due : row.earliest };
    })
    .sort((a, b) => a.due.localeCompare(b.due) || a.id.localeCompare(b.id));
}
