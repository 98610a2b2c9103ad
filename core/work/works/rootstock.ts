import { gate } from '../../gates/gate';
import { num, rule, type Work } from '../work';
import { dry, cutGates } from '../cuts';

/** Shoots are still soft enough for a thumb after so many weeks. */
const AGAIN_WEEKS = 4;

export const rootstockWork: Work = {
  id: 'rootstock',
  name: 'Take rootstock shoots',
  method: 'pruning',
  // As long as the stock shoots, every summer.
  life: { times: 3, apart: 7 * AGAIN_WEEKS, everyYears: 1, courses: null },
  when: (f) => f.condition?.id === 'rootstock-takeover',
  goesBy: () => [{ what: 'again after', from: AGAIN_WEEKS, unit: 'weeks' }],
  asks: [
    { key: 'shoots', kind: 'number', name: 'Shoots', unit: '', min: 1, max: 300, whole: true, usual: () => 10 },
    { key: 'union', kind: 'yes', name: 'The graft union has been found', usual: () => false },
    {
      key: 'weeks',
      kind: 'number',
      name: 'Again every',
      unit: 'weeks',
      min: 2,
      max: 12,
      whole: true,
      usual: () => AGAIN_WEEKS,
    },
    dry,
  ],
  workOut: (facts, a) => ({
    figures: [{ name: 'Shoots, torn at their origin', value: String(num(a, 'shoots')), unit: '' }],
    sum: ['All from below the union; a cut stub answers with three new shoots, a torn one seldom.'],
    steps: [
      'Free the origin of each shoot with a trowel.',
      'Rub green ones off, tear woody ones down and out; knife only for the tail.',
      'Count them: the number falls when it works.',
    ],
    take: [{ what: 'Trowel, knife, gloves', amount: '1 set' }],
    gates: [
      ...cutGates(facts, a, 0),
      ...(a['union']
        ? []
        : [
            gate({
              id: 'graft-union',
              strength: 'hold',
              title: 'Where is the graft union?',
              sentence: 'Without it nobody knows which shoots are the stock.',
              source: 'practice',
              satisfy: 'Find the union: a swelling, a change of bark, other leaves.',
              state: 'asked',
            }),
          ]),
    ],
    minutes: 5 + num(a, 'shoots'),
    followUps: [
      rule({
        id: 'stock-again',
        kind: 'site-work',
        what: 'Rub off new rootstock shoots',
        count: num(a, 'weeks'),
        unit: 'weeks',
        why: 'while they are green they come off by hand',
        more: { months: [4, 5, 6, 7, 8, 9] },
      }),
    ],
  }),
};
