import type { Label } from '../label/schema';
import { UNSAID } from '../prescribe/unsaid';
import type { TreatmentContext } from '../gates/context';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { StageDate } from '../season/stages';
import type { HostYear } from '../season/year';
import { findCondition, findHost, heatModels, regionOf, trainingLabels } from '@/knowledge';
import type { Ground } from './assign';

/** For tests: stages of an orchard in two seasons, days either way of them. */
export const STAGES_OF: [code: StageDate['code'], monthDay: string][] = [
  [1, '02-25'],
  [7, '03-14'],
  [57, '04-11'],
  [60, '04-19'],
  [65, '04-23'],
  [69, '05-03'],
  [19, '05-08'],
  [71, '05-14'],
  [92, '10-10'],
  [93, '10-25'],
  [95, '11-09'],
  [97, '11-23'],
];
export const yearOf = (from: number, shift = 0): HostYear => ({
  stages: [from, from + 1].flatMap((y) =>
    STAGES_OF.map(([code, md]): StageDate => {
      const day = dayAfter(`${y}-${md}`, shift, 'days');
      return {
        code,
        day,
        earliest: dayAfter(day, -9, 'days'),
        latest: dayAfter(day, 9, 'days'),
        rests: 'years',
        moved: 0,
        by: null,
      };
    }),
  ),
  heat: [from, from + 1].flatMap((y) =>
    heatModels
      .filter((m) => m.from === 'new year')
      .map((m) => ({
        modelId: m.id,
        what: m.what,
        conditionId: m.condition,
        from: `${y}-01-01`,
        day: `${y}-05-05`,
        earliest: `${y}-04-28`,
        latest: `${y}-05-12`,
        rests: 'past' as const,
        reached: { years: 10, of: 10 },
      })),
  ),
});

export const TODAY: LocalDate = '2026-11-26';
/** A healthy tree of a host, measured, with everything that a plan asks for. */
export const tree = (hostId = 'apple', more: Partial<TreatmentContext> = {}): TreatmentContext => ({
  ...UNSAID,
  supervised: true,
  on: TODAY,
  host: findHost(hostId)!,
  hostConfirmed: true,
  crownLoss: 3,
  vigour: 'good',
  year: yearOf(2026),
  reading: { day: '2026-06-01', diameters: [18], heightCm: 130, doubts: [], arcs: [] },
  crown: { shape: 'ellipsoid', widthM: 4, depthM: 3 },
  heightM: 4,
  siteAreaM2: 11_000,
  water: 'none within 100 m',
  soilTexture: 'loam',
  region: regionOf('estuary'),
  harvest: { from: '2027-09-25', to: '2027-10-20' },
  licence: { number: 'L', categories: ['tree injection', 'ornamental', 'orchard'], expires: '2035-01-01' },
  checked: Object.fromEntries(trainingLabels.map((l) => [l.key, '2026-11-01'])),
  ...more,
});

export const labelsOf = (...starts: string[]): Label[] =>
  trainingLabels.filter((l) => starts.some((s) => l.key.startsWith(`training-${s}`)));

/** What a programme is laid on, unless a test says otherwise. */
export const ground = (more: Partial<Ground> = {}): Ground => ({
  treatmentContext: tree(),
  shelf: trainingLabels,
  condition: findCondition,
  detections: {},
  choices: { soil: 'moist', leaf: null, temperatureC: 8, windMs: 2, rainNext24Mm: 0 },
  work: {
    on: TODAY,
    south: false,
    customWorks: [],
    system: 'metric',
    tag: '1',
    host: { id: 'apple', name: 'Apple', groups: ['apple', 'pome'], growthCmPerYear: 1, edible: true },
    diameterCm: 18,
    heightM: 4,
    crownWidthM: 4,
    texture: 'loam',
    condition: null,
    mainRoots: [],
    group: null,
    zoneSchool: '12',
    woundSchool: 'none',
    meshSchool: 'metal',
    closedSeasons: [],
    region: 'Estuary',
  },
  had: [],
  from: TODAY,
  until: '2027-11-25',
  standing: [],
  worn: [],
  ...more,
});
