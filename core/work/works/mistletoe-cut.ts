import { CUT_STEPS, CUT_TAKE, cutGates, dressing, dry, hazard } from '../cuts';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** How far below a ball its strands still run in the wood, cm. */
const BELOW_CM = 30;

export const mistletoeCutWork: Work = {
  id: 'mistletoe-cut',
  name: 'Keep mistletoe down',
  method: 'pruning',
  life: { times: 1, apart: 0, everyYears: 3, courses: null },
  when: (f) => f.condition?.id === 'mistletoe',
  goesBy: () => [{ what: 'below the ball', from: BELOW_CM, unit: 'cm' }],
  asks: [
    { key: 'balls', kind: 'number', name: 'Balls taken', unit: '', min: 1, max: 200, whole: true, usual: () => 8 },
    { key: 'live', kind: 'number', name: 'Live crown taken', unit: '%', min: 0, max: 60, usual: () => 8 },
    {
      key: 'leave',
      kind: 'choice',
      name: 'On limbs that must stay',
      options: ['balls broken off', 'left'],
      usual: () => 'balls broken off',
    },
    dry,
    hazard,
  ],
  workOut: (facts, a) => ({
    figures: [{ name: 'Balls', value: String(num(a, 'balls')), unit: '' }],
    sum: [`${showTrunk(BELOW_CM, facts.system).text} below the ball, back to a fork`],
    steps: [
      'In winter, when it is seen; law may protect it, a few balls stay.',
      a['leave'] === 'left'
        ? 'What sits on main limbs stays.'
        : 'What sits on main limbs is broken off each winter: it sprouts again, and seeds no more.',
      ...CUT_STEPS,
      dressing(facts),
    ],
    take: CUT_TAKE,
    gates: cutGates(facts, a, num(a, 'live')),
    minutes: 15 + 5 * num(a, 'balls'),
    followUps: [
      rule({
        id: 'mistletoe-again',
        kind: 'look',
        what: 'Count the balls',
        count: 2,
        unit: 'years',
        why: 'it sprouts again from what stayed',
      }),
    ],
  }),
};
