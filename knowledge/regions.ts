import type { Region } from '@/core/gates/gate';

/** Two fictional regions; an outfit chooses one. Elmhorn never states that a use is legal. */
export const regions: Record<string, Region> = {
  estuary: {
    name: 'Estuary District',
    soilSystemicForbiddenOn: ['lime'],
    minWaterDistanceM: 10,
    licenceNeeded: true,
    presence: {
      'dutch-elm-disease': 2,
      'ash-dieback': 2,
      'emerald-ash-borer': 0.3,
      'oak-wilt': 0.03,
      'citrus-greening': 0.03,
      'canker-stain': 0.3,
      'sudden-oak-death': 0.3,
      'hemlock-woolly-adelgid': 2,
    },
  },
  upland: {
    name: 'Upland District',
    soilSystemicForbiddenOn: [],
    minWaterDistanceM: 20,
    licenceNeeded: true,
    presence: { 'emerald-ash-borer': 2, 'oak-wilt': 1, 'ash-dieback': 0.03, 'citrus-greening': 0.3 },
  },
};
export const regionOf = (key: string): Region => regions[key] ?? regions.estuary!;
