import { dayIn, hourOf, type LocalDate } from '../../lib/calendar/zone';
import type { Hour } from './station';

/** An hour of a day as several courses of the forecast have it. */
export interface HourOfDay {
  /** Hour of the day by the clock of the place, 0 to 23. */
  hour: number;
  temperatureC: number;
  windMs: number | null;
  /** Share of the courses in which it rains enough to wet a leaf. */
  rain: number;
}
/** What wets a leaf, mm in an hour. */
const WETS_MM = 0.1;
const middle = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

/**
 * The hours of a day as the courses of a forecast have them: the middle one of their temperatures and winds, and in how many
 * of them it rains.
 * @param members equally likely courses, all beginning with the same hour
 * @returns hours in their order; empty where the forecast does not reach the day
 */
export function hoursOfDay(members: readonly (readonly Hour[])[], day: LocalDate, timeZone: string): HourOfDay[] {
  return (members[0] ?? []).flatMap((first, i): HourOfDay[] => {
    if (dayIn(first.at, timeZone) !== day) return [];
    const of = members.map((m) => m[i]!);
    const winds = of.flatMap((h) => h.windMs ?? []);
    return [
      {
        hour: hourOf(first.at, timeZone),
        temperatureC: middle(of.map((h) => h.temperatureC)),
        windMs: winds.length ? middle(winds) : null,
        rain: of.filter((h) => h.rainMm >= WETS_MM).length / of.length,
      },
    ];
  });
}
