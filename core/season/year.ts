import { northernMonth } from '../../lib/calendar/hemisphere';
import { monthOf } from '../../lib/calendar/months';
import { memoizeEach } from '../../lib/memoize';
import type { LeafState } from './leaf-state';
import type { Forecast, Hour, WeatherDay } from '../weather/station';
import { dayAfter, daysBetween } from '../../lib/calendar/days';
import { dayIn, type LocalDate } from '../../lib/calendar/zone';
import { CHILL_DAYS, type Range, type SeasonWeather } from './growth';
import { expectedOn, heatOf, type ExpectedDay } from './heat';
import type { HeatModel } from './heat-schema';
import { usualLeaf } from './leaf';
import { leafOn, type StageDate } from './stages';

/** When heat brings something about, for the place of a tree. */
export interface HeatDate extends ExpectedDay {
  modelId: string;
  what: string;
  conditionId: string | null;
  /** The day from which heat counts: the start of the season, or when somebody saw what it is counted from. */
  from: LocalDate;
}

/** What the seasons of now and next bring to one host at one place. */
export interface HostYear {
  /** In order of date, of this season and the next; empty where nobody can say how the host grows, or where it stands. */
  stages: StageDate[];
  heat: HeatDate[];
}
export const NO_YEAR: HostYear = { stages: [], heat: [] };

/**
 * A year with those that follow it, each taken as the last one that is known: what is planned further ahead than two seasons
 * rests on no forecast.
 * @param more years beyond what is known
 */
export function withYearsAhead(year: HostYear, more: number): HostYear {
  const beyond = <T extends { day: LocalDate; earliest: LocalDate; latest: LocalDate }>(
    dates: readonly T[],
    newest: (d: T) => boolean,
  ): T[] =>
    Array.from({ length: more }, (_, i) => i + 1).flatMap((n) =>
      dates.filter(newest).map((d) => ({
        ...d,
        day: dayAfter(d.day, n, 'years'),
        earliest: dayAfter(d.earliest, n, 'years'),
        latest: dayAfter(d.latest, n, 'years'),
      })),
    );
  // Of each stage and each sum of heat, the date of the season that lies furthest ahead.
  const lastOf = (of: readonly { day: LocalDate }[]) => of.reduce((last, d) => (d.day > last ? d.day : last), '');
  const newestStage = (s: StageDate) => s.day === lastOf(year.stages.filter((x) => x.code === s.code));
  const newestHeat = (h: HeatDate) => h.day === lastOf(year.heat.filter((x) => x.modelId === h.modelId));
  return {
    stages: [...year.stages, ...beyond(year.stages, newestStage)],
    heat: [...year.heat, ...beyond(year.heat, newestHeat)],
  };
}

/** What the leaves are expected to be like on a day: by the stages of the host where they are known, else by the calendar. */
export function expectedLeaf(host: { evergreen: boolean }, year: HostYear, day: LocalDate, south: boolean): LeafState {
  if (host.evergreen) return 'full';
  return leafOn(year.stages, day) ?? usualLeaf(northernMonth(monthOf(day), south), false);
}

/** Flowers of a host as they are expected: from the first bloom to its end. */
export interface Bloom {
  from: StageDate;
  to: LocalDate;
}
/** Days of bloom where nobody can say when it ends. */
const USUAL_BLOOM_DAYS = 14;

/** The times in which a host is in flower that are not over on a day, in order; empty where nobody can say how it grows. */
export function bloomsFrom({ stages }: HostYear, day: LocalDate): Bloom[] {
  const ends = stages.filter((s) => s.code === 69);
  return stages
    .filter((s) => s.code === 60)
    .map((from) => {
      const end = ends.find((s) => s.day >= from.day && s.day < dayAfter(from.day, 120, 'days'));
      return { from, to: end?.day ?? dayAfter(from.day, USUAL_BLOOM_DAYS, 'days') };
    })
    .filter((b) => b.to >= day)
    .sort((a, b) => a.to.localeCompare(b.to));
}

/** Hours that a day must have to count as a whole one: a day of the clock's change has 23, and an hour may be missing. */
export const WHOLE_DAY = 22;

/** Hours by the days of a place's own calendar, whole days alone. */
export function wholeDays<T extends Hour>(hours: readonly T[], timeZone: string): [LocalDate, T[]][] {
  const days = new Map<LocalDate, T[]>();
  for (const h of hours) {
    const day = dayIn(h.at, timeZone);
    const of = days.get(day);
    if (of) of.push(h);
    else days.set(day, [h]);
  }
  return [...days].filter(([, of]) => of.length >= WHOLE_DAY);
}

/** The whole days of some hours, as a place's own calendar has them. */
export const daysOf = (hours: readonly Hour[], timeZone: string): WeatherDay[] =>
  wholeDays(hours, timeZone).map(([day, of]) => ({
    day,
    min: Math.min(...of.map((h) => h.temperatureC)),
    max: Math.max(...of.map((h) => h.temperatureC)),
    rainMm: of.reduce((sum, h) => sum + h.rainMm, 0),
  }));

/** First day of a season's chill, and the last of its days. */
export const seasonSpan = (start: LocalDate): { from: LocalDate; to: LocalDate } => ({
  from: dayAfter(start, -CHILL_DAYS, 'days'),
  to: dayAfter(dayAfter(start, 1, 'years'), -1, 'days'),
});

/** Courses that are laid together: enough that one in twenty is one. */
const COURSES = 20;

/**
 * The weather of a season as it is known on a day: what was measured up to yesterday, then the forecast, then other years.
 * @param measured days from the season's first to yesterday, in order; empty while it lies ahead
 * @param forecast hours of today that are over, and the members that go on from there; null where there is none
 * @param years the same season of other years, from its first day on
 */
export function seasonWeather(
  start: LocalDate,
  measured: readonly Range[],
  forecast: { past: readonly Hour[]; ahead: Forecast; timeZone: string } | null,
  years: readonly (readonly Range[])[],
): SeasonWeather {
  const members = forecast
    ? forecast.ahead.members.map((m) => daysOf([...forecast.past, ...m], forecast.timeZone))
    : [];
  const forecastDays = members.length ? Math.min(...members.map((m) => m.length)) : 0;
  const count = years.length ? Math.max(COURSES, years.length) : 0;
  return {
    start,
    measured,
    forecastDays,
    courses: Array.from({ length: count }, (_, i) => {
      const told = members.length ? members[i % members.length]!.slice(0, forecastDays) : [];
      return [...told, ...years[i % years.length]!.slice(measured.length + told.length)];
    }),
  };
}

/**
 * When a sum of heat is reached in a season; null where it counts from something that nobody has seen yet, or is not reached.
 * @param biofix the day on which that was seen; without meaning for what counts from the new year
 */
export function heatDate(model: HeatModel, weather: SeasonWeather, biofix: LocalDate | null): HeatDate | null {
  const from = model.from === 'new year' ? weather.start : biofix;
  if (!from) return null;
  return dates(weather, JSON.stringify([model, from]), () => reached(model, weather, from));
}
/** The weather of a season is the same for every tree that stands in it. */
const dates = memoizeEach<SeasonWeather, HeatDate | null>();

function reached(model: HeatModel, weather: SeasonWeather, from: LocalDate): HeatDate | null {
  const first = seasonSpan(weather.start).from;
  const at = daysBetween(first, from);
  const dayOf = (n: number) => dayAfter(from, n, 'days');
  const measured = weather.measured.slice(at).map((d, i) => ({ ...d, day: dayOf(i) }));
  const years = weather.courses.map((c) => [...weather.measured, ...c].slice(at));
  const expected = expectedOn(model, measured, years, dayOf);
  return expected && { ...expected, modelId: model.id, what: model.what, conditionId: model.condition, from };
}

/** How far a sum of heat has come on a day, as a share of what it takes. */
export interface HeatPoint {
  day: LocalDate;
  share: number;
}
/** Days between two points of a curve. */
const CURVE_STEP = 4;

/**
 * A sum of heat over its season, from where it is counted to where it is reached: measured days, then the mean of the courses.
 * @param from the day from which it counts
 * @returns in order of day; ends with the first point that has reached the sum, or with the season
 */
export function heatCurve(model: HeatModel, weather: SeasonWeather, from: LocalDate): HeatPoint[] {
  const at = daysBetween(seasonSpan(weather.start).from, from);
  const sums = (days: readonly Range[]) =>
    heatOf(
      model,
      days.map((d) => ({ ...d, day: '' })),
    ).each;
  const measured = sums(weather.measured.slice(at));
  const skip = Math.max(0, at - weather.measured.length);
  const courses = weather.courses.map((c) => sums(c.slice(skip)));
  const length = courses.length ? Math.min(...courses.map((c) => c.length)) : 0;
  const mean = Array.from({ length }, (_, i) => courses.reduce((a, c) => a + c[i]!, 0) / courses.length);
  const points: HeatPoint[] = [{ day: from, share: 0 }];
  let total = 0;
  for (const [i, heat] of [...measured, ...mean].entries()) {
    total += heat;
    const share = total / model.sum;
    if ((i + 1) % CURVE_STEP === 0 || share >= 1)
      points.push({ day: dayAfter(from, i + 1, 'days'), share: Math.min(1, share) });
    if (share >= 1) break;
  }
  return points;
}
