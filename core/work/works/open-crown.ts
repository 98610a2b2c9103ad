import { gate } from '../../gates/gate';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { hazard, dry, cutGates, dressing, CUT_STEPS, CUT_TAKE, CUSTOM_CUT } from '../cuts';

export const openCrownWork: Work = {
  id: 'open-crown',
  name: 'Open the crown',
  method: 'pruning',
  // In two steps.
  life: { times: 1, apart: 0, everyYears: 2, courses: 2 },
  when: (f) => ![...CUSTOM_CUT, 'fire-blight', 'dutch-elm-disease'].includes(f.condition?.id ?? ''),
  asks: [
    { key: 'live', kind: 'number', name: 'Live crown taken', unit: '%', min: 1, max: 60, usual: () => 12 },
    { key: 'largest', kind: 'number', name: 'Largest cut', unit: 'cm', min: 0.5, max: 60, usual: () => 4 },
    dry,
    hazard,
  ],
  workOut: (facts, a) => ({
    figures: [
      { name: 'Of the live crown, at most', value: String(num(a, 'live')), unit: '%' },
      {
        name: 'Largest cut',
        value: showTrunk(num(a, 'largest'), facts.system).value,
        unit: showTrunk(num(a, 'largest'), facts.system).unit,
      },
    ],
    sum: [`${num(a, 'live')} % of the leaf, spread over the crown, inside and outside alike`],
    steps: [
      'Crossing and inward wood first, then thin from the outside; no lion’s tails.',
      'Cut at the collar, undercut first on anything thicker than a thumb.',
      dressing(facts),
      ...CUT_STEPS,
    ],
    take: CUT_TAKE,
    gates: [
      ...cutGates(facts, a, num(a, 'live')),
      ...(num(a, 'largest') > 10
        ? [
            gate({
              id: 'large-cut',
              strength: 'hold',
              title: 'Large cut',
              sentence: 'Cuts over ten centimetres seldom close; heartwood is opened.',
              source: 'practice',
              satisfy: 'Reduce to a smaller fork instead.',
            }),
          ]
        : []),
    ],
    minutes: 45 + 3 * num(a, 'live'),
    followUps: [
      rule({
        id: 'crown-second',
        kind: 'site-work',
        what: 'Open the crown, second step',
        count: 2,
        unit: 'years',
        why: 'in two steps: hard opening burns bark and costs the crop',
      }),
    ],
  }),
};
