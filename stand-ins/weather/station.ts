import { memoizeRecent } from '@/lib/memoize';
import { dayAfter, daysBetween } from '@/lib/calendar/days';
import { zonedInstant, type LocalDate } from '@/lib/calendar/zone';
import type { Weather } from '@/core/weather/air';
import type { Forecast, Hour, WeatherDay, WeatherStation } from '@/core/weather/station';
import { CLIMATES, type Climate } from './climates';
import { HOUR_MS, likelyCourses, skiesOf, trueCourse, type Course, type Site, type Sky } from './course';

const MEMBERS = 24;
const FORECAST_HOURS = 240;
/** Forecasts are issued four times a day. */
const ISSUED_EVERY = 6;
/** What is worked out is kept; the oldest is let go beyond so many. */
const KEPT = { days: 9000, hours: 400, hourDays: 400, forecasts: 4 };

const round = (x: number, digits: number) => Math.round(x * 10 ** digits) / 10 ** digits;
const hourOf = (instant: Date) => Math.floor(instant.getTime() / HOUR_MS);
const told = ({ at, temperatureC, rainMm, humidity, windMs, wet, sun }: Sky): Hour => ({
  at,
  temperatureC: round(temperatureC, 1),
  rainMm: round(rainMm, 1),
  humidity: Math.round(humidity),
  windMs: round(windMs, 1),
  wet,
  sun,
});

export interface SimulatedSite {
  climate?: Climate;
  lat?: number;
  lon?: number;
}

/** The same days of each of the years before. */
const yearsBefore =
  (days: WeatherStation['days']): WeatherStation['years'] =>
  (from, to, timeZone, count) =>
    Array.from({ length: count }, (_, i) =>
      days(dayAfter(from, -i - 1, 'years'), dayAfter(to, -i - 1, 'years'), timeZone),
    );

/**
 * A simulated station: the same seed, place and hour always give the same weather, past and to come.
 * @param seed any whole number
 */
export function simulatedStation(seed: number, where: SimulatedSite = {}): WeatherStation {
  const site: Site = { climate: where.climate ?? CLIMATES.estuary, lat: where.lat ?? 51, lon: where.lon ?? 0 };
  const real = trueCourse(seed);
  const run = (course: Course, from: number, count: number) => skiesOf(seed, site, course, from, count);
  const midnights = memoizeRecent<number>(KEPT.days);
  const midnight = (day: LocalDate, timeZone: string) =>
    midnights(`${day} ${timeZone}`, () => hourOf(new Date(zonedInstant(`${day}T00:00`, timeZone)!)));
  const dayAt = (day: LocalDate, timeZone: string): WeatherDay => {
    const start = midnight(day, timeZone);
    const hours = run(real, start, midnight(dayAfter(day, 1, 'days'), timeZone) - start);
    const heat = hours.map((h) => h.temperatureC);
    return {
      day,
      min: round(Math.min(...heat), 1),
      max: round(Math.max(...heat), 1),
      rainMm: round(
        hours.reduce((sum, h) => sum + h.rainMm, 0),
        1,
      ),
    };
  };
  const known = memoizeRecent<WeatherDay>(KEPT.days);
  const days = (from: LocalDate, to: LocalDate, timeZone: string): WeatherDay[] =>
    Array.from({ length: Math.max(0, daysBetween(from, to) + 1) }, (_, i) => {
      const day = dayAfter(from, i, 'days');
      return known(`${day} ${timeZone}`, () => dayAt(day, timeZone));
    });
  const forecastOf = (issued: number): Forecast => {
    const courses = likelyCourses(seed, issued, FORECAST_HOURS);
    const members = Array.from({ length: MEMBERS }, (_, m) => run(courses(m), issued, FORECAST_HOURS).map(told));
    return { from: members[0]![0]!.at, members };
  };
  const weatherAt = (hour: number): Weather => {
    const sky = run(real, hour, 1)[0]!;
    const today = sky.at.slice(0, 10);
    const rain = days(dayAfter(today, -45, 'days'), today, 'UTC').map((d) => d.rainMm);
    const held = rain.reduce((sum, mm, i) => sum + mm * Math.exp(-(rain.length - 1 - i) / 12), 0);
    // The first of the forecast's courses is the one that is told as the forecast of the hours ahead.
    const ahead = run(likelyCourses(seed, hour, 49)(0), hour + 1, 48).map((h) => round(h.rainMm, 1));
    const usual = site.climate.rainMm / 365;
    return {
      at: sky.at,
      temperatureC: round(sky.temperatureC, 1),
      humidity: Math.round(sky.humidity),
      windMs: round(sky.windMs, 1),
      windFromDeg: Math.round(sky.windFromDeg),
      rainMm: round(sky.rainMm, 1),
      rainNext24Mm: round(
        ahead.slice(0, 24).reduce((a, b) => a + b, 0),
        1,
      ),
      rainByHour: ahead,
      soilTemperatureC: round(sky.soilC, 1),
      soilMoisture: round(Math.min(1, 0.42 + 0.12 * Math.tanh((held / 12 - usual) / 1.5) + held / 400), 2),
      sky: sky.cloud > 0.75 || sky.rainMm > 0 ? 'overcast' : sky.cloud > 0.4 ? 'broken' : 'clear',
    };
  };
  const airs = memoizeRecent<Weather>(KEPT.hours);
  const forecasts = memoizeRecent<Forecast>(KEPT.forecasts);
  const told24 = memoizeRecent<Hour[]>(KEPT.hourDays);
  const hoursOf = (from: number, to: number): Hour[] => {
    const out: Hour[] = [];
    for (let day = Math.floor(from / 24); day * 24 < to; day++) {
      const all = told24(String(day), () => run(real, day * 24, 24).map(told));
      out.push(...all.slice(Math.max(0, from - day * 24), Math.max(0, to - day * 24)));
    }
    return out;
  };
  return {
    name: 'Simulated station',
    basis: 'simulated',
    at: (instant) => airs(String(hourOf(instant)), () => weatherAt(hourOf(instant))),
    hours: (from, to) => hoursOf(hourOf(from), hourOf(to)),
    forecast: (issued) => {
      const at = Math.floor(hourOf(issued) / ISSUED_EVERY) * ISSUED_EVERY;
      return forecasts(String(at), () => forecastOf(at));
    },
    days,
    years: yearsBefore(days),
  };
}
