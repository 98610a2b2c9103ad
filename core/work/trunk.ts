import { gate } from '../gates/gate';
import { band, deerFence, guard } from '../guard/guard';
import { girthFromDiameter } from '../measure/trunk';
import { figure, showDistance, showTrunk, showVolume } from '../units/units';
import { num, rule, type Work } from './work';

const practice = 'practice';

/** Works on the trunk: bands, guards, washing, what hangs on it. */
export const trunkWorks: Work[] = [
  {
    id: 'band',
    name: 'Sticky band on a wrap',
    method: 'band',
    asks: [
      { key: 'overlap', kind: 'number', name: 'Overlap of the wrap', unit: 'cm', min: 2, max: 20, usual: () => 5 },
      { key: 'wrapped', kind: 'yes', name: 'On a wrap, nothing sticky on bare bark', usual: () => false },
      { key: 'bridges', kind: 'yes', name: 'Plants, walls and wires that bridge it are gone', usual: () => false },
      { key: 'stems', kind: 'number', name: 'Stems', unit: '', min: 1, max: 12, whole: true, usual: () => 1 },
    ],
    workOut: (f, a) => {
      const b = band(girthFromDiameter(f.diameterCm), num(a, 'overlap'));
      const wrap = showTrunk(b.wrap, f.system);
      return {
        figures: [{ name: 'Wrap, cut to', value: wrap.value, unit: wrap.unit }],
        sum: [`girth ${showTrunk(girthFromDiameter(f.diameterCm), f.system).text} + overlap ${num(a, 'overlap')} cm`],
        steps: b.rules,
        take: [
          { what: 'Wrap, tree tape', amount: showTrunk(b.wrap * num(a, 'stems'), f.system).text },
          { what: 'Sticky paste for pest bands', amount: `${figure(b.wrap * num(a, 'stems') * 0.6, 2)} g` },
          { what: 'Ties that give, padding for grooves', amount: String(num(a, 'stems')) },
        ],
        gates: [
          ...(a['wrapped']
            ? []
            : [
                gate(
                  'band-on-bark',
                  'hold',
                  'Sticky on bare bark?',
                  'Paste on bark burns it, traps what nests there and never comes off.',
                  practice,
                  [],
                  'Put it on a wrap, and say so.',
                  'asked',
                ),
              ]),
          ...(a['bridges']
            ? []
            : [
                gate(
                  'band-bridged',
                  'hold',
                  'Bridges to the crown?',
                  'Ants walk around a band over every twig, wall or prop that touches the tree.',
                  practice,
                  [],
                  'Cut or move what bridges it, and say so.',
                  'asked',
                ),
              ]),
          ...(num(a, 'stems') > 1
            ? [
                gate(
                  'band-stems',
                  'note',
                  'Several stems',
                  'Each stem needs its own band, or the ants use the other.',
                  practice,
                  [`${num(a, 'stems')} stems`],
                  'One wrap a stem.',
                ),
              ]
            : []),
        ],
        minutes: 10 * num(a, 'stems'),
        followUps: [
          rule(
            'band-look',
            'site-work',
            'Look at the band: gaps, fouling, birds and bats',
            4,
            'weeks',
            'a fouled band is a bridge',
          ),
          rule(
            'band-new',
            'site-work',
            'Replace the band',
            100,
            'days',
            'sticky paste dries or fouls after 90 to 120 days',
            {
              earliest: 90,
              latest: 120,
            },
          ),
          rule(
            'band-off',
            'site-work',
            'Take the band off',
            6,
            'months',
            'off at the end of the season, before it girdles',
          ),
        ],
      };
    },
  },
  {
    id: 'guard',
    name: 'Trunk guard',
    method: 'guard',
    // A mesh guard answers teeth and antlers; it neither keeps rain off nor sun.
    when: (f) =>
      f.condition === null || ['voles', 'rabbits', 'deer', 'mower-wounds', 'sapsuckers'].includes(f.condition.id),
    asks: [
      {
        key: 'material',
        kind: 'choice',
        name: 'Material',
        options: ['metal mesh', 'plastic spiral'],
        usual: (f) => (f.meshSchool === 'metal' ? 'metal mesh' : 'plastic spiral'),
      },
      { key: 'voles', kind: 'yes', name: 'Voles about', usual: () => true },
      { key: 'rabbits', kind: 'yes', name: 'Rabbits about', usual: (f) => f.condition?.id === 'rabbits' },
      { key: 'deer', kind: 'yes', name: 'Deer about', usual: (f) => f.condition?.id === 'deer' },
      { key: 'snow', kind: 'number', name: 'Usual depth of snow', unit: 'cm', min: 0, max: 300, usual: () => 20 },
      {
        key: 'years',
        kind: 'number',
        name: 'Years until it is opened',
        unit: 'years',
        min: 1,
        max: 10,
        usual: () => 4,
      },
      { key: 'clearance', kind: 'number', name: 'Clearance to the bark', unit: 'cm', min: 1, max: 20, usual: () => 3 },
      { key: 'overlap', kind: 'number', name: 'Overlap', unit: 'cm', min: 2, max: 20, usual: () => 4 },
    ],
    workOut: (f, a) => {
      const g = guard({
        d: f.diameterCm,
        growth: f.host.growthCmPerYear,
        years: num(a, 'years'),
        clearance: num(a, 'clearance'),
        overlap: num(a, 'overlap'),
        voles: a['voles'] === true,
        rabbits: a['rabbits'] === true,
        deer: a['deer'] === true,
        snow: num(a, 'snow'),
      });
      const height = showTrunk(g.height, f.system);
      const length = showTrunk(g.length, f.system);
      const plastic = a['material'] === 'plastic spiral';
      return {
        figures: [
          { name: 'Height of the piece', value: height.value, unit: height.unit },
          { name: 'Length around', value: length.value, unit: length.unit },
          { name: 'Mesh, at most', value: figure(g.meshMm, 2), unit: 'mm' },
        ],
        sum: [
          ...g.reasons,
          `π × (${showTrunk(f.diameterCm, f.system).text} + ${num(a, 'years')} years of growth + 2 × ${num(a, 'clearance')} cm) + ${num(a, 'overlap')} cm`,
        ],
        steps: [
          'Clear grass and mulch from the collar; look for bark already gnawed.',
          'Bend the lower edge outward, 8 cm into the soil.',
          plastic
            ? 'Wind it so that it can slide open as the trunk grows; take it off in summer, damp bark rots behind it.'
            : 'Close with twisted wire on the outside, cut ends away from the bark.',
          'Nothing of it touches the bark or the lowest branch.',
        ],
        take: [
          {
            what: plastic ? 'Plastic spiral guard' : `Mesh ${figure(g.meshMm, 2)} mm and finer`,
            amount: `${length.text} × ${height.text} high`,
            ...(plastic ? {} : { cut: true as const }),
          },
          { what: 'Tin snips, wire, gloves, spade', amount: '1 set' },
        ],
        ...(plastic ? {} : { cut: { length: g.length, height: g.height } }),
        gates: plastic
          ? [
              gate(
                'guard-plastic-voles',
                'note',
                'Plastic spiral',
                'Voles get under a spiral that is not set into the soil, and bark stays damp behind it.',
                'school: mesh',
                [],
                'Look behind it in spring.',
              ),
            ]
          : [],
        minutes: 15,
        followUps: [
          rule(
            'guard-spring',
            'site-work',
            'Look behind the guard, set it upright',
            5,
            'months',
            'after the snow: gnawing, wet bark, a lifted edge',
          ),
          rule(
            'guard-widen',
            'site-work',
            'Widen the guard',
            Math.max(1, num(a, 'years')),
            'years',
            'it must be widened before it girdles',
            {
              latest: Math.max(1, num(a, 'years')),
            },
          ),
        ],
      };
    },
  },
  {
    id: 'deer-fence',
    name: 'Fence against deer',
    method: 'fence',
    when: (f) => f.condition === null || f.condition.id === 'deer',
    asks: [
      {
        key: 'long',
        kind: 'number',
        name: 'Trunks stand within, length',
        unit: 'm',
        min: 0,
        max: 500,
        usual: (f) => Math.ceil(f.group?.lengthM ?? 0),
      },
      {
        key: 'wide',
        kind: 'number',
        name: 'Width',
        unit: 'm',
        min: 0,
        max: 500,
        usual: (f) => Math.ceil(f.group?.widthM ?? 0),
      },
      { key: 'clear', kind: 'number', name: 'Clear of the trunks', unit: 'm', min: 0.5, max: 20, usual: () => 2 },
      { key: 'posts', kind: 'number', name: 'Posts every', unit: 'm', min: 1, max: 6, usual: () => 3 },
      { key: 'height', kind: 'number', name: 'Height', unit: 'cm', min: 120, max: 300, usual: () => 200 },
    ],
    workOut: (f, a) => {
      const long = num(a, 'long');
      const wide = num(a, 'wide');
      const metres = deerFence(
        [
          { x: 0, y: 0 },
          { x: long, y: wide },
        ],
        num(a, 'clear'),
      );
      const posts = Math.max(4, Math.ceil(metres / num(a, 'posts')));
      const length = showDistance(metres, f.system);
      return {
        figures: [
          { name: 'Fence', value: length.value, unit: length.unit },
          { name: 'Posts', value: String(posts), unit: '' },
        ],
        sum: [`2 × (${figure(long)} + ${figure(wide)} + 4 × ${figure(num(a, 'clear'))}) m around the trunks`],
        steps: [
          'Out of reach of the lowest branches and clear of the roots that hold the trees.',
          'Mesh outside the posts, the lower edge pegged to the ground.',
          'A gate for the mower and for whoever waters.',
        ],
        take: [
          { what: `Fence mesh, ${showTrunk(num(a, 'height'), f.system).text} high`, amount: length.text },
          { what: 'Posts', amount: String(posts) },
          { what: 'Post driver, staples, pliers, gate', amount: '1 set' },
        ],
        gates:
          num(a, 'height') < 240
            ? [
                gate(
                  'fence-low',
                  'note',
                  'High enough for the deer here?',
                  'Roe deer jump a fence under 150 cm, red and fallow deer one under 200 cm, white-tailed deer one under 240 cm.',
                  practice,
                  [`height ${num(a, 'height')} cm`],
                  'Take the higher mesh where larger deer live.',
                ),
              ]
            : [],
        minutes: Math.ceil(30 + 6 * posts),
        followUps: [
          rule('fence-look', 'site-work', 'Walk the fence: gaps, fallen branches', 6, 'months', 'one gap is enough'),
        ],
      };
    },
  },
  {
    id: 'hanging',
    name: 'Soap or meal bags, repellent',
    method: 'repellent',
    asks: [
      {
        key: 'what',
        kind: 'choice',
        name: 'What hangs',
        options: ['soap bar', 'blood-meal bag'],
        usual: () => 'soap bar',
      },
      { key: 'height', kind: 'number', name: 'Height of browsing', unit: 'cm', min: 30, max: 200, usual: () => 100 },
      { key: 'trees', kind: 'number', name: 'Trees', unit: '', min: 1, max: 500, whole: true, usual: () => 1 },
    ],
    workOut: (f, a) => ({
      figures: [
        { name: 'Bags, one a tree', value: String(num(a, 'trees')), unit: '' },
        {
          name: 'Hang at',
          value: showTrunk(num(a, 'height'), f.system).value,
          unit: showTrunk(num(a, 'height'), f.system).unit,
        },
      ],
      sum: [`${num(a, 'trees')} trees, one bag each`],
      steps: [
        'One bag a tree, on the outer twigs where they browse, never against the bark.',
        'Out of reach of dogs and children.',
      ],
      take: [
        { what: String(a['what']), amount: String(num(a, 'trees')) },
        { what: 'Net bags and soft ties', amount: String(num(a, 'trees')) },
      ],
      gates: [
        gate(
          'repellent-weak',
          'note',
          'Works while they are not hungry',
          'Smell keeps deer off in mild months; under snow only a fence does.',
          practice,
          [],
          'Plan a fence for the group where browsing is heavy.',
        ),
      ],
      minutes: 3 * num(a, 'trees'),
      followUps: [
        rule('hang-new', 'site-work', 'Renew the bags', 8, 'weeks', 'rain washes the smell out'),
        rule('hang-look', 'look', 'Look for fresh browsing', 3, 'weeks', 'they get used to it'),
      ],
    }),
  },
  {
    id: 'wash',
    name: 'Wash by brush',
    method: 'wash',
    asks: [
      { key: 'height', kind: 'number', name: 'Washed up to', unit: 'm', min: 0.5, max: 12, usual: () => 3 },
      { key: 'brush', kind: 'choice', name: 'Brush', options: ['soft', 'medium'], usual: () => 'soft' },
    ],
    workOut: (f, a) => {
      const m2 = (girthFromDiameter(f.diameterCm) / 100) * num(a, 'height') * 0.9;
      const water = showVolume(m2 * 2000, f.system, 2);
      return {
        figures: [{ name: 'Water', value: water.value, unit: water.unit }],
        sum: [
          `girth ${showTrunk(girthFromDiameter(f.diameterCm), f.system).text} × ${showDistance(num(a, 'height'), f.system).text} × 0.9 for taper = ${figure(m2, 3)} m², two litres on each`,
        ],
        steps: [
          'Wet first and let it soak; brush along the grooves, never across.',
          'Soft enough to leave the bark whole: on thin bark only a sponge.',
          'Rinse downward, away from ponds and drains; wash cars, benches and paving the same day.',
        ],
        take: [
          { what: 'Clean water', amount: water.text },
          { what: `Brush, ${String(a['brush'])}`, amount: '2' },
          { what: 'Eye protection, ladder with standoff', amount: '1 set' },
        ],
        gates:
          a['brush'] === 'medium' && ['beech', 'birch', 'cherry', 'magnolia'].some((g) => f.host.groups.includes(g))
            ? [
                gate(
                  'wash-thin-bark',
                  'hold',
                  'Thin bark',
                  `${f.host.name} has thin bark; a medium brush scours it.`,
                  practice,
                  [],
                  'Take the soft brush or a sponge.',
                ),
              ]
            : [],
        minutes: Math.ceil(10 + m2 * 6),
        followUps: [
          rule(
            'wash-look',
            'check-effect',
            'Count what came back on the washed bark',
            3,
            'weeks',
            'eggs left behind hatch in two to three weeks',
          ),
        ],
      };
    },
  },
  {
    id: 'disinfect',
    name: 'Tool disinfection',
    method: 'hygiene',
    asks: [
      {
        key: 'with',
        kind: 'choice',
        name: 'With',
        options: ['alcohol 70 %', 'bleach 1 in 10'],
        usual: () => 'alcohol 70 %',
      },
      { key: 'litres', kind: 'number', name: 'Amount to make up', unit: 'L', min: 0.1, max: 20, usual: () => 1 },
      { key: 'stock', kind: 'number', name: 'Strength of the alcohol', unit: '%', min: 71, max: 99, usual: () => 96 },
      {
        key: 'trees',
        kind: 'number',
        name: 'Trees on the round',
        unit: '',
        min: 1,
        max: 200,
        whole: true,
        usual: () => 1,
      },
    ],
    workOut: (f, a) => {
      const litres = num(a, 'litres');
      const bleach = a['with'] === 'bleach 1 in 10';
      const part = bleach ? litres / 10 : (litres * 70) / num(a, 'stock');
      const first = showVolume(part * 1000, f.system, 3);
      const water = showVolume((litres - part) * 1000, f.system, 3);
      return {
        figures: [
          { name: bleach ? 'Household bleach' : `Alcohol ${num(a, 'stock')} %`, value: first.value, unit: first.unit },
          { name: 'Water', value: water.value, unit: water.unit },
        ],
        sum: bleach
          ? [`1 part bleach to 9 parts water: ${litres} L ÷ 10`]
          : [`${litres} L × 70 % ÷ ${num(a, 'stock')} %; volumes shrink a little when mixed`],
        steps: [
          'Brush off soil and sawdust first: dirt shields what must die.',
          bleach
            ? 'Dip for one minute, rinse steel with water, oil it; made fresh every day.'
            : 'Wet for half a minute and let it dry; away from sparks.',
          'Between every two trees, and between cuts on a diseased one. Sound trees first.',
          'Never mix bleach with anything else; gloves and goggles.',
        ],
        take: [
          { what: bleach ? 'Bleach' : `Alcohol ${num(a, 'stock')} %`, amount: first.text },
          { what: 'Dipping tube, cloths, brush', amount: '1 set' },
          { what: 'Spare blades or bits', amount: String(Math.min(6, num(a, 'trees'))) },
        ],
        gates: [],
        minutes: 2 * num(a, 'trees') + 5,
        followUps: [],
      };
    },
  },
];
