import type { Hour } from '../weather/station';
import type { Bbch } from './bbch';
import { dayAfter } from '../../lib/calendar/days';
import { dayIn, type LocalDate, type Instant } from '../../lib/calendar/zone';
import {
  bloomBlight,
  leafCurl,
  scabSpells,
  type BlightDay,
  type BloomDay,
  type ScabSpell,
  type WetSpell,
} from './infection';
import type { StageDate } from './stages';
import { wholeDays } from './year';

/** Troubles whose infections are told from the weather, with the stages of the host between which they infect it. */
export const INFECTIONS = {
  /** Until the ascospores are spent: about three weeks after fruit set. */
  'apple-scab': {
    from: 7,
    to: 71,
    daysMore: 21,
    basis: 'hours of leaf wetness by temperature (Mills, revised by MacHardy and Gadoury)',
  },
  'fire-blight': {
    from: 60,
    to: 69,
    daysMore: 0,
    basis: 'degree-hours, wetting and warmth of open bloom (Steiner and Lightner, as extension services print it)',
  },
  'peach-leaf-curl': {
    from: 1,
    to: 11,
    daysMore: 0,
    basis: 'rain and wetness below 16 °C from bud swell to two leaves; extension services',
  },
} as const satisfies Record<string, { from: Bbch; to: Bbch; daysMore: number; basis: string }>;
export type Infection = keyof typeof INFECTIONS;
export const infections = Object.keys(INFECTIONS) as Infection[];

/** What infected, or may infect, with the figures that say so. */
export type Cause =
  | { kind: 'wet spell'; wetHours: number; meanC: number; rainMm: number; needed: number | null }
  | { kind: 'bloom'; degreeHours: number; conditions: BlightDay['conditions'] };

export interface InfectionEvent {
  conditionId: Infection;
  day: LocalDate;
  /** When leaves had been wet for long enough, or the day's end where it is told by the day. */
  at: Instant;
  /** 1 for what was measured; else the share of the forecast's courses in which it comes about on this day. */
  chance: number;
  cause: Cause;
}

/** First and last day of this season's infections; null where the host's stages do not say. */
export function infectionSpan(
  condition: Infection,
  stages: readonly StageDate[],
  today: LocalDate,
): { from: LocalDate; to: LocalDate } | null {
  const { from, to, daysMore } = INFECTIONS[condition];
  const spans = stages
    .filter((s) => s.code === from)
    .flatMap((first) => {
      const last = stages.find((s) => s.code === to && s.day >= first.day);
      return last ? [{ from: first.day, to: dayAfter(last.day, daysMore, 'days') }] : [];
    });
  return spans.find((s) => s.to >= today) ?? spans.at(-1) ?? null;
}

/** Heavy dew: the air is full for hours of a night without rain. */
const DEW_HOURS = 4;
const FULL_AIR = 97;

/** Days of bloom from hours: whole days alone, with dew where the air was full for hours. */
function bloomDays(hours: readonly Hour[], timeZone: string, open: (day: LocalDate) => boolean): BloomDay[] {
  return wholeDays(hours, timeZone).map(([day, of]) => ({
    day,
    temperatures: of.map((h) => h.temperatureC),
    rainMm: of.reduce((sum, h) => sum + h.rainMm, 0),
    heavyDew: of.filter((h) => h.humidity >= FULL_AIR && h.rainMm === 0).length >= DEW_HOURS,
    open: open(day),
  }));
}

const wetCause = (s: WetSpell & Partial<ScabSpell>): Cause => ({
  kind: 'wet spell',
  wetHours: s.wetHours,
  meanC: s.meanC,
  rainMm: s.rainMm,
  needed: s.needed ?? null,
});

/** Infections that these hours bring, within the days in which the host can be infected. */
function infectedBy(
  condition: Infection,
  hours: readonly Hour[],
  timeZone: string,
  span: { from: LocalDate; to: LocalDate },
): Omit<InfectionEvent, 'chance'>[] {
  const inside = (day: LocalDate) => day >= span.from && day <= span.to;
  if (condition === 'fire-blight') {
    const days = bloomDays(hours, timeZone, inside);
    const first = days.findIndex((d) => d.open);
    if (first < 0) return [];
    // The day before first bloom counts for its rain.
    const told = bloomBlight(days.slice(Math.max(0, first - 1)));
    return told
      .filter((d) => d.risk === 'infection')
      .map((d) => ({
        conditionId: condition,
        day: d.day,
        at: `${d.day}T23:59:59Z`,
        cause: { kind: 'bloom', degreeHours: d.degreeHours, conditions: d.conditions },
      }));
  }
  const spells =
    condition === 'apple-scab'
      ? scabSpells(hours).flatMap((s) => (s.infectedAt ? [{ at: s.infectedAt, cause: wetCause(s) }] : []))
      : leafCurl(hours).map((s) => ({ at: s.ended, cause: wetCause(s) }));
  return spells.map((s) => ({ conditionId: condition, day: dayIn(s.at, timeZone), ...s })).filter((e) => inside(e.day));
}

/** Less likely than this, a day of the forecast is not told. */
const TOLD_FROM = 0.2;
/** Measured hours that a spell of the forecast may go on from; bloom counts from its beginning. */
const GOES_ON_HOURS = 120;

/**
 * Infections of one trouble at a place: those that were measured, and the days ahead on which they are likely.
 * @param measured hours in order up to now, from the first day on which the host can be infected
 * @param members equally likely courses of the hours after
 */
export function infectionEvents({
  condition,
  stages,
  measured,
  members,
  timeZone,
  today,
}: {
  condition: Infection;
  stages: readonly StageDate[];
  measured: readonly Hour[];
  members: readonly (readonly Hour[])[];
  timeZone: string;
  today: LocalDate;
}): InfectionEvent[] {
  const span = infectionSpan(condition, stages, today);
  if (!span) return [];
  const past = infectedBy(condition, measured, timeZone, span).map((e) => ({ ...e, chance: 1 }));
  const now = measured.at(-1)?.at ?? '';
  const before = condition === 'fire-blight' ? measured : measured.slice(-GOES_ON_HOURS);
  const ahead = new Map<LocalDate, InfectionEvent>();
  for (const member of members) {
    const days = new Set<LocalDate>();
    for (const event of infectedBy(condition, [...before, ...member], timeZone, span)) {
      if (event.at <= now || days.has(event.day)) continue;
      days.add(event.day);
      const known = ahead.get(event.day);
      if (known) known.chance += 1 / members.length;
      else ahead.set(event.day, { ...event, chance: 1 / members.length });
    }
  }
  return [
    ...past,
    ...[...ahead.values()]
      .filter((e) => e.chance >= TOLD_FROM && e.day >= today)
      .sort((a, b) => a.day.localeCompare(b.day)),
  ];
}
