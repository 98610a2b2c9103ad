import { findCondition, findHost, regionOf, trainingLabels } from '@/knowledge';
import { prescribe, type Choices, type Situation } from '../prescribe/prescribe';
import { blocked } from './rules';

const label = (key: string) => trainingLabels.find((l) => l.key === key)!;
const drench = label('training-01-drench');
const infusion = label('training-02-elm-infusion');
const vessels = [{ id: 'c', name: 'cylinder', dimension: 'volume' as const, capacity: 100, graduation: 1 }];

/** A sound elm with leaf beetle, in a place and on a day on which nothing stands against a drench. */
const sound: Situation = {
  today: '2026-06-01',
  host: findHost('wych-elm')!,
  hostConfirmed: true,
  condition: findCondition('elm-leaf-beetle'),
  certainty: 'likely',
  decision: 'treat now',
  crownLoss: 10,
  vigour: 'fair',
  reading: { day: '2026-05-20', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  earlier: [],
  treeYearProduct: {},
  siteAreaM2: 6200,
  siteYearActive: {},
  water: 15,
  harvest: null,
  soilTexture: 'loam',
  oldSites: [],
  vessels,
  region: regionOf('estuary'),
  licence: { number: 'L', categories: ['ornamental', 'tree injection'], expires: '2026-06-01' },
  checked: { [drench.key]: '2026-01-01', [infusion.key]: '2026-01-01' },
};
const fair: Choices = { soil: 'moist', leaf: 'full', temperatureC: 15, windMs: 2, rainNext24Mm: 0 };
const gates = (s: Partial<Situation> = {}, c: Partial<Choices> = {}, l = drench) =>
  prescribe({ ...sound, ...s }, l, l.uses[0]!, { ...fair, ...c }).gates;
const protect = {
  condition: findCondition('dutch-elm-disease'),
  certainty: 'possible',
  decision: 'protect a sound tree',
  crownLoss: 5,
} as const;

it('lets a sound plan through', () => {
  expect(gates()).toEqual([]);
  expect(gates(protect, {}, infusion)).toEqual([expect.objectContaining({ id: 'reportable', strength: 'note' })]);
});

// Each gate: what trips it, and what just does not.
const day = (d: string) => ({ earlier: [{ day: d, labelKey: drench.key, actives: [] }] });
const cases: [id: string, strength: string, trips: ReturnType<typeof gates>, justNot: ReturnType<typeof gates>][] = [
  ['host-not-on-label', 'stop', gates({ host: findHost('london-plane')! }), gates({ host: findHost('field-elm')! })],
  [
    'target-not-on-label',
    'stop',
    gates({ condition: findCondition('sooty-mould') }),
    gates({ condition: findCondition('elm-bark-beetle') }),
  ],
  ['target-unnamed', 'stop', gates({ condition: null }), gates()],
  ['host-not-confirmed', 'hold', gates({ hostConfirmed: false }), gates()],
  [
    'diagnosis-unsure',
    'hold',
    gates({ certainty: 'possible' }),
    gates({ certainty: 'possible', decision: 'protect a sound tree' }),
  ],
  ['decided-otherwise', 'hold', gates({ decision: 'leave it alone' }), gates({ decision: 'treat in its window' })],
  ['harmless', 'hold', gates({ condition: findCondition('natural-bark-shedding') }), gates()],
  ['follower', 'hold', gates({ condition: findCondition('sooty-mould') }), gates()],
  ['follower', 'hold', gates({ liveDrivers: ['Thirst'] }), gates({ liveDrivers: [] })],
  [
    'no-effect',
    'hold',
    gates({ withoutEffect: [{ condition: 'elm-leaf-beetle', labelKey: drench.key }] }),
    gates({ withoutEffect: [{ condition: 'elm-leaf-beetle', labelKey: infusion.key }] }),
  ],
  ['crown-loss', 'hold', gates({ crownLoss: 51 }), gates({ crownLoss: 50 })],
  ['crown-loss', 'stop', gates({ ...protect, crownLoss: 6 }, {}, infusion), gates(protect, {}, infusion)],
  ['crown-loss-unknown', 'hold', gates({ crownLoss: null }), gates({ crownLoss: 0 })],
  ['vigour-low', 'hold', gates({ vigour: 'poor' }), gates({ vigour: 'fair' })],
  [
    'vigour-from-pest',
    'note',
    gates({ host: findHost('western-hemlock')!, condition: findCondition('hemlock-woolly-adelgid'), vigour: 'poor' }),
    gates({ vigour: 'poor' }),
  ],
  ['soil-saturated-frozen', 'stop', gates({}, { soil: 'saturated' }), gates({}, { soil: 'sodden' })],
  ['soil-saturated-frozen', 'stop', gates({}, { soil: 'frozen' }), gates(protect, { soil: 'frozen' }, infusion)],
  ['soil-repellent-sodden', 'hold', gates({}, { soil: 'water-repellent' }), gates({}, { soil: 'dry' })],
  ['soil-unknown', 'stop', gates({}, { soil: null }), gates()],
  ['water-too-near', 'stop', gates({ water: 14.9 }), gates({ water: 15 })],
  [
    'water-too-near',
    'stop',
    gates({ water: 15, region: regionOf('upland') }),
    gates({ water: 20, region: regionOf('upland') }),
  ],
  ['water-unknown', 'stop', gates({ water: null }), gates({ water: 'none within 100 m' })],
  [
    'bee-tree-soil-systemic',
    'stop',
    gates({ host: findHost('common-lime')!, condition: findCondition('lime-aphid') }),
    gates({ host: findHost('common-lime')!, condition: findCondition('lime-aphid'), region: regionOf('upland') }),
  ],
  [
    'bee-plant-soil-systemic',
    'hold',
    gates({ host: findHost('common-lime')!, condition: findCondition('lime-aphid'), region: regionOf('upland') }),
    gates(),
  ],
  ['interval', 'stop', gates(day('2025-06-17')), gates(day('2025-06-16'))],
  ['yearly-max', 'stop', gates(day('2026-01-02')), gates(day('2025-06-01'))],
  [
    'area-cap',
    'stop',
    gates({ siteYearActive: { imidacloprid: 279 } }),
    gates({ siteYearActive: { imidacloprid: 260 } }),
  ],
  [
    'area-cap-short',
    'stop',
    gates({ siteYearActive: { imidacloprid: 270 } }),
    gates({ siteYearActive: { imidacloprid: 268 } }),
  ],
  ['no-dose', 'stop', gates({ siteAreaM2: null }), gates()],
  [
    'size-outside-label',
    'stop',
    gates({ reading: { ...sound.reading!, diameters: [4.9] } }),
    gates({ reading: { ...sound.reading!, diameters: [5] } }),
  ],
  ['not-measured', 'stop', gates({ reading: null }), gates()],
  [
    'reading-stale',
    'hold',
    gates({ reading: { ...sound.reading!, day: '2024-05-31' } }),
    gates({ reading: { ...sound.reading!, day: '2024-06-01' } }),
  ],
  [
    'girth-diameter-mixup',
    'hold',
    gates({
      reading: {
        ...sound.reading!,
        doubts: [{ id: 'girth-diameter', mixup: true, sentence: 'Was a girth entered as a diameter?' }],
      },
    }),
    gates({ reading: { ...sound.reading!, doubts: [{ id: 'jumped', mixup: false, sentence: 'Fast.' }] } }),
  ],
  [
    'ring-short',
    'hold',
    gates(
      { ...protect, reading: { ...sound.reading!, arcs: [{ kind: 'dead-bark', from: 0, to: 250 }] } },
      {},
      infusion,
    ),
    gates({ ...protect, reading: { ...sound.reading!, arcs: [{ kind: 'wound', from: 0, to: 10 }] } }, {}, infusion),
  ],
  ['no-uptake', 'stop', gates(protect, { leaf: 'falling' }, infusion), gates(protect, { leaf: 'full' }, infusion)],
  ['leaf-unknown', 'stop', gates(protect, { leaf: null }, infusion), gates({}, { leaf: null })],
  ['temperature', 'stop', gates({}, { temperatureC: 3.9 }), gates({}, { temperatureC: 4 })],
  ['rain-coming', 'stop', gates({}, { rainNext24Mm: 1 }), gates({}, { rainNext24Mm: 0.9 })],
  [
    'window-closed',
    'hold',
    gates({ ...protect, today: '2026-04-30', reading: { ...sound.reading!, day: '2026-04-01' } }, {}, infusion),
    gates(protect, {}, infusion),
  ],
  ['licence-missing', 'stop', gates({ licence: null }), gates()],
  ['licence-expired', 'stop', gates({ licence: { ...sound.licence!, expires: '2026-05-31' } }), gates()],
  [
    'licence-category',
    'stop',
    gates({ licence: { ...sound.licence!, categories: ['tree injection'] } }),
    gates({ licence: { ...sound.licence!, categories: ['ornamental'] } }),
  ],
  ['label-not-checked', 'hold', gates({ checked: {} }), gates()],
];

describe.each(cases)('%s (%s)', (id, strength, trips, justNot) => {
  it('trips, with its sentence, its source and the way out', () => {
    const g = trips.find((x) => x.id === id);
    expect(g).toMatchObject({ id, strength });
    expect(g!.sentence.length).toBeGreaterThan(10);
    expect(g!.source.length).toBeGreaterThan(3);
    expect(g!.satisfy.length).toBeGreaterThan(3);
  });
  it('just does not', () => expect(justNot.filter((x) => x.id === id && x.strength === strength)).toEqual([]));
});

it('asks for what nobody has said instead of assuming it', () =>
  expect(
    gates({ water: null, crownLoss: null, vigour: null }, { soil: null })
      .filter((g) => g.state === 'asked')
      .map((g) => g.id)
      .sort(),
  ).toEqual(['crown-loss-unknown', 'soil-unknown', 'vigour-unknown', 'water-unknown']));

it('a hold opens with a written reason; a stop never does', () => {
  const held = gates({ hostConfirmed: false });
  expect(blocked(held, {})).toHaveLength(1);
  expect(blocked(held, { 'host-not-confirmed': '  ' })).toHaveLength(1);
  expect(blocked(held, { 'host-not-confirmed': 'Seen in fruit' })).toHaveLength(0);
  const stopped = gates({}, { soil: 'frozen' });
  expect(blocked(stopped, { 'soil-saturated-frozen': 'Thaws at noon' })).toHaveLength(1);
});
