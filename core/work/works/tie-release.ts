import { gate } from '../../gates/gate';
import { girthFromDiameter } from '../../measure/trunk';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** Two summers of growth fit into a new tie. */
const YEARS = 2;

export const tieReleaseWork: Work = {
  id: 'tie-release',
  name: 'Free it of ties and stakes',
  method: 'sanitation',
  life: { times: 1, apart: 0, everyYears: null, courses: 1 },
  when: (f) => f.condition?.id === 'ties',
  asks: [
    { key: 'ties', kind: 'number', name: 'Ties, wires, bands', unit: '', min: 1, max: 20, whole: true, usual: () => 1 },
    {
      key: 'grown',
      kind: 'choice',
      name: 'The bark has closed over',
      options: ['none of it', 'part of it', 'all round'],
      usual: () => 'part of it',
    },
    { key: 'stands', kind: 'yes', name: 'Let go, it stands by itself', usual: () => false },
  ],
  workOut: (facts, a) => {
    const years = facts.host.growthCmPerYear * YEARS;
    const length = showTrunk(girthFromDiameter(facts.diameterCm + years) + 10, facts.system);
    const again = a['stands'] !== true;
    return {
      figures: [
        { name: 'Ties to cut', value: String(num(a, 'ties')), unit: '' },
        ...(again ? [{ name: 'A new tie, cut to', value: length.value, unit: length.unit }] : []),
      ],
      sum: again
        ? [
            `π × (${showTrunk(facts.diameterCm, facts.system).text} and two summers of growth) and ${showTrunk(10, facts.system).text} to the stake`,
          ]
        : ['it stands by itself: no new tie'],
      steps: [
        'Cut it on the side of the stake, with the blade away from the bark.',
        a['grown'] === 'all round'
          ? 'What is overgrown all round stays: it is cut through where it can be reached, and never pulled.'
          : 'Pull out only what comes by itself.',
        again
          ? 'A soft wide tie in a figure of eight, low on the trunk, with room for two summers.'
          : 'The stake comes out: it rubs, and holds what must learn to sway.',
      ],
      take: [
        { what: 'Cutters, thin hook', amount: '1 set' },
        ...(again ? [{ what: 'Soft tie', amount: length.text }] : []),
      ],
      gates:
        a['grown'] === 'all round'
          ? [
              gate({
                id: 'tie-overgrown',
                strength: 'note',
                title: 'Grown in all round',
                sentence: 'The stem may snap where a tie has grown in; wind tells.',
                source: 'practice',
                satisfy: 'Keep it from the wind for a summer, and look again.',
              }),
            ]
          : [],
      minutes: 5 + 5 * num(a, 'ties') + (again ? 5 : 0),
      followUps: [
        rule({
          id: 'tie-look',
          kind: 'look',
          what: 'Notch of the old tie, lean, new tie',
          count: 12,
          unit: 'months',
          why: 'a notch that does not close snaps',
        }),
      ],
    };
  },
};
