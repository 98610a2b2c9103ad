import { memoizeEach } from '../../lib/memoize';
import { dayIn, hourOf, type LocalDate, type Instant } from '../../lib/calendar/zone';
import { WETS_A_LEAF_MM } from './air';
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

/** Whether limits leave every air be. */
export const anyAir = (limits: AirLimits): boolean => Object.values(limits).every((x) => x === null || x === false);

/** How likely a day of the forecast is to have a spell of work, and its most likely hours. */
export interface FitDay {
  day: LocalDate;
  /** Share of the courses with a spell that is long enough. */
  chance: number;
  /** First hour of the spell, and the hour it ends before, as a clock there shows them; null where no course has one. */
  from: number | null;
  to: number | null;
}

/** Hours in which crews work. */
const WORK = { from: 6, to: 21 };

/** Hours on end without rain from each hour of a course; beyond its end nobody knows that it is dry. */
function drySpells(course: readonly Hour[]): number[] {
  const out = new Array<number>(course.length);
  for (let i = course.length - 1, dry = 0; i >= 0; i--) out[i] = dry = course[i]!.rainMm < WETS_A_LEAF_MM ? dry + 1 : 0;
  return out;
}

/** Whether an hour lies within limits. @param dry hours on end without rain from it on */
function fits(limits: AirLimits, h: Hour, dry: number): boolean {
  const { minC, maxC, minWindMs, maxWindMs, dryHours } = limits;
  if (minC !== null && h.temperatureC < minC) return false;
  if (maxC !== null && h.temperatureC > maxC) return false;
  // A course that says nothing of the wind never shows that it is fit.
  if ((minWindMs !== null || maxWindMs !== null) && h.windMs === undefined) return false;
  if (minWindMs !== null && h.windMs! < minWindMs) return false;
  if (maxWindMs !== null && h.windMs! > maxWindMs) return false;
  if (limits.dryLeaves && h.wet) return false;
  return dryHours === null || dry > dryHours;
}

type Members = readonly (readonly Hour[])[];
interface Courses {
  /** Working hours of each day: their place in the course, and what a clock there shows. */
  days: { day: LocalDate; at: { index: number; hour: number }[] }[];
  dry: number[][];
}
/** What is the same for every kind of work, for the forecasts that are in hand. */
const courses = memoizeEach<Members, Courses>();

const coursesOf = (members: Members, timeZone: string): Courses =>
  courses(members, timeZone, () => {
    const days = new Map<LocalDate, { index: number; hour: number }[]>();
    members[0]!.forEach((h, index) => {
      const [day, hour] = [dayIn(h.at, timeZone), hourOf(h.at, timeZone)];
      const of = days.get(day) ?? [];
      if (hour >= WORK.from && hour < WORK.to) of.push({ index, hour });
      days.set(day, of);
    });
    return { days: [...days].map(([day, at]) => ({ day, at })), dry: members.map(drySpells) };
  });

/**
 * Days of a forecast on which a method's limits are likely to be met for some hours on end.
 * @param members equally likely courses of hours, all beginning with the same one
 * @param hours hours of work on end
 */
export function fitDays(members: Members, limits: AirLimits, hours: number, timeZone: string): FitDay[] {
  if (!members.length) return [];
  const { days, dry } = coursesOf(members, timeZone);
  return told(members, JSON.stringify([limits, hours, timeZone]), () =>
    days.flatMap(({ day, at }) => fitDay({ members, dry, limits, hours, day, at }) ?? []),
  );
}
/** Every tree that a use is for is told the same of one forecast. */
const told = memoizeEach<Members, FitDay[]>();

function fitDay({
  members,
  dry,
  limits,
  hours,
  day,
  at,
}: {
  members: Members;
  dry: readonly number[][];
  limits: AirLimits;
  hours: number;
  day: LocalDate;
  at: Courses['days'][number]['at'];
}): FitDay | null {
  if (at.length < hours) return null;
  const counts = new Map<number, number>();
  let met = 0;
  members.forEach((member, m) => {
    let [run, any] = [0, false];
    for (const { index, hour } of at) {
      run = fits(limits, member[index]!, dry[m]![index]!) ? run + 1 : 0;
      if (run < hours) continue;
      any = true;
      const from = hour - hours + 1;
      counts.set(from, (counts.get(from) ?? 0) + 1);
    }
    if (any) met += 1;
  });
  const best = [...counts].sort((x, y) => y[1] - x[1] || x[0] - y[0])[0];
  return { day, chance: met / members.length, from: best?.[0] ?? null, to: best ? best[0] + hours : null };
}

/** How likely each working hour of a forecast is to lie within limits, as the hour's beginning. */
export interface FitHour {
  at: Instant;
  chance: number;
}

/**
 * The hours of a forecast in which a method's limits are met, by the share of its courses.
 * @param members equally likely courses of hours, all beginning with the same one
 */
export function fitHours(members: Members, limits: AirLimits, timeZone: string): FitHour[] {
  if (!members.length) return [];
  const { days, dry } = coursesOf(members, timeZone);
  return days.flatMap(({ at }) =>
    at.map(({ index }) => {
      const met = members.filter((member, m) => fits(limits, member[index]!, dry[m]![index]!)).length;
      return { at: members[0]![index]!.at, chance: met / members.length };
    }),
  );
}

/** Hours of a day, in minutes since midnight by the clock of the place. */
type Span = { from: number; to: number };
/** An hour serves where it is nearly as likely to as the best one of its day, and not hopeless. */
const NEARLY = 0.6;
const HOPELESS = 0.2;

/**
 * The hours of each day of a forecast in which a method is best done, hours on end together.
 * @param within hours of a day that are asked about; null for all in which crews work
 */
export function fitSpans(
  members: Members,
  limits: AirLimits,
  timeZone: string,
  within: ((day: LocalDate) => readonly Span[] | null) | null = null,
): Map<LocalDate, Span[]> {
  const hours = new Map<LocalDate, { hour: number; chance: number }[]>();
  for (const { at, chance } of fitHours(members, limits, timeZone)) {
    const [day, hour] = [dayIn(at, timeZone), hourOf(at, timeZone)];
    const only = within?.(day) ?? null;
    if (only && !only.some((s) => s.from <= hour * 60 && (hour + 1) * 60 <= s.to)) continue;
    hours.set(day, [...(hours.get(day) ?? []), { hour, chance }]);
  }
  return new Map([...hours].map(([day, of]) => [day, spansOf(of)]));
}
function spansOf(of: readonly { hour: number; chance: number }[]): Span[] {
  const least = Math.max(HOPELESS, NEARLY * Math.max(...of.map((h) => h.chance)));
  const out: Span[] = [];
  for (const { hour, chance } of of) {
    if (chance < least) continue;
    const last = out.at(-1);
    if (last?.to === hour * 60) last.to += 60;
    else out.push({ from: hour * 60, to: (hour + 1) * 60 });
  }
  return out;
}

/** More likely than not by a good margin. */
const LIKELY = 0.6;
export const isLikely = (day: FitDay): boolean => day.chance >= LIKELY;
/** The first day that is likely to serve; null where none of the forecast is. */
export const firstFit = (days: readonly FitDay[]): FitDay | null => days.find(isLikely) ?? null;
