import type { Instant, LocalDate } from '../../lib/calendar/zone';
import type { Hour } from '../weather/station';

/** Relative humidity from which a leaf without a sensor counts as wet, %. */
const WET_FROM = 90;
/** Whether leaves are wet in this hour: by the sensor, else while it rains or the air is nearly full. */
export const isWet = (h: Pick<Hour, 'rainMm' | 'humidity' | 'wet'>): boolean =>
  h.wet ?? (h.rainMm > 0 || h.humidity >= WET_FROM);

/**
 * Hours of leaf wetness after which ascospores of apple scab infect, by temperature from 1 to 26 °C (Mills, as revised by
 * MacHardy and Gadoury).
 */
export const SCAB_HOURS: readonly number[] = [
  41, 35, 30, 28, 21, 18, 15, 13, 12, 11, 9, 8, 8, 7, 7, 6, 6, 6, 6, 6, 6, 6, 6, 6, 8, 11,
];
/**
 * Wet hours that infect at a mean temperature; between two degrees the shorter of both, so that none is missed.
 * @returns null below 1 and above 26 °C, where the table ends
 * @example scabHoursNeeded(12) // 8
 */
export function scabHoursNeeded(meanC: number): number | null {
  if (!(meanC >= 1 && meanC <= 26)) return null;
  const [low, high] = [SCAB_HOURS[Math.floor(meanC) - 1]!, SCAB_HOURS[Math.ceil(meanC) - 1]!];
  return Math.min(low, high);
}

/** A spell of wet leaves, with the dry gaps that it bridges. */
export interface WetSpell {
  began: string;
  ended: string;
  wetHours: number;
  /** Mean of the wet hours, °C. */
  meanC: number;
  rainMm: number;
}
export interface ScabSpell extends WetSpell {
  /** Wet hours that the mean temperature asks for; null where the table has none. */
  needed: number | null;
  /** When the wet hours were enough; null while they are not. */
  infectedAt: Instant | null;
}

/** Dry hours that end a spell of wetness: a day, or a third of it in the sun. */
const GAP = { shade: 24, sun: 8 };

/**
 * Spells of wetness and whether each was long enough for apple scab. A spell begins with rain: dew alone discharges next to
 * nothing. A dry gap under 24 hours (8 in the sun) adds up; the wet hours alone count.
 * @param hours in order, an hour each
 */
export function scabSpells(hours: readonly Hour[]): ScabSpell[] {
  const out: ScabSpell[] = [];
  let open: { wet: Hour[]; dry: Hour[]; infectedAt: string | null } | null = null;
  const close = () => {
    if (open) out.push(spellOf(open.wet, open.infectedAt));
    open = null;
  };
  for (const h of hours) {
    if (!open) {
      if (h.rainMm > 0) open = { wet: [h], dry: [], infectedAt: null };
    } else if (isWet(h)) {
      open.wet.push(h);
      open.dry = [];
    } else {
      open.dry.push(h);
      const sunny = open.dry.filter((d) => d.sun).length * 2 > open.dry.length;
      if (open.dry.length >= (sunny ? GAP.sun : GAP.shade)) close();
    }
    if (open && open.infectedAt === null && open.dry.length === 0) {
      const needed = scabHoursNeeded(meanOf(open.wet));
      if (needed !== null && open.wet.length >= needed) open.infectedAt = h.at;
    }
  }
  close();
  return out;
}
const meanOf = (hours: readonly Hour[]) => hours.reduce((sum, h) => sum + h.temperatureC, 0) / hours.length;
function spellOf(wet: readonly Hour[], infectedAt: string | null): ScabSpell {
  const meanC = meanOf(wet);
  return {
    began: wet[0]!.at,
    ended: wet.at(-1)!.at,
    wetHours: wet.length,
    meanC,
    rainMm: wet.reduce((sum, h) => sum + h.rainMm, 0),
    needed: scabHoursNeeded(meanC),
    infectedAt,
  };
}

/** A day of bloom, for fire blight. */
export interface BloomDay {
  day: LocalDate;
  /** Hourly temperatures of the day, °C. */
  temperatures: readonly number[];
  rainMm: number;
  /** Dew heavy enough to run. */
  heavyDew: boolean;
  /** Flowers are open. */
  open: boolean;
}
export type BlightRisk = 'low' | 'moderate' | 'high' | 'infection';
export interface BlightDay {
  day: LocalDate;
  /** Degree-hours above 18.3 °C within the life of a flower, cold days taken off. */
  degreeHours: number;
  /** Which of the four stand: open flowers, heat, wetting, a warm day. */
  conditions: { open: boolean; heat: boolean; wetting: boolean; warm: boolean };
  risk: BlightRisk;
}

/** Thresholds of the degree-hour model of bloom blight (after Steiner and Lightner, as extension services print it). */
export const BLIGHT = {
  baseC: 18.3,
  degreeHours: 110,
  rainMm: 0.25,
  rainBeforeMm: 2.5,
  meanC: 15.6,
  /** A flower lives so many degree-days above 4.4 °C. */
  flowerBaseC: 4.4,
  flowerDegreeDays: 44.4,
  /** A day whose warmest hour stays at or below this takes heat away: a third, a half, all of it after three such days. */
  coldC: 17.8,
  kept: [2 / 3, 1 / 2, 0],
} as const;

/**
 * Fire blight of bloom, day by day: open flowers, 110 degree-hours within the life of a flower, wetting, and a day of
 * 15.6 °C. All four: infection is likely; three: high; two: moderate.
 * @param days in order, from the first open flower on
 */
export function bloomBlight(days: readonly BloomDay[]): BlightDay[] {
  const out: BlightDay[] = [];
  /** Heat that each day brought, newest last, and how far the flowers of that day have lived. */
  let kept: { degreeHours: number; lived: number }[] = [];
  let cold = 0;
  days.forEach((d, i) => {
    const mean = d.temperatures.reduce((a, b) => a + b, 0) / d.temperatures.length;
    const lived = Math.max(0, mean - BLIGHT.flowerBaseC);
    const today = d.temperatures.reduce((sum, t) => sum + Math.max(0, t - BLIGHT.baseC), 0);
    cold = d.open && Math.max(...d.temperatures) <= BLIGHT.coldC ? cold + 1 : 0;
    const share = cold === 0 ? 1 : BLIGHT.kept[Math.min(cold, 3) - 1]!;
    kept = [
      ...kept.map((k) => ({ degreeHours: k.degreeHours * share, lived: k.lived + lived })),
      { degreeHours: d.open ? today : 0, lived },
    ].filter((k) => k.lived <= BLIGHT.flowerDegreeDays || k.lived === lived);
    const degreeHours = kept.reduce((sum, k) => sum + k.degreeHours, 0);
    const before = days[i - 1];
    const conditions = {
      open: d.open,
      heat: degreeHours >= BLIGHT.degreeHours,
      wetting: d.heavyDew || d.rainMm >= BLIGHT.rainMm || (before?.rainMm ?? 0) >= BLIGHT.rainBeforeMm,
      warm: mean >= BLIGHT.meanC,
    };
    const met = Object.values(conditions).filter(Boolean).length;
    const risk: BlightRisk = !d.open || met < 2 ? 'low' : met === 2 ? 'moderate' : met === 3 ? 'high' : 'infection';
    out.push({ day: d.day, degreeHours, conditions, risk });
  });
  return out;
}

/** Peach leaf curl infects from bud swell to two leaves: so much rain, and wet so long below 16 °C. */
export const CURL = { rainMm: 3, wetHours: 12.5, belowC: 16 } as const;
/** Spells in which leaf curl infects, among those of wetness. */
export const leafCurl = (hours: readonly Hour[]): WetSpell[] =>
  scabSpells(hours).filter((s) => s.rainMm >= CURL.rainMm && s.wetHours >= CURL.wetHours && s.meanC < CURL.belowC);
