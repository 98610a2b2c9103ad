import { figure } from '../../../lib/units/units';
import { cubic, services, servicesGate } from '../digs';
import { diggingFrom } from '../fits';
import { num, rule, type Work } from '../work';

export const drainageWork: Work = {
  id: 'drainage',
  name: 'Drain',
  method: 'drainage',
  life: { times: 1, apart: 0, everyYears: null, courses: 1 },
  asks: [
    {
      key: 'from',
      kind: 'number',
      name: 'Nearest to the trunk',
      unit: 'm',
      min: 0.5,
      max: 60,
      usual: (f) => diggingFrom(f.diameterCm),
    },
    { key: 'length', kind: 'number', name: 'Length', unit: 'm', min: 1, max: 200, usual: () => 12 },
    { key: 'depth', kind: 'number', name: 'Depth', unit: 'cm', min: 20, max: 120, usual: () => 50 },
    { key: 'width', kind: 'number', name: 'Width', unit: 'cm', min: 10, max: 60, usual: () => 20 },
    { key: 'fall', kind: 'number', name: 'Fall to the outlet', unit: '%', min: 0.5, max: 20, usual: () => 1 },
    services,
  ],
  workOut: (facts, a) => {
    const gravel = cubic((num(a, 'length') * num(a, 'depth') * num(a, 'width')) / 10_000, facts.system);
    return {
      figures: [
        { name: 'Gravel', value: gravel.value, unit: gravel.unit },
        { name: 'Fall in all', value: figure(num(a, 'length') * num(a, 'fall'), 3), unit: 'cm' },
      ],
      sum: [`${num(a, 'length')} m × ${num(a, 'width')} cm × ${num(a, 'depth')} cm`],
      steps: [
        'Outside the drip line, or towards the trunk like a spoke; never across the roots.',
        'By air or by hand where roots are: what is thicker than 2.5 cm stays.',
        'To an outlet that takes it: never into a stream what has been treated.',
        'Fleece, gravel, fleece, soil.',
      ],
      take: [
        { what: 'Gravel', amount: gravel.text },
        { what: 'Fleece, spade or air lance, level', amount: '1 set' },
      ],
      gates: servicesGate(a['services'] === true),
      minutes: 20 + num(a, 'length') * 18,
      followUps: [
        rule({
          id: 'drain-look',
          kind: 'check-effect',
          what: 'Probe the soil after rain',
          count: 4,
          unit: 'weeks',
          why: 'water must be gone a day after rain',
        }),
      ],
    };
  },
};
