import type { Instant } from '../../lib/calendar/zone';
import type { Weather } from './air';
import type { Hour } from './station';

/** An hour that is expected, as the middle of several courses has it. */
export interface ExpectedHour {
  at: Instant;
  temperatureC: number;
  humidity: number;
  /** Null where the courses say nothing of wind. */
  windMs: number | null;
  /** Mean of the courses, mm. */
  rainMm: number;
}
const HOUR_MS = 3_600_000;
const middle = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

/**
 * What a phone takes along of a forecast: the middle course, hour by hour.
 * @param members equally likely courses, all beginning with the same hour
 * @param most hours
 */
export const expectedHours = (members: readonly (readonly Hour[])[], most: number): ExpectedHour[] =>
  (members[0] ?? []).slice(0, most).map((first, i) => {
    const of = members.map((m) => m[i]!);
    const winds = of.flatMap((h) => h.windMs ?? []);
    return {
      at: first.at,
      temperatureC: middle(of.map((h) => h.temperatureC)),
      humidity: middle(of.map((h) => h.humidity)),
      windMs: winds.length ? middle(winds) : null,
      rainMm: of.reduce((sum, h) => sum + h.rainMm, 0) / of.length,
    };
  });

/**
 * The air at an instant as it was expected when there was last a signal; what was measured then, where the hours do not reach.
 * Whoever stands there reads the air and says it otherwise: this only fills the fields.
 */
export function weatherAt(measured: Weather, hours: readonly ExpectedHour[], at: Date): Weather {
  const i = hours.findIndex((h) => at.getTime() >= Date.parse(h.at) && at.getTime() < Date.parse(h.at) + HOUR_MS);
  const hour = hours[i];
  if (!hour) return measured;
  const ahead = hours.slice(i + 1, i + 25).map((h) => h.rainMm);
  return {
    ...measured,
    at: hour.at,
    temperatureC: Math.round(hour.temperatureC * 10) / 10,
    humidity: Math.round(hour.humidity),
    windMs: hour.windMs === null ? measured.windMs : Math.round(hour.windMs * 10) / 10,
    rainMm: hour.rainMm,
    rainNext24Mm: Math.round(ahead.reduce((a, b) => a + b, 0) * 10) / 10,
    rainByHour: ahead,
  };
}
