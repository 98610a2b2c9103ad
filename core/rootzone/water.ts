import { INTAKE, type SoilTexture } from '../basin/basin';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { Cm, SquareM } from '../../lib/units/units';

/** Millimetres of water that one decimetre of soil gives back between moist and dry, by texture. Practice figures. */
const HOLDS_MM_PER_DM = { sandy: 7, loam: 15, clay: 17 } as const;

export interface Irrigation {
  litres: number;
  mm: number;
  /** How deep that wets dry soil, cm. */
  wetsToCm: number;
  /** Litres an hour that all emitters give, and how many the zone's supply carries. */
  flowLh: number;
  carried: number;
  fits: boolean;
  /** Runs the water must be split into, so that it does not run off. */
  runs: number;
}

/**
 * What emitters put out, and what it does in the soil.
 * @param i.flowLh litres an hour of one emitter; `supplyLh` what the zone's pipe gives at its pressure
 */
export function irrigate(i: {
  emitters: number;
  flowLh: number;
  hours: number;
  wettedM2: SquareM;
  texture: SoilTexture;
  supplyLh: number;
}): Irrigation {
  const flow = i.emitters * i.flowLh;
  const litres = flow * i.hours;
  const mm = litres / i.wettedM2;
  const carried = Math.floor(i.supplyLh / i.flowLh + 1e-9);
  return {
    litres,
    mm,
    wetsToCm: (mm / HOLDS_MM_PER_DM[i.texture]) * 10,
    flowLh: flow,
    carried,
    fits: i.emitters <= carried,
    runs: Math.max(1, Math.ceil(mm / i.hours / INTAKE[i.texture] - 1e-9)),
  };
}

/**
 * The day on which the soil probe should be pushed in again.
 * @param mm put on, plus useful rain since
 * @param etMm reference evaporation, mm a day @param share of it that this tree takes, about 0.5 for established trees
 */
export function nextWater(on: LocalDate, mm: number, etMm: number, share = 0.5): { day: LocalDate; sentence: string } {
  const days = Math.max(1, Math.min(60, Math.floor(mm / Math.max(0.1, etMm * share))));
  return {
    day: dayAfter(on, days, 'days'),
    sentence: `${mm.toFixed(0)} mm at ${(etMm * share).toFixed(1)} mm a day lasts ${days} days; the soil probe has the last word.`,
  };
}

/** Deep and seldom: the soil is to be moist down to here before the next pause, cm. */
export const WATER_TO_CM = 30;
/** Ground that one emitter wets well, m². */
const EMITTER_M2 = 0.75;
/** To this trunk a tree lives in the ball it was planted with, which is so many trunk diameters wide (nursery standards). */
const IN_ITS_BALL = { toCm: 10, widths: 12 };
/** Beyond it roots are taken to reach so many trunk diameters out where nobody measured the crown; half of that ground is wetted. */
const ROOTS = { diameters: 10, share: 0.5 };
/**
 * What is wetted for a tree of this size, and with how many emitters: the ball of a young tree, half the ground below the crown of
 * a grown one.
 * @param crownWidthM null where nobody measured it
 * @example wateringOf(5, null) // 0.28 m²: the ball of 60 cm
 */
export function wateringOf(diameterCm: Cm, crownWidthM: number | null): { wettedM2: SquareM; emitters: number } {
  const young = diameterCm <= IN_ITS_BALL.toCm;
  const widthM = young
    ? (IN_ITS_BALL.widths * diameterCm) / 100
    : (crownWidthM ?? (2 * ROOTS.diameters * diameterCm) / 100);
  const m2 = (Math.PI / 4) * widthM ** 2 * (young ? 1 : ROOTS.share);
  const wettedM2 = Math.min(1000, Math.max(0.1, Math.round(m2 * 10) / 10));
  return { wettedM2, emitters: Math.min(500, Math.max(1, Math.ceil(wettedM2 / EMITTER_M2))) };
}
/** Hours in which emitters wet dry soil down to {@link WATER_TO_CM}, to the half hour. */
export const hoursToRoots = (flowLh: number, wettedM2: SquareM, texture: SoilTexture): number =>
  Math.ceil((2 * (WATER_TO_CM / 10) * HOLDS_MM_PER_DM[texture] * wettedM2) / flowLh) / 2;

/** What goes wrong with water, by tree and pest. */
export const WATER_CAUTIONS = [
  'Water in even amounts: a flood after drought splits fruit and bark.',
  'Where damp litter feeds the pest or the rot, stop at the drip line and keep the collar dry.',
  'No emitter within 30 cm of the bark.',
] as const;
