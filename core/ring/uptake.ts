import type { LeafState } from '../season/leaf-state';
import type { Device } from '../label/methods';
import type { Ml } from '../../lib/units/units';
import { vapourDeficit, type SoilState } from '../weather/air';

/** Minutes for a usual amount a site into a well watered, transpiring tree at 1.2 kPa: practice figures, to be replaced by one's own log. */
const USUAL: Record<Device, { minutes: number; ml: Ml }> = {
  capsule: { minutes: 40, ml: 4 },
  'pressure bottle': { minutes: 8, ml: 20 },
  'low-pressure bottle': { minutes: 25, ml: 20 },
  'tee infusion': { minutes: 120, ml: 1000 },
};

export interface Uptake {
  minutes: number;
  /** Entries of the company's own log behind it; 0 for the estimate. */
  n: number;
  parts: { what: string; factor: number }[];
  sentence: string;
}

/**
 * From start to empty: an estimate by device, amount, drought of the air, soil and leaf; the median of the company's own log
 * of this product once that has five entries.
 * @param log minutes from start to empty at earlier injections
 */
export function uptake(
  u: {
    device: Device;
    mlPerSite: Ml;
    temperatureC: number | null;
    humidity: number | null;
    soil: SoilState | null;
    leaf: LeafState | null;
  },
  log: readonly number[] = [],
): Uptake {
  if (log.length >= 5) {
    const sorted = [...log].sort((a, b) => a - b);
    const mid = sorted.length >> 1;
    const minutes = sorted.length % 2 ? sorted[mid]! : (sorted[mid - 1]! + sorted[mid]!) / 2;
    return {
      minutes,
      n: log.length,
      parts: [{ what: `median of your own log, n = ${log.length}`, factor: 1 }],
      sentence: `About ${Math.round(minutes)} minutes, by your own log (n = ${log.length}).`,
    };
  }
  const usual = USUAL[u.device];
  const deficit = u.temperatureC === null || u.humidity === null ? null : vapourDeficit(u.temperatureC, u.humidity);
  const parts = [
    { what: `${Math.round(u.mlPerSite * 10) / 10} mL a site`, factor: Math.max(0.2, u.mlPerSite / usual.ml) },
    {
      what: deficit === null ? 'air not said' : `air pulls with ${deficit.toFixed(2)} kPa`,
      factor: deficit === null ? 1 : Math.min(4, Math.max(0.5, 1.2 / Math.max(0.15, deficit))),
    },
    {
      what: `soil ${u.soil ?? 'not said'}`,
      factor: u.soil === 'dry' || u.soil === 'water-repellent' ? 2 : u.soil === 'frozen' ? 6 : 1,
    },
    {
      what: `leaves ${u.leaf ?? 'not said'}`,
      factor: u.leaf === 'full' || u.leaf === null ? 1 : u.leaf === 'unfolding' ? 2 : 6,
    },
  ];
  const minutes = parts.reduce((m, p) => m * p.factor, usual.minutes);
  return {
    minutes,
    n: 0,
    parts: [{ what: `${u.device}, ${usual.ml} mL in good weather: ${usual.minutes} min`, factor: 1 }, ...parts],
    sentence: `About ${minutes < 90 ? `${Math.round(minutes)} minutes` : `${(minutes / 60).toFixed(1)} hours`} from start to empty: an estimate, not a promise.`,
  };
}
