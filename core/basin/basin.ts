import type { Cm, Ml, SquareM } from '../../lib/units/units';

/** Area of a band around a round trunk from `inner` to `outer` cm beyond the bark, in m². */
export function bandArea(diameter: Cm, inner: Cm, outer: Cm): SquareM {
  const r = diameter / 2;
  return (Math.PI * ((r + outer) ** 2 - (r + inner) ** 2)) / 10_000;
}

/** Depth of water in mm that `volume` makes on `area`: 1 L on 1 m² is 1 mm. */
export const waterDepth = (volume: Ml, area: SquareM): number => volume / 1000 / area;

/** What level soil takes in, mm/h: practice figures, overridden by a timed test on the spot. */
export const INTAKE = { sandy: 30, loam: 13, clay: 4 } as const;
export type SoilTexture = keyof typeof INTAKE;

/** A timed test pour: so many millimetres of water, and the answers in minutes that are offered for it. */
export const TEST_POUR_MM = 10;
export const TEST_POUR_MINUTES = [5, 15, 30, 60, 120] as const;
/** What the soil takes in, mm/h, where the test pour took so many minutes. @example intakeTimed(15) // 40 */
export const intakeTimed = (minutes: number): number => (TEST_POUR_MM * 60) / minutes;

export interface Passes {
  passes: number;
  /** Waiting time between two passes, minutes. */
  waitMinutes: number;
  mmEach: number;
}

/**
 * Splits a drench so that no pass puts more on the basin than it takes in within half an hour; a lip of soil holds the
 * first 5 mm in any case.
 * @param depth mm of water on the basin
 * @param intake mm/h, after slope and compaction
 */
export function splitPasses(depth: number, intake: number): Passes {
  const each = Math.max(5, intake / 2);
  const passes = Math.max(1, Math.ceil(depth / each - 1e-9));
  const mmEach = depth / passes;
  return { passes, mmEach, waitMinutes: passes === 1 ? 0 : Math.ceil((mmEach / intake) * 60) };
}

/** The usual pour band, cm beyond the bark, where a label names none. */
export const USUAL_BAND = { inner: 15, outer: 45 };
