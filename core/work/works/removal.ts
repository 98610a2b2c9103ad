import { gate } from '../../gates/gate';
import { figure } from '../../../lib/units/units';
import { cubic } from '../digs';
import { CUT_TAKE, cutGates, hazard } from '../cuts';
import { num, type Work } from '../work';

/** Share of a cylinder of breast height that a stem with its limbs comes to; a practice figure of timber tables. */
const FORM = 0.5;

/** The brood is still under the bark for so many weeks after the first dust. */
const BROOD_WEEKS: Readonly<Record<string, number>> = { 'spruce-bark-beetle': 3 };

export const removalWork: Work = {
  id: 'removal',
  name: 'Removal',
  method: 'removal',
  life: { times: 1, apart: 0, everyYears: null, courses: 1 },
  goesBy: (condition) => {
    const weeks = BROOD_WEEKS[condition ?? ''];
    return weeks ? [{ what: 'before they fly, within', from: weeks, unit: 'weeks' }] : [];
  },
  asks: [
    { key: 'height', kind: 'number', name: 'Height', unit: 'm', min: 1, max: 110, usual: (f) => f.heightM ?? 12 },
    {
      key: 'how',
      kind: 'choice',
      name: 'How',
      options: ['by machine', 'from a lift', 'climbed'],
      usual: () => 'from a lift',
    },
    { key: 'brittle', kind: 'yes', name: 'Dead, decayed or brittle', usual: () => true },
    {
      key: 'stump',
      kind: 'choice',
      name: 'The stump',
      options: ['stays', 'ground out', 'dug out'],
      usual: () => 'ground out',
    },
    { key: 'leave', kind: 'yes', name: 'Leave to fell is there', usual: () => false },
    hazard,
  ],
  workOut: (facts, a) => {
    const m3 = Math.PI * (facts.diameterCm / 200) ** 2 * num(a, 'height') * FORM;
    const brood = BROOD_WEEKS[facts.condition?.id ?? ''];
    const wood = cubic(m3, facts.system);
    return {
      figures: [{ name: 'Wood', value: wood.value, unit: wood.unit }],
      sum: [
        `${figure(facts.diameterCm, 3)} cm across, ${num(a, 'height')} m high, half a cylinder of it: ${wood.text}`,
      ],
      steps: [
        'Close off twice the height; look for nests, bats and bees first.',
        a['how'] === 'climbed'
          ? 'Two ropes, a second climber on the ground who can reach.'
          : `${String(a['how'])[0]!.toUpperCase()}${String(a['how']).slice(1)}; nobody below.`,
        ...(brood ? [`Felled and off the place within ${brood} weeks: the brood flies then.`] : []),
        'Infected or infested wood stays on the place, chipped or covered, until it may leave.',
        a['stump'] === 'stays'
          ? 'The stump stays: on conifers treat it the same day against root rot.'
          : `The stump is ${String(a['stump'])}, services marked first.`,
      ],
      take: [...CUT_TAKE, { what: 'Barriers, signs, chipper', amount: '1 set' }],
      gates: [
        ...cutGates(facts, a, 0),
        ...(a['brittle'] === true && a['how'] === 'climbed'
          ? [
              gate({
                id: 'brittle-climbed',
                strength: 'stop',
                title: 'Not climbed',
                sentence: 'Dead, decayed or brittle wood does not carry a climber.',
                source: 'practice',
                satisfy: 'By machine, from a lift, or from a sound neighbour.',
              }),
            ]
          : []),
        ...(a['leave'] === true
          ? []
          : [
              gate({
                id: 'felling-leave',
                strength: 'hold',
                title: 'Leave to fell?',
                sentence: 'Many trees are protected by by-law, condition or season.',
                source: 'local rules',
                satisfy: 'Ask, and say that leave is there; a danger that cannot wait is photographed.',
                state: 'asked',
              }),
            ]),
      ],
      minutes: 60 + m3 * 60,
      followUps: [],
    };
  },
};
