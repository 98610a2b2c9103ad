import { figure } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

export const rainCoverWork: Work = {
  id: 'rain-cover',
  name: 'Rain cover',
  method: 'guard',
  life: { times: 1, apart: 0, everyYears: 1, courses: null },
  when: (f) => f.condition?.id === 'peach-leaf-curl',
  asks: [
    {
      key: 'width',
      kind: 'number',
      name: 'Width of the crown',
      unit: 'm',
      min: 0.5,
      max: 6,
      usual: (f) => Math.min(4, f.crownWidthM ?? 3),
    },
    {
      key: 'height',
      kind: 'number',
      name: 'Height',
      unit: 'm',
      min: 0.5,
      max: 5,
      usual: (f) => Math.min(3, f.heightM ?? 2.5),
    },
  ],
  workOut: (_, a) => {
    // A roof that reaches to the knee on the weather side, open at both ends.
    const m2 = (num(a, 'width') + 1) * (num(a, 'height') + 1);
    return {
      figures: [{ name: 'Clear sheet', value: figure(m2, 2), unit: 'm²' }],
      sum: [`${num(a, 'width')} m + 1 m of overhang, ${num(a, 'height')} m + 1 m down the weather side`],
      steps: [
        'Up before the winter rain, down after bloom when the leaf is out: October to May.',
        'Open at both ends: dry wood, moving air; nothing touches a bud.',
        'Bees must come in while it blooms.',
      ],
      take: [{ what: 'Sheet, battens, clips', amount: `${figure(m2, 2)} m²` }],
      gates: [],
      minutes: 40 + 8 * m2,
      followUps: [
        rule({
          id: 'cover-off',
          kind: 'site-work',
          what: 'Take the rain cover off',
          count: 6,
          unit: 'months',
          why: 'once the leaf is out and dry',
        }),
      ],
    };
  },
};
