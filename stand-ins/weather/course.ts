import { dayLength } from '@/core/season/day-length';
import { saturation } from '@/core/weather/air';
import type { Hour } from '@/core/weather/station';
import { noise, share } from './noise';
import type { Climate } from './climates';

export const HOUR_MS = 3_600_000;
const YEAR_DAYS = 365.2425;

/** What the weather is made of, each with the hours over which it forgets itself and those ahead of which it can be told. */
const PARTS = {
  pressure: { hours: 60, told: 170 },
  moisture: { hours: 36, told: 110 },
  showers: { hours: 8, told: 26 },
  drops: { hours: 3, told: 8 },
  air: { hours: 110, told: 200 },
  spell: { hours: 290, told: 300 },
  season: { hours: 1100, told: 1000 },
  gusts: { hours: 6, told: 16 },
  turn: { hours: 55, told: 90 },
} as const;
type Part = keyof typeof PARTS;

/** Hours after rain in which leaves dry. */
const DRIES_IN = { sun: 1, shade: 3 };

/** One course of the weather: every part of it at an hour (since 1970), mean 0 and variance 1. */
export type Course = (part: Part, hour: number) => number;

/** The course that comes about. */
export function trueCourse(seed: number): Course {
  const of = Object.fromEntries((Object.keys(PARTS) as Part[]).map((part, i) => [part, noise(seed, 1 + i)])) as Record<
    Part,
    (x: number) => number
  >;
  return (part, hour) => of[part](hour / PARTS[part].hours);
}

/**
 * The courses that may come about as they are seen at an hour: each leaves the true one, fast parts sooner than slow ones. All
 * rest on one view of what comes, which is wrong in its own way; what comes about is as likely as any of them.
 * @param hours so many hours after the first are asked for
 * @returns the course of a member
 */
export function likelyCourses(seed: number, issued: number, hours: number): (member: number) => Course {
  const real = trueCourse(seed);
  const mistaken = trueCourse(seed + 1_000_003 + Math.imul(issued, 31));
  const first = issued - DRIES_IN.shade;
  const views = Object.fromEntries(
    (Object.keys(PARTS) as Part[]).map((part) => [
      part,
      Array.from({ length: hours + DRIES_IN.shade }, (_, i) => {
        const kept = Math.exp(-((Math.max(0, first + i - issued) / PARTS[part].told) ** 1.6));
        const lost = Math.sqrt(1 - kept * kept);
        return { lost, seen: kept * (kept * real(part, first + i) + lost * mistaken(part, first + i)) };
      }),
    ]),
  ) as Record<Part, { lost: number; seen: number }[]>;
  return (member) => {
    const own = trueCourse(seed + 1_000_003 * (member + 2) + Math.imul(issued, 31));
    return (part, hour) => {
      const { lost, seen } = views[part][hour - first]!;
      return lost === 0 ? seen : seen + lost * own(part, hour);
    };
  };
}

/** Where the weather is made: its climate, its half of the earth, its daylight, its noon. */
export interface Site {
  climate: Climate;
  lat: number;
  lon: number;
}

/** What an hour is before it is told: everything that hangs together with the cloud of the hour. */
export interface Sky extends Hour {
  windMs: number;
  windFromDeg: number;
  /** Share of the sky that is covered. */
  cloud: number;
  sun: boolean;
  /** Temperature of the soil at a hand's depth, °C. */
  soilC: number;
}

/** How far into summer, from -1 to 1, so many days late (air follows the sun by three weeks, soil by five). */
const summer = (site: Site, hour: number, late: number) =>
  Math.cos((2 * Math.PI * (hour / 24 - 172 - late)) / YEAR_DAYS) * (site.lat < 0 ? -1 : 1);

/** Quantile of the normal distribution in its upper tail (Abramowitz and Stegun 26.2.23). */
function upper(share: number): number {
  if (share <= 0) return Infinity;
  const t = Math.sqrt(-2 * Math.log(share));
  return t - (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3);
}

const between = (a: number, b: number, share: number) => a + (b - a) * (0.5 + 0.5 * share);

/**
 * One hour of a course: where pressure is low and the air moist it is cloudy and rains; cloud keeps days cool and nights
 * mild; humidity follows from temperature and dew point; wind rises as pressure falls, and in the afternoon.
 */
export function skyOf(seed: number, site: Site, course: Course, hour: number, daylight: number): Sky {
  const { climate } = site;
  const year = summer(site, hour, 21);
  const local = (((hour + site.lon / 15) % 24) + 24) % 24;
  const afternoon = Math.cos((2 * Math.PI * (local - 15)) / 24);
  const pressure = course('pressure', hour);
  const shower = 0.25 * Math.max(0, year) * afternoon;
  const moist =
    -0.72 * pressure +
    0.5 * course('moisture', hour) +
    0.4 * course('showers', hour) +
    0.26 * course('drops', hour) +
    shower;
  const from = upper(between(climate.wet.winter, climate.wet.summer, year));
  const over = moist - from;
  const cloud = from === Infinity ? 0.35 + 0.25 * Math.tanh(moist) : 1 / (1 + Math.exp(-2.4 * (over + 1.1)));
  const hoursWet = (8766 * (climate.wet.winter + climate.wet.summer)) / 2;
  const rainMm =
    over > 0 ? (climate.rainMm / hoursWet) * (0.5 + over) * (0.4 - 0.75 * Math.log(1 - share(seed, hour, 401))) : 0;
  const fronts =
    climate.frontsC *
    (0.75 * course('air', hour) + 0.5 * course('spell', hour) + 0.35 * course('season', hour) - 0.3 * year * moist);
  const mean = climate.meanC + climate.swingC * year + fronts;
  const daily = climate.dailyC * (1 - 0.65 * cloud) * (0.45 + 0.55 * Math.min(1.5, daylight / 12));
  const temperatureC = mean + daily * afternoon - (rainMm > 0 ? 0.8 : 0);
  const dew = mean - between(climate.dry.winter, climate.dry.summer, year) + 2.2 * (cloud - 0.4);
  const humidity = Math.min(
    100,
    Math.max((100 * saturation(dew)) / saturation(temperatureC), rainMm > 0 ? 88 + 9 * cloud : 12),
  );
  const breeze = 1 + 0.35 * Math.cos((2 * Math.PI * (local - 14)) / 24) * (1 - 0.5 * cloud);
  const windMs = climate.windMs * 0.9 * breeze * Math.exp(-0.32 * pressure + 0.22 * course('gusts', hour));
  return {
    at: new Date(hour * HOUR_MS).toISOString(),
    temperatureC,
    rainMm,
    humidity,
    windMs: Math.max(0.2, windMs),
    windFromDeg: (((235 + 80 * course('turn', hour)) % 360) + 360) % 360,
    cloud,
    sun: cloud < 0.55 && Math.abs(local - 12) < daylight / 2,
    soilC: climate.meanC + 0.85 * climate.swingC * summer(site, hour, 35) + 0.35 * fronts,
  };
}

/** Hours of a course, in order: leaves stay wet for a while after rain, longer in the shade than in the sun. */
export function skiesOf(seed: number, site: Site, course: Course, from: number, count: number): Sky[] {
  const out: Sky[] = [];
  let sinceRain = Infinity;
  let [day, daylight] = [NaN, 0];
  for (let hour = from - DRIES_IN.shade; hour < from + count; hour++) {
    const on = Math.floor(hour / 24);
    if (on !== day) [day, daylight] = [on, dayLength((on % YEAR_DAYS) + 1, site.lat)];
    const sky = skyOf(seed, site, course, hour, daylight);
    sinceRain = sky.rainMm > 0 ? 0 : sinceRain + 1;
    sky.wet = sky.humidity >= 92 || sinceRain <= (sky.sun ? DRIES_IN.sun : DRIES_IN.shade);
    if (hour >= from) out.push(sky);
  }
  return out;
}
