import { DAY_MS } from '../../lib/calendar/days';
import { dayLength } from './day-length';
import { wallClock, type LocalDate } from '../../lib/calendar/zone';
import { firstOf, yearOf } from '../../lib/calendar/months';

/**
 * When the sun rises and sets, in minutes since midnight by the clock of a place; a quarter of an hour either way among hills.
 * Noon by the equation of time (Spencer 1971, in the short form of Milne), the day's length by Forsythe and others (1995).
 * @returns null where the sun does not rise or does not set that day
 * @example sunOn('2026-06-21', { lat: 51.5, lon: -0.1 }, 'Europe/London') // { rise: 283, set: 1282 }: 04:43 and 21:22
 */
export function sunOn(
  day: LocalDate,
  { lat, lon }: { lat: number; lon: number },
  timeZone: string,
): { rise: number; set: number } | null {
  const midnight = Date.parse(`${day}T00:00:00Z`);
  const ofYear = Math.round((midnight - Date.parse(`${firstOf(yearOf(day), 1)}T00:00:00Z`)) / DAY_MS) + 1;
  const length = dayLength(ofYear, lat) * 60;
  if (length <= 0 || length >= 1440) return null;
  const turn = (2 * Math.PI * (ofYear - 81)) / 364;
  const equation = 9.87 * Math.sin(2 * turn) - 7.53 * Math.cos(turn) - 1.5 * Math.sin(turn);
  const noon = midnight + (720 - 4 * lon - equation) * 60_000;
  const clock = (at: number): number => {
    const wall = wallClock(new Date(at).toISOString(), timeZone);
    const minutes = Number(wall.slice(11, 13)) * 60 + Number(wall.slice(14, 16));
    // Beyond midnight by that clock, it belongs to this day all the same.
    return minutes + (wall.slice(0, 10) > day ? 1440 : wall.slice(0, 10) < day ? -1440 : 0);
  };
  return { rise: clock(noon - length * 30_000), set: clock(noon + length * 30_000) };
}
