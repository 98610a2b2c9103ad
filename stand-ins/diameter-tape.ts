import type { StemReading } from '@/core/measure/trunk';

/** What the app asks of a tape, laser or caliper that sends its readings. */
export interface DiameterTape {
  name: string;
  /** The next reading around the trunk in hand. */
  read(): StemReading;
}

/**
 * A simulated diameter tape: it reads a trunk that has grown a little since the last reading, so that a tree can be
 * measured without standing beside it.
 * @param lastDiameterCm the trunk as it was read last; null for a tree never measured
 */
export function simulatedTape(lastDiameterCm: number | null, yearsSince: number): DiameterTape {
  const diameter = lastDiameterCm === null ? 32.4 : lastDiameterCm + Math.min(6, 0.6 * Math.max(0, yearsSince)) + 0.1;
  return {
    name: 'Simulated diameter tape',
    read: () => ({ kind: 'diameter', typed: { value: Math.round(diameter * 10) / 10, unit: 'cm' } }),
  };
}
