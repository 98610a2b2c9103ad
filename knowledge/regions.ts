import { z } from 'zod';
import { regionSchema, type Region } from '@/core/gates/region';

/** Organisms that most plant health services want to hear of, wherever they are found. */
const LISTED = [
  'asian-longhorn',
  'citrus-greening',
  'emerald-ash-borer',
  'laurel-wilt',
  'oak-wilt',
  'pine-wilt',
  'pitch-canker',
  'plum-pox',
  'polyphagous-borer',
  'red-palm-weevil',
  'spotted-lanternfly',
  'sudden-oak-death',
  'thousand-cankers',
  'xylella',
];
/** Not known there; a find would be the first. */
const absent = (...ids: string[]) => Object.fromEntries(ids.map((id) => [id, 0.03]));
const rare = (...ids: string[]) => Object.fromEntries(ids.map((id) => [id, 0.3]));
const spreading = (...ids: string[]) => Object.fromEntries(ids.map((id) => [id, 2]));

/**
 * A blank profile to begin with, and four fictional regions: cool maritime, continental, Mediterranean and southern temperate. They are shipped unchecked: whoever
 * works in one reads it against the rules in force, changes it and signs it. Elmhorn never states that a use is legal.
 */
export const regions: Record<string, Region> = z.record(z.string(), regionSchema).parse({
  /** For whoever begins: no rule of a place that is not theirs, only what is prudent anywhere. */
  blank: {
    name: 'Own district, nothing entered yet',
    minWaterDistanceM: 20,
    minBoundaryDistanceM: 1,
    licenceNeeded: true,
    reportable: LISTED,
    labelCheckMonths: 12,
  },
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
    reportable: [...LISTED, 'canker-stain', 'oak-processionary'],
    recordYears: 3,
    recordFields: ['licence', 'registration', 'lot', 'weather', 'area'],
    labelCheckMonths: 24,
    presence: {
      'dutch-elm-disease': 2,
      'ash-dieback': 2,
      'emerald-ash-borer': 0.3,
      'oak-wilt': 0.03,
      'citrus-greening': 0.03,
      'canker-stain': 0.3,
      'sudden-oak-death': 0.3,
      'hemlock-woolly-adelgid': 2,
      ...absent(
        'laurel-wilt',
        'pine-wilt',
        'pitch-canker',
        'polyphagous-borer',
        'spotted-lanternfly',
        'thousand-cankers',
        'apple-maggot',
        'plum-curculio',
        'bur-oak-blight',
      ),
      ...rare('asian-longhorn', 'red-palm-weevil', 'plum-pox', 'xylella'),
      ...spreading('massaria-plane', 'sooty-bark'),
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
    reportable: LISTED,
    presence: {
      'emerald-ash-borer': 2,
      'oak-wilt': 1,
      'ash-dieback': 0.03,
      'citrus-greening': 0.3,
      ...absent('red-palm-weevil', 'xylella', 'canker-stain', 'oak-processionary', 'pine-processionary'),
      ...rare('asian-longhorn', 'pitch-canker', 'polyphagous-borer', 'plum-pox'),
      ...spreading('spotted-lanternfly', 'thousand-cankers'),
    },
  },
  salina: {
    name: 'Cape Salina District',
    minWaterDistanceM: 15,
    minBoundaryDistanceM: 3,
    licenceNeeded: true,
    licenceClasses: ['ornamental', 'tree injection', 'orchard'],
    reserved: [
      { active: 'emamectin benzoate', category: 'tree injection', why: 'Only with the licence for trunk injection.' },
    ],
    bannedUses: [
      { method: 'foliar-spray', hosts: ['olive'], why: 'No cover sprays on olives in streets and gardens.' },
      { method: 'dust', hosts: ['citrus', 'carob'], why: 'No dusts on trees that bees work.' },
    ],
    closedSeasons: [
      {
        hosts: ['palm'],
        from: '03-01',
        to: '11-30',
        why: 'The palm weevil flies to the smell of fresh cuts.',
      },
      {
        hosts: ['pine'],
        from: '04-01',
        to: '09-30',
        why: 'Bark beetles fly to fresh wood.',
      },
      {
        hosts: ['plane'],
        from: '01-01',
        to: '12-31',
        why: 'Canker stain: no cut on planes without a notice to the authority.',
        diseaseCuts: false,
      },
    ],
    notify: { methods: ['foliar-spray', 'dormant-spray', 'bait'], hours: 48 },
    reportable: [...LISTED, 'canker-stain', 'citrus-tristeza', 'citrus-canker', 'citrus-psyllid'],
    recordYears: 5,
    recordFields: ['licence', 'registration', 'lot', 'weather', 'area', 'harvest'],
    labelCheckMonths: 12,
    presence: {
      ...absent('emerald-ash-borer', 'oak-wilt', 'citrus-greening', 'laurel-wilt', 'apple-maggot', 'plum-curculio'),
      ...rare('polyphagous-borer', 'citrus-canker', 'pine-wilt', 'pitch-canker', 'asian-longhorn'),
      ...spreading('red-palm-weevil', 'xylella', 'cypress-canker', 'canker-stain', 'pine-processionary', 'fruit-fly'),
    },
  },
  southdown: {
    name: 'Southdown Plains',
    soilSystemicForbiddenOn: ['eucalyptus'],
    minWaterDistanceM: 20,
    licenceNeeded: true,
    licenceClasses: ['ornamental', 'tree injection', 'orchard'],
    closedSeasons: [
      {
        hosts: ['elm'],
        from: '10-15',
        to: '02-28',
        why: 'Beetles fly to fresh cuts from spring to the end of summer.',
      },
    ],
    notify: { methods: ['foliar-spray', 'dormant-spray'], hours: 24 },
    reportable: [...LISTED, 'dutch-elm-disease', 'fire-blight', 'citrus-canker', 'citrus-psyllid', 'chestnut-blight'],
    recordYears: 3,
    recordFields: ['licence', 'registration', 'lot', 'weather'],
    labelCheckMonths: 24,
    presence: {
      ...absent(
        'dutch-elm-disease',
        'ash-dieback',
        'emerald-ash-borer',
        'oak-wilt',
        'fire-blight',
        'citrus-greening',
        'oak-processionary',
        'pine-processionary',
        'hemlock-woolly-adelgid',
        'xylella',
        'massaria-plane',
        'apple-maggot',
        'plum-curculio',
        'spongy-moth',
      ),
      ...spreading('polyphagous-borer', 'fruit-fly', 'eucalyptus-psyllid'),
    },
  },
});
export const regionOf = (key: string): Region =>
  (Object.hasOwn(regions, key) ? regions[key] : undefined) ?? regions.estuary!;
