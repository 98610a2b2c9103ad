import { getDayOfYear, parseISO } from 'date-fns';
import { dayAfter, daysBetween } from '../../lib/calendar/days';
import type { LocalDate } from '../../lib/calendar/zone';
import { unmeasured } from './air';
import type { WeatherDay, WeatherStation } from './station';

/** Warmest day of a northern year: three weeks after the longest day. */
const WARMEST = 172 + 21;
const YEAR = 365.2425;
/** Standard deviation of the mean of a whole year, °C, by which usual years differ. */
const YEARS_DIFFER_C = 0.8;

export interface UsualYear {
  /** Yearly mean and half the yearly swing of air temperature, °C. */
  meanC: number;
  swingC: number;
  /** Half the swing of a day, °C. */
  dailyC: number;
  /** Rain of a year, mm. */
  rainMm: number;
}

/**
 * A place where nothing measures the weather: its days are those of the usual year, and nobody knows what an hour brings or
 * brought. Other years are as warm as this one, colder and warmer by what years differ.
 * @param lat degrees, below 0 south of the equator
 */
export function usualStation(usual: UsualYear, lat: number): WeatherStation {
  const turn = lat < 0 ? YEAR / 2 : 0;
  const dayAt = (day: LocalDate, warmer: number): WeatherDay => {
    const phase = (2 * Math.PI * (getDayOfYear(parseISO(day)) - WARMEST - turn)) / YEAR;
    const mean = usual.meanC + warmer + usual.swingC * Math.cos(phase);
    const tenth = (x: number) => Math.round(x * 10) / 10;
    return {
      day,
      min: tenth(mean - usual.dailyC),
      max: tenth(mean + usual.dailyC),
      rainMm: tenth(usual.rainMm / YEAR),
    };
  };
  const days = (from: LocalDate, to: LocalDate, warmer = 0): WeatherDay[] =>
    Array.from({ length: Math.max(0, daysBetween(from, to) + 1) }, (_, i) => dayAt(dayAfter(from, i, 'days'), warmer));
  return {
    name: 'No station',
    basis: 'usual',
    at: (instant) => unmeasured(new Date(Math.floor(+instant / 3_600_000) * 3_600_000).toISOString()),
    hours: () => [],
    forecast: (issued) => ({ from: issued.toISOString(), members: [] }),
    days: (from, to) => days(from, to),
    years: (from, to, _, count) =>
      Array.from({ length: count }, (_year, i) =>
        // Spread evenly over twice the deviation to either side: the middle year is the usual one.
        days(from, to, count > 1 ? YEARS_DIFFER_C * (4 * (i / (count - 1)) - 2) : 0),
      ),
  };
}
