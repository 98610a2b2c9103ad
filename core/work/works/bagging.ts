import { gate } from '../../gates/gate';
import { num, rule, type Work } from '../work';

export const baggingWork: Work = {
  id: 'bagging',
  name: 'Fruit bagging',
  method: 'bagging',
  // Every crop.
  life: { times: 1, apart: 0, everyYears: 1, courses: null },
  asks: [
    {
      key: 'fruits',
      kind: 'number',
      name: 'Fruits after thinning',
      unit: '',
      min: 1,
      max: 5000,
      whole: true,
      usual: () => 80,
    },
    { key: 'size', kind: 'number', name: 'Fruit now', unit: 'mm', min: 5, max: 80, usual: () => 20 },
  ],
  workOut: (facts, a) => ({
    figures: [{ name: 'Bags', value: String(Math.ceil(num(a, 'fruits') * 1.05)), unit: '' }],
    sum: [`${num(a, 'fruits')} fruits, five in a hundred to spare`],
    steps: [
      'Thin to one fruit a cluster first.',
      'Dry fruit, closed around the stalk without squeezing it.',
      'Colour wanted? Bags off two to three weeks before picking.',
    ],
    take: [
      { what: 'Bags and ties', amount: String(Math.ceil(num(a, 'fruits') * 1.05)) },
      { what: 'Ladder, apron', amount: '1 set' },
    ],
    gates:
      num(a, 'size') > 30
        ? [
            gate({
              id: 'bagging-late',
              strength: 'hold',
              title: 'Late for bagging',
              sentence: `Fruit of ${num(a, 'size')} mm may already be stung; a bag then keeps the grub in.`,
              source: 'practice',
              satisfy: 'Bag at 15 to 25 mm; look for entry holes first.',
            }),
          ]
        : [],
    minutes: 5 + num(a, 'fruits') / 3,
    followUps: [
      rule({
        id: 'bag-off',
        kind: 'site-work',
        what: 'Take the bags off',
        count: 12,
        unit: 'weeks',
        why: 'two to three weeks before picking, for colour',
      }),
    ],
  }),
};
