import { gate } from '../../gates/gate';
import { num, rule, type Work, northernMonthOf } from '../work';
import { hazard, dry, cutGates, CUT_STEPS, CUT_TAKE } from '../cuts';

export const waterShootsWork: Work = {
  id: 'water-shoots',
  name: 'Thin water shoots',
  method: 'pruning',
  // Over three summers, not in one.
  life: { times: 1, apart: 0, everyYears: 1, courses: 3 },
  when: (f) => ['water-shoots', 'psyllid', 'old-age-decline'].includes(f.condition?.id ?? ''),
  asks: [
    { key: 'shoots', kind: 'number', name: 'Water shoots', unit: '', min: 1, max: 500, whole: true, usual: () => 30 },
    { key: 'keep', kind: 'number', name: 'Of them kept', unit: '%', min: 10, max: 90, usual: () => 40 },
    dry,
    hazard,
  ],
  workOut: (facts, a) => {
    const keep = Math.ceil((num(a, 'shoots') * num(a, 'keep')) / 100 - 1e-9);
    const month = northernMonthOf(facts);
    return {
      figures: [
        { name: 'Take', value: String(num(a, 'shoots') - keep), unit: '' },
        { name: 'Keep', value: String(keep), unit: '' },
      ],
      sum: [`${num(a, 'shoots')} shoots, ${num(a, 'keep')} % kept: they shade the bark and feed the limb`],
      steps: [
        'Summer, while soft: tear off with the heel. Winter cuts call for more.',
        'Keep weak, flat ones, well spread; shade on the upper side of limbs.',
        ...CUT_STEPS,
      ],
      take: CUT_TAKE,
      gates: [
        ...cutGates(facts, a, 0),
        ...(month < 6 || month > 9
          ? [
              gate({
                id: 'shoots-season',
                strength: 'note',
                title: 'Better in summer',
                sentence: 'Taken in winter, water shoots come back stronger.',
                source: 'practice',
                satisfy: 'June to September.',
              }),
            ]
          : []),
        ...(num(a, 'keep') < 25
          ? [
              gate({
                id: 'shoots-all',
                strength: 'hold',
                title: 'Too many at once',
                sentence: 'Bare limbs burn and answer with more shoots.',
                source: 'practice',
                satisfy: 'Keep a quarter at least.',
              }),
            ]
          : []),
      ],
      minutes: 10 + num(a, 'shoots') / 2,
      followUps: [
        rule({
          id: 'shoots-again',
          kind: 'site-work',
          what: 'Thin water shoots, second tier',
          count: 1,
          unit: 'years',
          why: 'over two or three summers, not one',
          more: { months: [6, 7, 8] },
        }),
      ],
    };
  },
};
