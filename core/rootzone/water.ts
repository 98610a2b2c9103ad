import { INTAKE, type SoilTexture } from '../basin/basin';
import { after, type Day } from '../season/follow-ups';
import type { SquareM } from '../units/units';

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
export function nextWater(on: Day, mm: number, etMm: number, share = 0.5): { day: Day; sentence: string } {
  const days = Math.max(1, Math.min(60, Math.floor(mm / Math.max(0.1, etMm * share))));
  return {
    day: after(on, days, 'days'),
    sentence: `${mm.toFixed(0)} mm at ${(etMm * share).toFixed(1)} mm a day lasts ${days} days; the soil probe has the last word.`,
  };
}

/** Deep and seldom: the soil is to be moist down to here before the next pause, cm. */
export const WATER_TO_CM = 30;
/** Hours in which emitters wet dry soil down to {@link WATER_TO_CM}, to the half hour. */
export const hoursToRoots = (flowLh: number, wettedM2: SquareM, texture: SoilTexture): number =>
  Math.ceil((2 * (WATER_TO_CM / 10) * HOLDS_MM_PER_DM[texture] * wettedM2) / flowLh) / 2;

/** What goes wrong with water, by tree and pest. */
export const WATER_CAUTIONS = [
  'Water in even amounts: a flood after drought splits fruit and bark.',
  'Where damp litter feeds the pest or the rot, stop at the drip line and keep the collar dry.',
  'No emitter within 30 cm of the bark.',
] as const;
