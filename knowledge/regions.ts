import type { Region } from '@/core/gates/gate';

/** Two fictional regions; an outfit chooses one. Elmhorn never states that a use is legal. */
export const regions: Record<string, Region> = {
  estuary: { name: 'Estuary District', soilSystemicForbiddenOn: ['lime'], minWaterDistanceM: 10, licenceNeeded: true },
  upland: { name: 'Upland District', soilSystemicForbiddenOn: [], minWaterDistanceM: 20, licenceNeeded: true },
};
export const regionOf = (key: string): Region => regions[key] ?? regions.estuary!;
