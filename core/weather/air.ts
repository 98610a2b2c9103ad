import type { Instant } from '../../lib/calendar/zone';

/** Saturation vapour pressure over water, kPa (Tetens 1930), at `t` °C. */
export const saturation = (t: number) => 0.6108 * Math.exp((17.27 * t) / (t + 237.3));

/**
 * Vapour-pressure deficit, kPa: how hard the air pulls on the leaf.
 * @param t air temperature, °C
 * @param humidity relative humidity, %
 * @example vapourDeficit(26, 48) // 1.74794871087331
 */
export const vapourDeficit = (t: number, humidity: number): number => saturation(t) * (1 - humidity / 100);

/** The weather at one place and moment, from a station or typed by hand; null is what nobody measured. */
export interface Weather {
  at: Instant;
  temperatureC: number | null;
  humidity: number | null;
  windMs: number | null;
  windFromDeg: number | null;
  rainMm: number | null;
  /** Rain expected in the next 24 h, mm. */
  rainNext24Mm: number | null;
  /** Rain of the coming hours, mm an hour, the next hour first; missing where a station has no forecast by the hour. */
  rainByHour?: number[];
  soilTemperatureC: number | null;
  /** Soil moisture as a share of what the soil can hold, 0 to 1; above 0.95 it is saturated. */
  soilMoisture: number | null;
  sky: 'clear' | 'broken' | 'overcast' | null;
}

/** The weather where nothing measures it: whoever works there says what it is. */
export const unmeasured = (at: string): Weather => ({
  at,
  temperatureC: null,
  humidity: null,
  windMs: null,
  windFromDeg: null,
  rainMm: null,
  rainNext24Mm: null,
  soilTemperatureC: null,
  soilMoisture: null,
  sky: null,
});

export const SOIL_WORDS = ['moist', 'dry', 'water-repellent', 'sodden', 'saturated', 'frozen'] as const;
export type SoilState = (typeof SOIL_WORDS)[number];

/** What the ground is like under this weather, in the words of the gates; null where nothing measured it. */
export function soilState(w: Pick<Weather, 'soilTemperatureC' | 'soilMoisture'>): SoilState | null {
  if (w.soilTemperatureC === null || w.soilMoisture === null) return null;
  if (w.soilTemperatureC <= 0) return 'frozen';
  if (w.soilMoisture > 0.95) return 'saturated';
  if (w.soilMoisture > 0.85) return 'sodden';
  return w.soilMoisture < 0.2 ? 'dry' : 'moist';
}

/** Rain of an hour that wets a leaf, mm. */
export const WETS_A_LEAF_MM = 0.2;
