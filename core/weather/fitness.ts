import { dayIn, inZone, type Day } from '../season/zone';
import type { Hour } from './station';

/** What the air must be for a method, while it is done and for a while after. */
export interface AirLimits {
  minC: number | null;
  maxC: number | null;
  minWindMs: number | null;
  maxWindMs: number | null;
  /** Hours without rain after an hour of work; 0 where only the hour itself must be dry, null where rain does not matter. */
  dryHours: number | null;
  /** Leaves must be dry. */
  dryLeaves: boolean;
}

/** How likely a day of the forecast is to have a spell of work, and its most likely hours. */
export interface FitDay {
  day: Day;
  /** Share of the courses with a spell that is long enough. */
  chance: number;
  /** First hour of the spell, and the hour it ends before, as a clock there shows them; null where no course has one. */
  from: number | null;
  to: number | null;
}

/** Rain of an hour that wets a leaf, mm. */
const WETS_MM = 0.2;
/** Hours in which crews work. */
const WORK = { from: 6, to: 21 };
const hourIn = inZone('en-GB', { hourCycle: 'h23', hour: '2-digit' });

/** Whether an hour lies within limits; `from` is its place in the course. */
function fits(limits: AirLimits, course: readonly Hour[], from: number): boolean {
  const h = course[from]!;
  const { minC, maxC, minWindMs, maxWindMs, dryHours } = limits;
  if (minC !== null && h.temperatureC < minC) return false;
  if (maxC !== null && h.temperatureC > maxC) return false;
  // A course that says nothing of the wind never shows that it is fit.
  if ((minWindMs !== null || maxWindMs !== null) && h.windMs === undefined) return false;
  if (minWindMs !== null && h.windMs! < minWindMs) return false;
  if (maxWindMs !== null && h.windMs! > maxWindMs) return false;
  if (limits.dryLeaves && h.wet) return false;
  if (dryHours === null) return true;
  // Beyond the end of the forecast nobody knows that it is dry.
  const after = course.slice(from, from + dryHours + 1);
  return after.length > dryHours && after.every((x) => x.rainMm < WETS_MM);
}

/**
 * Days of a forecast on which a method's limits are likely to be met for some hours on end.
 * @param members equally likely courses of hours, all beginning with the same one
 * @param hours hours of work on end
 */
export function fitDays(
  members: readonly (readonly Hour[])[],
  limits: AirLimits,
  hours: number,
  timeZone: string,
): FitDay[] {
  const first = members[0];
  if (!first) return [];
  const clock = first.map((h) => ({ day: dayIn(h.at, timeZone), hour: Number(hourIn(h.at, timeZone)) }));
  const days = [...new Set(clock.map((c) => c.day))];
  const at = new Map(
    days.map((d) => [d, clock.flatMap((c, i) => (c.day === d && c.hour >= WORK.from && c.hour < WORK.to ? [i] : []))]),
  );
  return days.flatMap((day) => {
    const of = at.get(day)!;
    if (of.length < hours) return [];
    const counts = new Map<number, number>();
    let met = 0;
    for (const member of members) {
      const good = of.map((i) => fits(limits, member, i));
      let any = false;
      for (let i = 0; i + hours <= of.length; i++) {
        if (!good.slice(i, i + hours).every(Boolean)) continue;
        any = true;
        counts.set(clock[of[i]!]!.hour, (counts.get(clock[of[i]!]!.hour) ?? 0) + 1);
      }
      if (any) met += 1;
    }
    const best = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0];
    return [{ day, chance: met / members.length, from: best?.[0] ?? null, to: best ? best[0] + hours : null }];
  });
}

/** More likely than not by a good margin. */
const LIKELY = 0.6;
export const isLikely = (day: FitDay): boolean => day.chance >= LIKELY;
/** The first day that is likely to serve; null where none of the forecast is. */
export const firstFit = (days: readonly FitDay[]): FitDay | null => days.find(isLikely) ?? null;
