import { memoizeEach } from '../../lib/memoize';
import type { Bbch } from './bbch';
import { dayLength } from './day-length';
import { degreeDays } from './degree-days';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { Growth } from './growth-schema';
import { firstOf, monthOf, yearOf } from '../../lib/calendar/months';

/** The stages of a host in the order in which they come. */
export const stagesOf = (growth: Growth): Bbch[] =>
  [...growth.spring, ...(growth.autumn?.stages ?? [])].map((s) => s.code);

/** Lowest and highest temperature of a day, °C. */
export interface Range {
  min: number;
  max: number;
}

/** Days before the count of heat begins from which chill counts: the first of November, or of May in the south. */
export const CHILL_DAYS = 61;
/** Days of a season, chill included. */
export const SEASON_DAYS = CHILL_DAYS + 366;
/** Longest day, so many days after the count begins, in either half of the earth. */
const LONGEST_DAY = 172;

/** First day on which heat counts in the season that holds a day: 1 January, or 1 July in the south. */
export function seasonStart(day: LocalDate, south: boolean): LocalDate {
  const year = yearOf(day);
  if (!south) return firstOf(year, 1);
  return firstOf(monthOf(day) >= 7 ? year : year - 1, 7);
}

/** Where a host stands on the way through a season. */
interface Way {
  heat: number;
  chill: number;
  cold: number;
  /** How many of the spring and autumn stages are reached. */
  spring: number;
  autumn: number;
  /** Days since chill counts, by stage. */
  on: Map<Bbch, number>;
}

/** What a season's calendar says at a latitude: whether the days are short enough for autumn, day by day since chill counts. */
function shortDays(growth: Growth, start: LocalDate, lat: number): boolean[] {
  if (!growth.autumn) return [];
  const first = Math.floor(Date.parse(`${start}T00:00Z`) / 864e5);
  const newYear = Math.floor(Date.parse(`${firstOf(yearOf(start), 1)}T00:00Z`) / 864e5);
  return Array.from({ length: SEASON_DAYS }, (_, i) => {
    const since = i - CHILL_DAYS;
    return since > LONGEST_DAY && dayLength(((first - newYear + since) % 365.25) + 1, lat) < growth.autumn!.dayLengthH;
  });
}

function step(growth: Growth, way: Way, { min, max }: Range, index: number, short: boolean): void {
  const mean = (min + max) / 2;
  const { chill, autumn } = growth;
  if (chill && way.spring < growth.spring.length && mean <= chill.belowC) way.chill += 1;
  if (index >= CHILL_DAYS && way.spring < growth.spring.length) {
    way.heat += degreeDays(min, max, growth.baseC);
    const more = chill ? 1 + chill.extra * Math.exp(-way.chill / chill.scale) : 1;
    for (let next; (next = growth.spring[way.spring]) && way.heat >= next.sum * more; way.spring += 1)
      way.on.set(next.code, index);
  }
  if (autumn && short) {
    way.cold += Math.max(0, autumn.belowC - mean);
    for (let next; (next = autumn.stages[way.autumn]) && way.cold >= next.sum; way.autumn += 1)
      way.on.set(next.code, index);
  }
}

/** The weather of one season: what was measured, and what may come after it. */
export interface SeasonWeather {
  /** First day on which heat counts. */
  start: LocalDate;
  /** Measured days in order, from the day on which chill counts ({@link CHILL_DAYS} before `start`); empty while it lies ahead. */
  measured: readonly Range[];
  /** Equally likely courses of the days after the measured ones. */
  courses: readonly (readonly Range[])[];
  /** So many of the first days of every course are forecast, the rest are those of other years. */
  forecastDays: number;
}

/** Calendar day so many days after chill began to count. */
export const dayOfSeason = (start: LocalDate, index: number): LocalDate => dayAfter(start, index - CHILL_DAYS, 'days');

/**
 * When each stage is reached in every course of a season, in days since chill counts; a course that does not reach a stage
 * has no entry for it. Where there is no course the season is over, and the measured days are the one that was.
 */
export function reachedIn(growth: Growth, weather: SeasonWeather, lat: number): Reached[] {
  return runs(weather, `${growth.id} ${lat}`, () => walk(growth, weather, lat));
}
/** Days since chill counts on which a course reaches each stage. */
export type Reached = ReadonlyMap<Bbch, number>;
/** The weather of a season is the same for every tree that stands in it. */
const runs = memoizeEach<SeasonWeather, Reached[]>();

function walk(growth: Growth, weather: SeasonWeather, lat: number): Reached[] {
  const short = shortDays(growth, weather.start, lat);
  const way: Way = { heat: 0, chill: 0, cold: 0, spring: 0, autumn: 0, on: new Map() };
  weather.measured.forEach((d, i) => step(growth, way, d, i, short[i] ?? false));
  if (!weather.courses.length) return [way.on];
  return weather.courses.map((course) => {
    const own: Way = { ...way, on: new Map(way.on) };
    course.forEach((d, i) => {
      const index = weather.measured.length + i;
      if (index < SEASON_DAYS) step(growth, own, d, index, short[index] ?? false);
    });
    return own.on;
  });
}
