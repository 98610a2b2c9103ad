import { gate } from '../../gates/gate';
import { num, rule, type Work, northernMonthOf } from '../work';

/** Height of the ring that is cut out, cm. */
const GAP_CM = 30;

export const ivyWindowWork: Work = {
  id: 'ivy-window',
  name: 'A window in the ivy',
  method: 'pruning',
  life: { times: 1, apart: 0, everyYears: 4, courses: null },
  when: (f) => f.condition?.id === 'ivy-cover',
  goesBy: () => [{ what: 'height of the window', from: GAP_CM, unit: 'cm' }],
  asks: [
    { key: 'stems', kind: 'number', name: 'Stems of ivy', unit: '', min: 1, max: 80, whole: true, usual: () => 8 },
    { key: 'gap', kind: 'number', name: 'Height of the window', unit: 'cm', min: 20, max: 150, usual: () => GAP_CM },
    { key: 'nests', kind: 'yes', name: 'Looked for nests and bats: none', usual: () => false },
  ],
  workOut: (facts, a) => {
    const month = northernMonthOf(facts);
    return {
      figures: [{ name: 'Window', value: String(num(a, 'gap')), unit: 'cm' }],
      sum: [`${num(a, 'stems')} stems, a ring ${num(a, 'gap')} cm high all round`],
      steps: [
        'A ring out of every stem round the trunk, without touching the bark.',
        'What is above dies and stays until it falls: nothing is torn off living bark.',
        'Look at the base while it is open: brackets, hollows, cracks.',
      ],
      take: [{ what: 'Hand saw, loppers, chisel', amount: '1 set' }],
      gates:
        month >= 3 && month <= 8 && a['nests'] !== true
          ? [
              gate({
                id: 'nesting',
                strength: 'hold',
                title: 'Nests?',
                sentence: 'Birds nest in ivy from March to August, and bats sleep in it.',
                source: 'local rules',
                facts: [`month ${month} of the northern year`],
                satisfy: 'Look first, and say that there are none; or come back in autumn.',
                state: 'asked',
              }),
            ]
          : [],
      minutes: 15 + 4 * num(a, 'stems'),
      followUps: [
        rule({
          id: 'ivy-look',
          kind: 'look',
          what: 'Look at the trunk that the ivy hid',
          count: 1,
          unit: 'years',
          why: 'dead ivy falls within a year or two',
        }),
      ],
    };
  },
};
