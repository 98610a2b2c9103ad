import { gate, type Gate } from '../gates/gate';
import { girthFromDiameter } from '../measure/trunk';
import { innerRadius } from '../rootzone/probe-grid';
import { irrigate, nextWater, WATER_CAUTIONS } from '../rootzone/water';
import { anchorage, girdlingCut, mulchRing, rootZoneRadius, trenches } from '../rootzone/zone';
import { figure, showArea, showDistance, showFine, showTrunk, showVolume, type UnitSystem } from '../units/units';
import { num, rule, type Ask, type Work } from './work';

const practice = 'practice';
const services: Ask = {
  key: 'services',
  kind: 'yes',
  name: 'Buried services are located and marked',
  usual: () => false,
};
/** No spade, lance or trench before cables and pipes are marked. */
export const servicesGate = (located: boolean): Gate[] =>
  located
    ? []
    : [
        gate(
          'services-not-located',
          'stop',
          'Buried services?',
          'Nobody has said that cables, gas and water are located and marked here.',
          'duty: locate buried services before any digging or probing',
          [],
          'Have them located and marked, and say so.',
          'asked',
        ),
      ];
const cubic = (m3: number, system: UnitSystem) =>
  system === 'us'
    ? { value: figure(m3 * 1.307950619, 3), unit: 'yd³', text: `${figure(m3 * 1.307950619, 3)} yd³` }
    : { value: figure(m3, 3), unit: 'm³', text: `${figure(m3, 3)} m³` };

/** Works in the root zone. */
export const groundWorks: Work[] = [
  {
    id: 'collar',
    name: 'Free the root collar',
    method: 'excavation',
    when: (f) => f.condition?.id !== 'compaction',
    asks: [
      services,
      {
        key: 'depth',
        kind: 'number',
        name: 'Soil over the first main roots',
        unit: 'cm',
        min: 1,
        max: 80,
        usual: () => 15,
      },
      { key: 'radius', kind: 'number', name: 'Open to', unit: 'cm', min: 20, max: 200, usual: () => 60 },
      { key: 'how', kind: 'choice', name: 'With', options: ['air', 'hand tools'], usual: () => 'air' },
    ],
    workOut: (f, a) => {
      const r = f.diameterCm / 2;
      const m3 = (Math.PI * ((r + num(a, 'radius')) ** 2 - r ** 2) * num(a, 'depth')) / 1e6 / 2;
      const soil = cubic(m3, f.system);
      const anchors = anchorage(f.mainRoots);
      return {
        figures: [
          { name: 'Down to', ...pair(showTrunk(num(a, 'depth'), f.system)) },
          { name: 'Soil taken away', value: soil.value, unit: soil.unit },
        ],
        sum: [
          `a bowl from the bark to ${num(a, 'radius')} cm, ${num(a, 'depth')} cm deep at the trunk: half of the cylinder`,
          anchors.sentence,
        ],
        steps: [
          'From the outside in, never a blade against the bark; bark that was buried is thin.',
          'Down to the first main roots, no deeper. Leave the bowl open, drained to one side.',
          'Draw girdling roots: bearing, thickness, grown in or not; send what the client must agree to before cutting.',
          'Sound and probe each main root: sound, doubtful, decayed.',
        ],
        take: [
          {
            what: a['how'] === 'air' ? 'Air spade, compressor, screens' : 'Trowels, brushes, hand fork',
            amount: '1 set',
          },
          { what: 'Sheeting for soil', amount: '2' },
          { what: 'Goggles, ear protection, dust mask', amount: '1 each' },
        ],
        gates: [
          ...servicesGate(a['services'] === true),
          ...(anchors.callAssessor
            ? [
                gate(
                  'anchors-doubtful',
                  'hold',
                  'Will it stand?',
                  `${anchors.sentence} Call a qualified risk assessor before more soil is taken away.`,
                  practice,
                  f.mainRoots.filter((r) => r.state !== 'sound').map((r) => `root at ${r.bearing}°: ${r.state}`),
                  'The assessor’s word, or sound roots when they are looked at again.',
                ),
              ]
            : []),
        ],
        minutes: Math.ceil(20 + m3 * (a['how'] === 'air' ? 180 : 480)),
        followUps: [
          rule(
            'collar-look',
            'look',
            'Look at the freed collar and the crown',
            1,
            'years',
            'buried bark needs a season to harden',
          ),
        ],
      };
    },
  },
  {
    id: 'girdling',
    name: 'Cut girdling roots',
    method: 'excavation',
    asks: [
      services,
      { key: 'root', kind: 'number', name: 'Thickness of the root', unit: 'cm', min: 0.5, max: 60, usual: () => 4 },
      {
        key: 'share',
        kind: 'number',
        name: 'Of the girth it presses on',
        unit: '%',
        min: 1,
        max: 100,
        usual: () => 15,
      },
      { key: 'grownIn', kind: 'yes', name: 'It has grown into the stem', usual: () => false },
      {
        key: 'others',
        kind: 'number',
        name: 'Other roots cut today',
        unit: '',
        min: 0,
        max: 20,
        whole: true,
        usual: () => 0,
      },
    ],
    workOut: (f, a) => {
      const cut = girdlingCut(
        { diameter: num(a, 'root'), shareOfGirth: num(a, 'share') / 100, grownIn: a['grownIn'] === true },
        f.diameterCm,
      );
      return {
        figures: [{ name: 'Cut', value: cut.when, unit: '' }],
        sum: [
          cut.sentence,
          `presses on ${showTrunk((girthFromDiameter(f.diameterCm) * num(a, 'share')) / 100, f.system).text} of the girth`,
        ],
        steps: [
          'Chisel or fine saw, disinfected; a board behind it guards the bark.',
          cut.when === 'in stages'
            ? 'Take a hand’s length out at each end now; the grown-in piece comes out once it is dry.'
            : 'Both cuts flush, away from the stem.',
          'Not more than a third of the girdling roots in one year.',
        ],
        take: [{ what: 'Chisels, fine saw, mallet, 70 % alcohol', amount: '1 set' }],
        gates: [
          ...servicesGate(a['services'] === true),
          ...(cut.when === 'leave'
            ? [
                gate(
                  'girdling-leave',
                  'hold',
                  'Leave this root',
                  cut.sentence,
                  practice,
                  [`root ${num(a, 'root')} cm`],
                  'Uncover it, watch the crown, look again next year.',
                ),
              ]
            : []),
          ...(num(a, 'others') >= 3
            ? [
                gate(
                  'girdling-many',
                  'hold',
                  'Many roots in one year',
                  `${num(a, 'others')} others are cut today; the crown feels it.`,
                  practice,
                  [],
                  'Spread the cuts over two years.',
                ),
              ]
            : []),
        ],
        minutes: 25,
        followUps:
          cut.when === 'in stages'
            ? [
                rule(
                  'root-second',
                  'site-work',
                  'Take the dried piece of the girdling root out',
                  1,
                  'years',
                  'the root must dry before the grown-in piece comes off',
                ),
              ]
            : [
                rule(
                  'root-look',
                  'look',
                  'Look at the crown and the cut roots',
                  1,
                  'years',
                  'the answer takes a season',
                ),
              ],
      };
    },
  },
  {
    id: 'trenches',
    name: 'Radial trenches',
    method: 'excavation',
    when: (f) => ['compaction', 'waterlogging', 'grade-change'].includes(f.condition?.id ?? ''),
    asks: [
      services,
      { key: 'count', kind: 'number', name: 'Trenches', unit: '', min: 2, max: 24, whole: true, usual: () => 6 },
      {
        key: 'start',
        kind: 'number',
        name: 'From the trunk',
        unit: 'm',
        min: 0.5,
        max: 10,
        usual: (f) => Math.round(innerRadius(f.diameterCm) * 20) / 10,
      },
      {
        key: 'end',
        kind: 'number',
        name: 'To',
        unit: 'm',
        min: 1,
        max: 30,
        usual: (f) => Math.max(2, Math.round(rootZoneRadius(f.diameterCm, f.zoneSchool) * 10) / 10),
      },
      { key: 'width', kind: 'number', name: 'Width', unit: 'cm', min: 5, max: 60, usual: () => 20 },
      { key: 'depth', kind: 'number', name: 'Depth', unit: 'cm', min: 10, max: 60, usual: () => 30 },
    ],
    workOut: (f, a) => {
      const zoneM = rootZoneRadius(f.diameterCm, f.zoneSchool);
      const t = trenches({
        count: num(a, 'count'),
        startM: num(a, 'start'),
        endM: num(a, 'end'),
        widthM: num(a, 'width') / 100,
        depthM: num(a, 'depth') / 100,
        zoneM,
      });
      const fill = cubic(t?.backfillM3 ?? 0, f.system);
      return {
        figures: [
          { name: 'Trenches', value: String(num(a, 'count')), unit: '' },
          { name: 'Each', ...pair(showDistance(t?.lengthM ?? 0, f.system)) },
          { name: 'Backfill', value: fill.value, unit: fill.unit },
        ],
        sum: t
          ? [
              `${t.count} × ${figure(t.lengthM)} m × ${num(a, 'width')} cm × ${num(a, 'depth')} cm`,
              `root zone ${f.zoneSchool} × ${showTrunk(f.diameterCm, f.system).text} = ${showDistance(zoneM, f.system).text}; ${t.sentence}`,
              `${figure(t.endSpacingM, 3)} m apart at the outer end`,
            ]
          : ['The trenches end inside their start.'],
        steps: [
          'Air, not a digger: roots stay whole and are kept damp under wet sacking.',
          'Backfill with the same soil and a third of ripe compost; do not tread.',
          'Mulch over it, water in.',
        ],
        take: [
          { what: 'Air spade and compressor', amount: '1' },
          { what: 'Compost', amount: cubic((t?.backfillM3 ?? 0) / 3, f.system).text },
          { what: 'Sacking, marking paint, pegs', amount: '1 set' },
        ],
        gates: [
          ...servicesGate(a['services'] === true),
          ...(t && t.shareOfZone > 0.25
            ? [
                gate(
                  'trench-share',
                  'hold',
                  'Too much of the root zone',
                  t.sentence,
                  `school: root zone ${f.zoneSchool} × d`,
                  [`${figure(100 * t.shareOfZone, 3)} %`],
                  'Fewer or narrower trenches, or half of them next year.',
                ),
              ]
            : []),
          ...(t
            ? []
            : [
                gate(
                  'trench-ends',
                  'stop',
                  'Trenches without length',
                  'The end lies inside the start.',
                  'arithmetic',
                  [],
                  'Set the end farther out than the start.',
                ),
              ]),
        ],
        ...(t ? { trenches: { count: t.count, startM: num(a, 'start'), endM: num(a, 'end') } } : {}),
        minutes: Math.ceil((t?.totalLengthM ?? 0) * 12 + 30),
        followUps: [
          rule(
            'trench-look',
            'look',
            'Probe the soil and look at shoot growth',
            1,
            'years',
            'roots answer within a season or two',
          ),
        ],
      };
    },
  },
  {
    id: 'mulch',
    name: 'Mulch ring',
    method: 'mulch',
    asks: [
      {
        key: 'radius',
        kind: 'number',
        name: 'Out to',
        unit: 'm',
        min: 0.5,
        max: 15,
        usual: (f) => Math.min(3, Math.max(1, Math.round((f.crownWidthM ?? 3) * 5) / 10)),
      },
      { key: 'depth', kind: 'number', name: 'Depth', unit: 'cm', min: 5, max: 10, usual: () => 8 },
      { key: 'bag', kind: 'number', name: 'Litres in a bag', unit: 'L', min: 10, max: 1000, usual: () => 50 },
    ],
    workOut: (f, a) => {
      const m = mulchRing(f.diameterCm, num(a, 'radius'), num(a, 'depth'), num(a, 'bag'));
      const volume = cubic(m?.m3 ?? 0, f.system);
      return {
        figures: [
          { name: 'Wood chips', value: volume.value, unit: volume.unit },
          { name: 'Bags', value: String(m?.bags ?? 0), unit: '' },
        ],
        sum: m
          ? [`${showArea(m.areaM2, f.system).text} × ${num(a, 'depth')} cm, ten centimetres clear of the bark`]
          : ['The ring ends inside its clearance.'],
        steps: [
          'Grass off or mown short, soil damp, collar free.',
          'Ten centimetres clear of the bark all round: a ring, never a cone against the trunk.',
          'No fresh chips of a diseased tree of the same kind.',
        ],
        take: [
          { what: 'Wood chips', amount: `${volume.text}, ${m?.bags ?? 0} bags` },
          { what: 'Fork, rake, barrow', amount: '1 set' },
        ],
        gates: m
          ? []
          : [
              gate(
                'mulch-ring',
                'stop',
                'No ring left',
                'The outer edge lies within ten centimetres of the bark.',
                'arithmetic',
                [],
                'Take it farther out.',
              ),
            ],
        minutes: Math.ceil(10 + (m?.m3 ?? 0) * 45),
        followUps: [
          rule(
            'mulch-again',
            'site-work',
            'Top the mulch up, clear the collar',
            1,
            'years',
            'chips rot by half in a year',
          ),
        ],
      };
    },
  },
  {
    id: 'water',
    name: 'Irrigation',
    method: 'watering',
    asks: [
      { key: 'emitters', kind: 'number', name: 'Emitters', unit: '', min: 1, max: 500, whole: true, usual: () => 8 },
      { key: 'flow', kind: 'number', name: 'Each gives', unit: 'L/h', min: 0.5, max: 100, usual: () => 4 },
      { key: 'hours', kind: 'number', name: 'Running', unit: 'h', min: 0.1, max: 48, usual: () => 3 },
      { key: 'wetted', kind: 'number', name: 'Wetted ground', unit: 'm²', min: 0.1, max: 1000, usual: () => 6 },
      { key: 'supply', kind: 'number', name: 'The supply gives', unit: 'L/h', min: 1, max: 20000, usual: () => 600 },
      {
        key: 'et',
        kind: 'number',
        name: 'Evaporation',
        unit: 'mm/day',
        min: 0.1,
        max: 12,
        usual: (f) => ([6, 7, 8].includes(Number(f.today.slice(5, 7))) ? 4 : 2),
      },
    ],
    workOut: (f, a) => {
      const i = irrigate({
        emitters: num(a, 'emitters'),
        flowLh: num(a, 'flow'),
        hours: num(a, 'hours'),
        wettedM2: num(a, 'wetted'),
        texture: f.texture,
        supplyLh: num(a, 'supply'),
      });
      const next = nextWater(f.today, i.mm, num(a, 'et'));
      const days = Math.round((Date.parse(next.day) - Date.parse(f.today)) / 864e5);
      return {
        figures: [
          { name: 'Water', ...pair(showVolume(i.litres * 1000, f.system, 3)) },
          { name: 'On the ground', ...pair(showFine(i.mm, f.system)) },
          { name: 'Again in', value: String(days), unit: 'days' },
        ],
        sum: [
          `${num(a, 'emitters')} × ${num(a, 'flow')} L/h × ${num(a, 'hours')} h over ${num(a, 'wetted')} m²`,
          `wets dry ${f.texture} soil to about ${figure(i.wetsToCm, 2)} cm${i.runs > 1 ? `; in ${i.runs} runs with pauses, or it runs off` : ''}`,
          next.sentence,
        ],
        steps: [...WATER_CAUTIONS, 'Push the soil probe in at three places before the next run.'],
        take: [
          { what: 'Emitters, line, soil probe', amount: String(num(a, 'emitters')) },
          { what: 'Water', amount: showVolume(i.litres * 1000, f.system, 3).text },
        ],
        gates: i.fits
          ? []
          : [
              gate(
                'supply-short',
                'hold',
                'The supply is too weak',
                `${i.flowLh} L/h are asked of a supply that gives ${num(a, 'supply')} L/h; it carries ${i.carried} emitters.`,
                'arithmetic',
                [],
                `At most ${i.carried} emitters, or two zones in turn.`,
              ),
            ],
        minutes: 15,
        followUps: [
          rule(
            'water-next',
            'site-work',
            'Push the soil probe in, water when dry',
            Math.max(1, Math.min(120, days)),
            'days',
            next.sentence.slice(0, 280),
          ),
        ],
      };
    },
  },
  {
    id: 'replant',
    name: 'Replanting checks',
    method: 'replanting',
    asks: [
      services,
      {
        key: 'soilBorne',
        kind: 'yes',
        name: 'The old tree died of something in the soil',
        usual: (f) =>
          ['honey-fungus', 'verticillium-wilt', 'phytophthora-root-rot', 'phytophthora-bleeding'].includes(
            f.condition?.id ?? '',
          ),
      },
      { key: 'sameKind', kind: 'yes', name: 'The new tree is of the same kind', usual: () => false },
      { key: 'ball', kind: 'number', name: 'Root ball, width', unit: 'cm', min: 10, max: 200, usual: () => 50 },
      { key: 'ballDepth', kind: 'number', name: 'Root ball, depth', unit: 'cm', min: 10, max: 120, usual: () => 40 },
      { key: 'away', kind: 'number', name: 'Metres from the old stump', unit: 'm', min: 0, max: 100, usual: () => 3 },
    ],
    workOut: (f, a) => {
      const ball = num(a, 'ball') / 100;
      const depth = num(a, 'ballDepth') / 100;
      const m3 = (Math.PI / 4) * ball * ball * depth;
      const hole = 2.5 * num(a, 'ball');
      return {
        figures: [
          { name: 'Hole, width', ...pair(showTrunk(hole, f.system)) },
          { name: 'Hole, depth: no deeper than the ball', ...pair(showTrunk(num(a, 'ballDepth'), f.system)) },
          { name: 'Water, first day', ...pair(showVolume(m3 * 1e6, f.system, 2)) },
        ],
        sum: [
          `two and a half times the ball wide, as deep as the ball`,
          `as much water as the ball holds: ${figure(m3 * 1000, 3)} L`,
        ],
        steps: [
          'Find the flare in the ball and plant it level with the soil.',
          'Cut circling roots; burlap and wire off the upper half.',
          'Same soil back, no feed in the hole; a mulch ring, two low stakes for one year.',
          'Guard on before the first snow.',
        ],
        take: [{ what: 'Stakes, ties, mulch, guard, water', amount: '1 set' }],
        gates: [
          ...servicesGate(a['services'] === true),
          ...(a['soilBorne'] && a['sameKind']
            ? [
                gate(
                  'replant-same',
                  'hold',
                  'Same kind into sick soil',
                  'What killed the old tree waits in the soil for its like.',
                  practice,
                  [f.condition?.name ?? 'soil-borne'],
                  'Choose a kind that is not its host.',
                ),
              ]
            : []),
          ...(a['soilBorne'] && num(a, 'away') < 5
            ? [
                gate(
                  'replant-near',
                  'note',
                  'Near the old stump',
                  'Roots and stump carry it on for years.',
                  practice,
                  [`${num(a, 'away')} m`],
                  'Stump and main roots out, or five metres away.',
                ),
              ]
            : []),
        ],
        minutes: 90,
        followUps: [
          rule('replant-water', 'site-work', 'Water the new tree', 1, 'weeks', 'weekly through the first two summers'),
          rule(
            'replant-stake',
            'site-work',
            'Stakes and ties off',
            1,
            'years',
            'a tree that cannot move does not grow a trunk',
          ),
        ],
      };
    },
  },
];

function pair(s: { value: string; unit: string }) {
  return { value: s.value, unit: s.unit };
}
