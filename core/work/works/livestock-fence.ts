import { figure, showDistance } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** Height of the top rail, m; how far an animal usually reaches over it, m. */
const HIGH_M = 1.2;
const REACH_M = 1.5;

export const livestockFenceWork: Work = {
  id: 'livestock-fence',
  name: 'Fence against livestock',
  method: 'fence',
  life: { times: 1, apart: 0, everyYears: 12, courses: null },
  when: (f) => f.condition?.id === 'livestock',
  goesBy: () => [
    { what: 'high', from: HIGH_M, unit: 'm' },
    { what: 'from the bark', from: REACH_M, unit: 'm' },
  ],
  asks: [
    {
      key: 'reach',
      kind: 'number',
      name: 'Reach of the animal over a rail',
      unit: 'm',
      min: 0.5,
      max: 2.5,
      usual: () => REACH_M,
    },
    { key: 'posts', kind: 'number', name: 'A post every', unit: 'm', min: 1, max: 4, usual: () => 2 },
  ],
  workOut: (facts, a) => {
    // A square about the trunk that keeps its middle out of reach on every side, and the roots under its soil from hooves.
    const side = 2 * Math.max(num(a, 'reach') + facts.diameterCm / 200, 1.5);
    const posts = Math.max(4, Math.ceil((4 * side) / num(a, 'posts')));
    return {
      figures: [
        { name: 'Length', value: figure(4 * side, 3), unit: 'm' },
        { name: 'Posts', value: String(posts), unit: '' },
      ],
      sum: [`a square of ${figure(side, 3)} m: out of reach by ${num(a, 'reach')} m on every side`],
      steps: [
        `${showDistance(HIGH_M, facts.system).text} high with a top rail for horses and cattle; mesh to the ground for goats and sheep.`,
        'Posts outside the main roots; no nail in the tree.',
        'Mulch within, off the trunk; trampled soil is loosened by air.',
      ],
      take: [
        { what: 'Posts', amount: String(posts) },
        { what: 'Rails and mesh', amount: `${figure(4 * side, 3)} m` },
      ],
      gates: [],
      minutes: 40 + 12 * posts,
      followUps: [
        rule({
          id: 'fence-look',
          kind: 'look',
          what: 'Look at fence and bark',
          count: 3,
          unit: 'months',
          why: 'animals lean on it',
        }),
      ],
    };
  },
};
