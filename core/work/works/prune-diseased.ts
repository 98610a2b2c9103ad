import { gate } from '../../gates/gate';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { hazard, dry, cutGates, dressing, CUT_STEPS, CUT_TAKE, CUSTOM_CUT } from '../cuts';

/** How far below the last sign of it diseased wood is cut at least and usually, cm, where it differs from the usual. */
const CUT_BELOW: Readonly<Record<string, readonly [least: number, usual: number]>> = {
  'fire-blight': [20, 30],
  'dutch-elm-disease': [300, 300],
  'black-knot': [15, 20],
  'silver-leaf': [15, 15],
  'bacterial-canker': [15, 15],
  'nectria-canker': [15, 15],
  'cytospora-canker': [15, 15],
  'chestnut-blight': [30, 30],
  'canker-stain': [100, 100],
  'cypress-canker': [10, 20],
};
const cutBelow = (condition: string | null | undefined) => CUT_BELOW[condition ?? ''] ?? ([15, 20] as const);
/** What was missed shows within so many weeks. */
const SHOWS_WEEKS = 3;

export const pruneDiseasedWork: Work = {
  id: 'prune-diseased',
  name: 'Cut diseased wood',
  method: 'pruning',
  // What was missed shows in the next year.
  life: { times: 1, apart: 0, everyYears: 1, courses: 2 },
  when: (f) => ![...CUSTOM_CUT, 'water-shoots', 'dense-crown'].includes(f.condition?.id ?? ''),
  goesBy: (condition) => {
    const [from, to] = cutBelow(condition);
    return [
      { what: 'below the last sign', from, to, unit: 'cm' },
      { what: 'looked at again after', from: SHOWS_WEEKS, unit: 'weeks' },
    ];
  },
  asks: [
    {
      key: 'below',
      kind: 'number',
      name: 'Cut below the last sign of it by',
      unit: 'cm',
      min: 2,
      max: 500,
      usual: (f) => cutBelow(f.condition?.id)[1],
    },
    {
      key: 'room',
      kind: 'number',
      name: 'Sound wood left on that limb',
      unit: 'cm',
      min: 0,
      max: 3000,
      usual: () => 100,
    },
    { key: 'limbs', kind: 'number', name: 'Limbs or twigs', unit: '', min: 1, max: 200, whole: true, usual: () => 3 },
    { key: 'live', kind: 'number', name: 'Live crown taken', unit: '%', min: 0, max: 100, usual: () => 5 },
    { key: 'union', kind: 'yes', name: 'The cut is above the graft union', usual: () => true },
    dry,
    hazard,
  ],
  workOut: (facts, a) => {
    const below = num(a, 'below');
    return {
      figures: [
        {
          name: 'Cut below the last sign',
          value: showTrunk(below, facts.system).value,
          unit: showTrunk(below, facts.system).unit,
        },
        { name: 'Cuts', value: String(num(a, 'limbs')), unit: '' },
      ],
      sum: [
        `${facts.condition?.name ?? 'diseased wood'}: ${showTrunk(below, facts.system).text} into clear wood, back to a fork or the branch collar`,
      ],
      steps: [
        ...CUT_STEPS,
        'Peel a strip at the cut: still stained? Go a hand farther down.',
        dressing(facts),
        'Bag or burn the prunings; infected wood leaves the place, none on the compost.',
      ],
      take: [
        ...CUT_TAKE,
        { what: 'Sacks or sheeting for infected wood', amount: String(Math.ceil(num(a, 'limbs') / 3)) },
      ],
      gates: [
        ...cutGates(facts, a, num(a, 'live'), true),
        ...(num(a, 'room') < below
          ? [
              gate({
                id: 'no-clear-wood',
                strength: 'hold',
                title: 'Not enough clear wood',
                sentence: `Only ${num(a, 'room')} cm of sound wood is left on that limb; ${below} cm are wanted.`,
                source: 'practice',
                satisfy: `Allowed if cut below ${below} cm: take the whole limb at its collar, or look at the trunk.`,
              }),
            ]
          : []),
        ...(a['union'] === true
          ? []
          : [
              gate({
                id: 'graft-union',
                strength: 'hold',
                title: 'Graft union?',
                sentence: 'Below the union only the rootstock grows back.',
                source: 'practice',
                satisfy: 'Find the union and cut above it.',
                state: 'asked',
              }),
            ]),
      ],
      minutes: 10 + 6 * num(a, 'limbs'),
      followUps: [
        rule({
          id: 'prune-look',
          kind: 'check-effect',
          what: 'Look for the disease below the cuts',
          count: SHOWS_WEEKS,
          unit: 'weeks',
          why: 'what was missed shows within weeks',
        }),
      ],
    };
  },
};
