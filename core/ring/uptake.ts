import type { LeafState } from '../diagnose/words';
import type { Device } from '../label/methods';
import type { Ml } from '../units/units';
import { vapourDeficit, type SoilState } from '../weather/air';

/** Minutes for 10 mL a site into a well watered, transpiring tree at 1.2 kPa: practice figures, to be replaced by one's own log. */
const BASE_MINUTES: Record<Device, number> = {
  capsule: 40,
  'pressure bottle': 8,
  'low-pressure bottle': 25,
  'tee infusion': 6,
};

export interface Uptake {
  minutes: number;
  /** Entries of the outfit's own log behind it; 0 for the estimate. */
  n: number;
  parts: { what: string; factor: number }[];
  sentence: string;
}

/**
 * From start to empty: an estimate by device, amount, drought of the air, soil and leaf; the median of the outfit's own log
 * of this product once that has five entries.
 * @param log minutes from start to empty at earlier injections
 */
export function uptake(
  u: {
    device: Device;
    mlPerSite: Ml;
    temperatureC: number;
    humidity: number;
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
  const deficit = vapourDeficit(u.temperatureC, u.humidity);
  const parts = [
    { what: `${Math.round(u.mlPerSite * 10) / 10} mL a site`, factor: Math.max(0.2, u.mlPerSite / 10) },
    {
      what: `air pulls with ${deficit.toFixed(2)} kPa`,
      factor: Math.min(4, Math.max(0.5, 1.2 / Math.max(0.15, deficit))),
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
  const minutes = parts.reduce((m, p) => m * p.factor, BASE_MINUTES[u.device]);
  return {
    minutes,
    n: 0,
    parts: [{ what: `${u.device}, 10 mL in good weather: ${BASE_MINUTES[u.device]} min`, factor: 1 }, ...parts],
    sentence: `About ${minutes < 90 ? `${Math.round(minutes)} minutes` : `${(minutes / 60).toFixed(1)} hours`} from start to empty: an estimate, not a promise.`,
  };
}
