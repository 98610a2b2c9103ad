import { gate } from '../../gates/gate';
import { deerFence } from '../../guard/guard';
import { figure, showDistance, showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** Usual height, cm; larger deer ask for more. Rabbits dig: the mesh goes under the turf, and lets none through. */
const HIGH_CM = { deer: 200, rabbits: 100 } as const;
const RABBIT_MESH_MM = 30;
const RABBIT_DEEP_CM = 15;
const rabbits = (condition: string | null | undefined) => condition === 'rabbits';
const high = (condition: string | null | undefined) => (rabbits(condition) ? HIGH_CM.rabbits : HIGH_CM.deer);

export const deerFenceWork: Work = {
  id: 'deer-fence',
  name: 'Fence against deer and rabbits',
  method: 'fence',
  // Posts and mesh last about ten years.
  life: { times: 1, apart: 0, everyYears: 10, courses: null },
  when: (f) => f.condition === null || ['deer', 'rabbits'].includes(f.condition.id),
  goesBy: (condition) => [
    { what: 'high', from: high(condition), unit: 'cm' },
    ...(rabbits(condition)
      ? ([
          { what: 'mesh, at most', from: RABBIT_MESH_MM, unit: 'mm' },
          { what: 'under the turf', from: RABBIT_DEEP_CM, unit: 'cm' },
        ] as const)
      : []),
  ],
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
    {
      key: 'height',
      kind: 'number',
      name: 'Height',
      unit: 'cm',
      min: 60,
      max: 300,
      usual: (f) => high(f.condition?.id),
    },
  ],
  workOut: (facts, a) => {
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
    const length = showDistance(metres, facts.system);
    return {
      figures: [
        { name: 'Fence', value: length.value, unit: length.unit },
        { name: 'Posts', value: String(posts), unit: '' },
      ],
      sum: [`2 × (${figure(long)} + ${figure(wide)} + 4 × ${figure(num(a, 'clear'))}) m around the trunks`],
      steps: [
        'Out of reach of the lowest branches and clear of the roots that hold the trees.',
        rabbits(facts.condition?.id)
          ? `Mesh of ${RABBIT_MESH_MM} mm and finer outside the posts, the lower edge bent outward ${showTrunk(RABBIT_DEEP_CM, facts.system).text} under the turf.`
          : 'Mesh outside the posts, the lower edge pegged to the ground.',
        'A gate for the mower and for whoever waters.',
      ],
      take: [
        { what: `Fence mesh, ${showTrunk(num(a, 'height'), facts.system).text} high`, amount: length.text },
        { what: 'Posts', amount: String(posts) },
        { what: 'Post driver, staples, pliers, gate', amount: '1 set' },
      ],
      gates:
        num(a, 'height') < 240 && !rabbits(facts.condition?.id)
          ? [
              gate({
                id: 'fence-low',
                strength: 'note',
                title: 'High enough for the deer here?',
                sentence:
                  'Roe deer jump a fence under 150 cm, red and fallow deer one under 200 cm, white-tailed deer one under 240 cm.',
                source: 'practice',
                facts: [`height ${num(a, 'height')} cm`],
                satisfy: 'Take the higher mesh where larger deer live.',
              }),
            ]
          : [],
      minutes: Math.ceil(30 + 6 * posts),
      followUps: [
        rule({
          id: 'fence-look',
          kind: 'site-work',
          what: 'Walk the fence: gaps, fallen branches',
          count: 6,
          unit: 'months',
          why: 'one gap is enough',
        }),
      ],
    };
  },
};
