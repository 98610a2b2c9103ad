import { showTrunk } from '../../../lib/units/units';
import { CUT_STEPS, CUT_TAKE, cutGates, dressing, dry, hazard, RELIEVED } from '../cuts';
import { num, rule, type Work } from '../work';

export const limbReliefWork: Work = {
  id: 'limb-relief',
  name: 'Shorten what weak wood carries',
  method: 'pruning',
  // It grows back, and is judged anew.
  life: { times: 1, apart: 0, everyYears: 3, courses: null },
  when: (f) => RELIEVED.includes(f.condition?.id ?? ''),
  asks: [
    { key: 'limbs', kind: 'number', name: 'Limbs shortened', unit: '', min: 1, max: 60, whole: true, usual: () => 6 },
    { key: 'by', kind: 'number', name: 'Each by', unit: 'cm', min: 30, max: 800, usual: () => 150 },
    { key: 'live', kind: 'number', name: 'Live crown taken', unit: '%', min: 0, max: 60, usual: () => 15 },
    { key: 'judged', kind: 'yes', name: 'An assessor has said what must carry less', usual: () => false },
    dry,
    hazard,
  ],
  workOut: (facts, a) => ({
    figures: [
      {
        name: 'Shorten by',
        value: showTrunk(num(a, 'by'), facts.system).value,
        unit: showTrunk(num(a, 'by'), facts.system).unit,
      },
      { name: 'Limbs', value: String(num(a, 'limbs')), unit: '' },
    ],
    sum: [
      `${num(a, 'limbs')} limbs by ${showTrunk(num(a, 'by'), facts.system).text}, ${num(a, 'live')} % of the live crown`,
      a['judged'] === true ? 'As the assessor has it.' : 'Before an assessor has been: only what hangs over people.',
    ],
    steps: [
      'Nobody climbs on wood that is in doubt: from a lift, or from a sound neighbour.',
      'Shorten to a side limb at least a third as thick; no stubs, no flush cuts, the bracket stays.',
      ...CUT_STEPS,
      dressing(facts),
    ],
    take: [...CUT_TAKE, { what: 'Lift, ropes, barriers', amount: '1 set' }],
    gates: cutGates(facts, a, num(a, 'live')),
    minutes: 30 + 12 * num(a, 'limbs'),
    followUps: [
      rule({
        id: 'relief-look',
        kind: 'look',
        what: 'Look at bracket, base and crown',
        count: 1,
        unit: 'years',
        why: 'decay goes on; what holds is judged anew',
      }),
    ],
  }),
};
