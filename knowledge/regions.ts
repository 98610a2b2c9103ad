import { z } from 'zod';
import { regionSchema, type Region } from '@/core/gates/region';

/** Two fictional regions; an outfit chooses one and may change it. Elmhorn never states that a use is legal. */
export const regions: Record<string, Region> = z.record(z.string(), regionSchema).parse({
  estuary: {
    name: 'Estuary District',
    soilSystemicForbiddenOn: ['lime'],
    minWaterDistanceM: 10,
    minBoundaryDistanceM: 1,
    licenceNeeded: true,
    licenceClasses: ['ornamental', 'tree injection', 'orchard'],
    banned: [{ active: 'lindane', why: 'Withdrawn for good.' }],
    reserved: [
      { active: 'emamectin benzoate', category: 'tree injection', why: 'Only with the licence for trunk injection.' },
    ],
    bannedUses: [{ method: 'dust', hosts: ['lime'], why: 'No dusts on trees that bees work.' }],
    closedSeasons: [
      { hosts: ['elm'], from: '04-15', to: '08-31', why: 'Beetles that carry the elm disease fly to fresh cuts.' },
    ],
    notify: { methods: ['foliar-spray', 'dormant-spray'], hours: 48 },
    reportable: ['emerald-ash-borer', 'canker-stain', 'sudden-oak-death', 'oak-processionary'],
    recordYears: 3,
    recordFields: ['licence', 'registration', 'lot', 'weather', 'area'],
    labelCheckMonths: 24,
    checked: { by: 'Maren Tolgarth', on: '2026-09-14' },
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
    minWaterDistanceM: 20,
    licenceNeeded: true,
    licenceClasses: ['ornamental', 'tree injection'],
    closedSeasons: [
      { hosts: ['oak'], from: '04-01', to: '07-31', why: 'Sap beetles carry the oak wilt to fresh cuts.' },
    ],
    recordYears: 5,
    labelCheckMonths: 12,
    presence: { 'emerald-ash-borer': 2, 'oak-wilt': 1, 'ash-dieback': 0.03, 'citrus-greening': 0.3 },
  },
});
export const regionOf = (key: string): Region =>
  (Object.hasOwn(regions, key) ? regions[key] : undefined) ?? regions.estuary!;
