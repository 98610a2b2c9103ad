import type { AreaKind, PointKind } from '@/core/site-map/site-map';
import type { Vessel } from '@/core/dose/vessels';

/** A box on the plan, in metres from its middle: west, south, width, depth. */
type Box = [x: number, y: number, w: number, h: number];
export interface SiteSample {
  client: string;
  contact: string;
  name: string;
  address: string;
  areaM2: number;
  soil: 'sandy' | 'loam' | 'clay';
  waterM: number | null;
  lat: number;
  lon: number;
  access: string;
  hazards: string;
  dogs: string;
  notes: string;
  gateCode?: string;
  picking?: boolean;
  /** When one may be there, as it is typed. */
  hours?: string;
  /** The plan: half sizes of the outline, how the trees stand, and what else is there. */
  plan: {
    half: [x: number, y: number];
    rows: { columns: number; dx: number; dy: number; x?: number };
    areas: [kind: AreaKind, name: string, box: Box][];
    points: [kind: PointKind, name: string, x: number, y: number][];
    slope?: { downDeg: number; percent: number };
  };
  /** Tags from `first`; hosts take turns. */
  trees: { first: number; count: number; hosts: string[]; girth: [number, number]; height: [number, number] };
}

export const places: SiteSample[] = [
  {
    client: 'Oxmere Town Council',
    contact: 'Parks desk, 01 555 0140',
    name: 'Quay Avenue',
    address: 'Quay Avenue, Oxmere',
    areaM2: 6200,
    soil: 'loam',
    waterM: 24,
    lat: 50.3312,
    lon: -4.1205,
    access: 'Park on the gravel by the old weighbridge. One lane stays open.',
    hazards: 'Buses turn at the south end until nine.',
    dogs: '',
    notes: 'Double row of elms, planted about 1890. The quay drains run 24 m from the nearest trunk.',
    plan: {
      half: [22, 70.5],
      rows: { columns: 2, dx: 13, dy: 7.4 },
      areas: [
        ['paving', 'Quay Avenue', [-3.5, -70, 7, 140]],
        ['water', 'Quay basin', [-62, -70, 30, 140]],
        ['building', 'Weighbridge', [14, 40, 7, 12]],
        ['flowers', 'Daffodil bank', [15, -40, 6, 22]],
      ],
      points: [
        ['drain', 'Drain 3', -31, 10],
        ['drain', 'Drain 4', -31, -38],
        ['play', 'Benches', 17, 8],
      ],
    },
    trees: { first: 101, count: 36, hosts: ['wych-elm', 'field-elm', 'wych-elm'], girth: [92, 262], height: [13, 24] },
  },
  {
    client: 'Saint Brannoc’s Hospital',
    contact: 'Estates office, 01 555 0177',
    name: 'Hospital car park',
    address: '2 Infirmary Lane, Oxmere',
    areaM2: 3900,
    soil: 'clay',
    waterM: 40,
    lat: 50.3341,
    lon: -4.1162,
    access: 'Report to the barrier; bays under the limes are coned off by six.',
    hazards: 'Ambulances. Parked cars get honeydew, never product.',
    dogs: '',
    notes: 'Complaints about sticky cars every June.',
    hours: 'Mon–Fri 06:00–12:00\nSat–Sun 06:00–18:00',
    gateCode: 'C-4071',
    plan: {
      half: [20, 48.75],
      rows: { columns: 2, dx: 16, dy: 8.4 },
      areas: [
        ['paving', 'Bays 1–40', [-5.5, -46, 11, 92]],
        ['building', 'Outpatients', [12, -20, 8, 34]],
        ['neighbour', 'Nurses’ homes', [21, -48, 14, 60]],
      ],
      points: [['drain', 'Gully', 0, -47]],
    },
    trees: { first: 201, count: 20, hosts: ['common-lime', 'small-leaved-lime'], girth: [70, 190], height: [10, 19] },
  },
  {
    client: 'Hendra family, growers',
    contact: 'Jory Hendra, 01 555 0129',
    name: 'Ferry orchard',
    address: 'Ferry Road, Oxmere',
    areaM2: 11400,
    soil: 'loam',
    waterM: 60,
    lat: 50.3277,
    lon: -4.1288,
    access: 'Through the yard; shut both gates.',
    hazards: 'Two hives behind the press house.',
    dogs: 'Bess, loud and friendly',
    notes: 'Old cider sorts on their own roots or M25. Picking from late September.',
    picking: true,
    plan: {
      half: [47.5, 60],
      rows: { columns: 6, dx: 13, dy: 14 },
      areas: [
        ['building', 'Press house', [32, 44, 14, 14]],
        ['bed', 'Kitchen garden', [-46, -58, 20, 12]],
        ['flowers', 'Clover under the last row', [-30, -58, 60, 9]],
        ['neighbour', 'Ferry Road', [-60, -60, 12, 120]],
      ],
      points: [['hive', 'Two hives', 28, 56]],
    },
    trees: { first: 1, count: 42, hosts: ['cider-apple', 'cider-apple', 'pear'], girth: [34, 118], height: [4, 9] },
  },
  {
    client: 'Quayside School',
    contact: 'Caretaker, 01 555 0163',
    name: 'School grounds',
    address: '14 Lantern Street, Oxmere',
    areaM2: 5200,
    soil: 'clay',
    waterM: -1,
    lat: 50.3329,
    lon: -4.1231,
    access: 'After four, or in the holidays.',
    hours: 'Mon–Fri 15:30–19:30\nSat 08:00–18:00',
    hazards: 'Children. Nothing hangs unattended.',
    dogs: '',
    notes: 'Planes on the playground, young birches along the fence, planted deep.',
    gateCode: '1908#',
    plan: {
      half: [40, 32.5],
      rows: { columns: 5, dx: 15, dy: 12 },
      areas: [
        ['building', 'School', [-38, 22.5, 48, 9.5]],
        ['paving', 'Playground', [-28, -4, 34, 8]],
        ['bed', 'School garden', [22, -30, 14, 9]],
        ['neighbour', 'Lantern Street', [-46, -46, 92, 13]],
      ],
      points: [['play', 'Climbing frame', 20, 2]],
    },
    trees: {
      first: 301,
      count: 20,
      hosts: ['silver-birch', 'silver-birch', 'london-plane'],
      girth: [38, 205],
      height: [6, 20],
    },
  },
  {
    client: 'Oxmere Water',
    contact: 'Well field duty line, 01 555 0111',
    name: 'Well field ravine',
    address: 'Combe Track, Oxmere',
    areaM2: 21000,
    soil: 'sandy',
    waterM: 18,
    lat: 50.3402,
    lon: -4.1094,
    access: 'Key at the pump house. Four-wheel drive after rain.',
    hazards: 'Steep. Wells 1 to 3 lie below the lower row.',
    dogs: '',
    notes: 'Hemlocks and spruces shade the wells; nothing may reach the water.',
    gateCode: 'KEY 7',
    plan: {
      half: [70, 75],
      rows: { columns: 2, dx: 26, dy: 8.6, x: 10 },
      areas: [
        ['building', 'Pump house', [-60, -60, 10, 8]],
        ['water', 'Combe stream', [-52, -75, 4, 150]],
      ],
      points: [
        ['well', 'Well 1', -36, -30],
        ['well', 'Well 2', -36, 5],
        ['well', 'Well 3', -36, 38],
      ],
      slope: { downDeg: 265, percent: 22 },
    },
    trees: {
      first: 401,
      count: 30,
      hosts: ['western-hemlock', 'western-hemlock', 'norway-spruce', 'douglas-fir'],
      girth: [80, 240],
      height: [14, 31],
    },
  },
  {
    client: 'Oxmere Town Council',
    contact: 'Parks desk, 01 555 0140',
    name: 'Church green',
    address: 'Saint Piran’s Green, Oxmere',
    areaM2: 4800,
    soil: 'loam',
    waterM: null,
    lat: 50.3296,
    lon: -4.1177,
    access: 'Open. Keep off during services.',
    hazards: 'Lime-rich soil over old rubble.',
    dogs: 'Everybody’s',
    notes: 'Nobody has paced the distance to the conduit yet.',
    plan: {
      half: [40, 30],
      rows: { columns: 5, dx: 16, dy: 18 },
      areas: [
        ['building', 'Saint Piran’s', [-9, -9, 18, 10]],
        ['flowers', 'Churchyard meadow', [14, -28, 24, 16]],
        ['paving', 'Path', [-1, -30, 2, 21]],
      ],
      points: [],
    },
    trees: {
      first: 501,
      count: 14,
      hosts: ['pedunculate-oak', 'common-ash', 'horse-chestnut', 'rowan'],
      girth: [60, 330],
      height: [8, 22],
    },
  },
];

export const vessels: Omit<Vessel, 'id'>[] = [
  { name: '10 mL syringe', dimension: 'volume', capacity: 10, graduation: 0.5 },
  { name: '60 mL syringe', dimension: 'volume', capacity: 60, graduation: 1 },
  { name: '100 mL cylinder', dimension: 'volume', capacity: 100, graduation: 1 },
  { name: '250 mL jug', dimension: 'volume', capacity: 250, graduation: 5 },
  { name: '1 L jug', dimension: 'volume', capacity: 1000, graduation: 10 },
  { name: '5 L jug', dimension: 'volume', capacity: 5000, graduation: 100 },
  { name: 'Field scale 200 g', dimension: 'mass', capacity: 200, graduation: 0.1 },
  { name: 'Kitchen-type scale 2 kg, pesticides only', dimension: 'mass', capacity: 2000, graduation: 1 },
];

export const sprayers = [
  { name: '15 L knapsack', holds_ml: 15_000, flow_ml_min: 1400 },
  { name: '200 L barrow sprayer', holds_ml: 200_000, flow_ml_min: 6200 },
  { name: '5 L hand sprayer', holds_ml: 5000, flow_ml_min: 600 },
];

/** What lies in the van beside products; sizes in mm and mL as in the table of equipment. */
export const equipment = [
  { kind: 'bit', name: 'Brad-point bit 5 mm', size_mm: 5, holds_ml: null, count: 3 },
  { kind: 'bit', name: 'Brad-point bit 6 mm', size_mm: 6, holds_ml: null, count: 2 },
  { kind: 'bit', name: 'Bit 9 mm', size_mm: 9, holds_ml: null, count: 2 },
  { kind: 'capsule', name: 'Empty capsules', size_mm: null, holds_ml: 4, count: 60 },
  { kind: 'pressure bottle', name: 'Pressure bottle with valve', size_mm: null, holds_ml: 20, count: 24 },
  { kind: 'low-pressure bottle', name: 'Spring bottle', size_mm: null, holds_ml: 30, count: 30 },
  { kind: 'tee infusion', name: 'Tee with seal', size_mm: null, holds_ml: null, count: 40 },
  { kind: 'drill', name: 'Cordless drill with depth stop', size_mm: null, holds_ml: null, count: 2 },
  { kind: 'probe', name: 'Soil probe, 1 m lance', size_mm: null, holds_ml: null, count: 1 },
  { kind: 'tool', name: 'Air spade and compressor', size_mm: null, holds_ml: null, count: 1 },
];
/** Amounts in mL or g below which a product is to be ordered. */
export const levels: { label: string; below: number }[] = [
  { label: 'training-01-drench', below: 1500 },
  { label: 'training-03-borer-injection', below: 1200 },
  { label: 'training-18-bacillus', below: 500 },
];

/** Lots in store: amount delivered in mL or g, and months until they expire. */
export const lots: { label: string; number: string; amount: number; months: number }[] = [
  { label: 'training-01-drench', number: '25-118', amount: 900, months: 3 },
  { label: 'training-01-drench', number: '26-031', amount: 5000, months: 14 },
  { label: 'training-02-elm-infusion', number: 'E-77', amount: 12000, months: 9 },
  { label: 'training-03-borer-injection', number: 'B-203', amount: 1000, months: 18 },
  { label: 'training-04-bark-class', number: '4-1192', amount: 2500, months: 11 },
  { label: 'training-05-phosphonate', number: 'P-5', amount: 2000, months: -1 },
  { label: 'training-06-iron', number: 'FE-16', amount: 1500, months: 20 },
  { label: 'training-10-neem-bottle', number: 'N-31', amount: 1000, months: 10 },
  { label: 'training-13-probe', number: '13-07', amount: 2000, months: 16 },
  { label: 'training-14-feed-slow', number: 'SF-9', amount: 40_000, months: 30 },
  { label: 'training-18-bacillus', number: 'BT-2', amount: 1500, months: 7 },
  { label: 'training-20-sulphur', number: 'S-88', amount: 5000, months: 22 },
  { label: 'training-22-dormant-oil', number: 'OIL-4', amount: 20_000, months: 24 },
  { label: 'training-23-copper', number: 'CU-12', amount: 4000, months: 18 },
];

/** Growth stages seen at a place, by month and day of the season before today: host, BBCH code, when. */
export const seenStages: Readonly<Record<string, [hostId: string, code: number, monthDay: string][]>> = {
  'Quay Avenue': [
    ['wych-elm', 9, '04-04'],
    ['wych-elm', 19, '05-17'],
  ],
  'Ferry orchard': [
    ['cider-apple', 7, '03-14'],
    ['cider-apple', 65, '04-29'],
  ],
  'Hospital car park': [['common-lime', 11, '04-19']],
};

/** Who goes out together, by the names of the sample people; they start from the yard on the quay. */
export const crews = [
  {
    name: 'Quay crew',
    people: ['Idris Pellow', 'Wren Askew'],
    hours: 'Mon–Fri 07:00–12:00\nMon–Fri 12:30–16:30',
    least: 1,
  },
  {
    name: 'Late van',
    people: ['Maren Tolgarth'],
    hours: 'Tue–Thu 10:00–14:00\nTue–Thu 14:45–19:30\nSat 08:00–13:00',
    least: 1,
  },
];
export const YARD = { lat: 50.3301, lon: -4.1192 };

/** Work and looks of a season that wait for a crew: on which trees of a place's rows, and in which months. */
export interface OfSeason {
  place: string;
  months: readonly number[];
  /** Trees by their position in the rows, the last one left out. */
  trees: readonly [from: number, to: number];
  does: { work: string; answers?: Record<string, string | number | boolean> } | { look: string; because: string };
}
const WINTER = [12, 1, 2];
export const ofSeason: readonly OfSeason[] = [
  // Young apples wait for their guards before the snow, and have them checked all winter.
  {
    place: 'Ferry orchard',
    months: [9, 10, 11, 12, 1, 2, 3],
    trees: [0, 4],
    does: { work: 'guard', answers: { rabbits: true } },
  },
  { place: 'Ferry orchard', months: [...WINTER, 3], trees: [4, 9], does: { work: 'open-crown' } },
  { place: 'Ferry orchard', months: WINTER, trees: [9, 15], does: { work: 'sanitation' } },
  {
    place: 'Ferry orchard',
    months: WINTER,
    trees: [15, 18],
    does: {
      look: 'Count eggs on twenty spurs',
      because: 'Mites and scale winter on the bark: the count says whether oil is due.',
    },
  },
  {
    place: 'Ferry orchard',
    months: [1, 2, 3],
    trees: [18, 20],
    does: { look: 'Are the buds still shut?', because: 'Oil goes on until they swell.' },
  },
  { place: 'Ferry orchard', months: [4, 5], trees: [4, 7], does: { work: 'tie-release' } },
  { place: 'Ferry orchard', months: [6, 7], trees: [4, 8], does: { work: 'bagging' } },
  { place: 'Hospital car park', months: [7, 8], trees: [0, 4], does: { work: 'water-shoots' } },
  {
    place: 'Hospital car park',
    months: WINTER,
    trees: [0, 3],
    does: { look: 'Crossing and torn limbs, bare of leaves', because: 'What is seen now is cut before the sap rises.' },
  },
  { place: 'School grounds', months: [...WINTER, 3], trees: [2, 5], does: { work: 'mulch' } },
  { place: 'School grounds', months: [5, 6, 7, 8], trees: [2, 5], does: { work: 'water' } },
  { place: 'Quay Avenue', months: WINTER, trees: [5, 6], does: { work: 'ivy-window' } },
];
