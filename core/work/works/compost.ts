import { figure, showArea } from '../../../lib/units/units';
import { clearRing } from '../../rootzone/zone';
import { cubic, NO_RING, ringGate } from '../digs';
import { num, rule, type Work } from '../work';

export const compostWork: Work = {
  id: 'compost',
  name: 'Compost dressing',
  method: 'feeding',
  life: { times: 1, apart: 0, everyYears: 2, courses: null },
  when: (f) => f.condition === null || !['fire-blight', 'herbicide-damage'].includes(f.condition.id),
  asks: [
    {
      key: 'radius',
      kind: 'number',
      name: 'Out to',
      unit: 'm',
      min: 0.5,
      max: 15,
      usual: (f) => Math.max(1, Math.round((f.crownWidthM ?? 4) * 5) / 10),
    },
    { key: 'depth', kind: 'number', name: 'Depth', unit: 'cm', min: 0.5, max: 3, usual: () => 1.5 },
  ],
  workOut: (facts, a) => {
    const ring = clearRing(facts.diameterCm, num(a, 'radius'));
    const m2 = ring ?? 0;
    const m3 = cubic((m2 * num(a, 'depth')) / 100, facts.system);
    return {
      figures: [{ name: 'Compost', value: m3.value, unit: m3.unit }],
      sum:
        ring === null
          ? [NO_RING]
          : [`${showArea(m2, facts.system).text} × ${num(a, 'depth')} cm, ten centimetres clear of the bark`],
      steps: [
        'Ripe and sieved, from no diseased tree of the same kind.',
        `Not more than ${figure(num(a, 'depth'), 2)} cm: roots breathe through it; mulch over it.`,
        'In spring; none after midsummer, where frost comes.',
      ],
      take: [
        { what: 'Compost', amount: m3.text },
        { what: 'Rake, barrow', amount: '1 set' },
      ],
      gates: ringGate(ring),
      minutes: 10 + m2 * 1.5,
      followUps: [
        rule({
          id: 'compost-look',
          kind: 'check-effect',
          what: 'Length of this year’s shoots',
          count: 12,
          unit: 'months',
          why: 'it works by the next season',
        }),
      ],
    };
  },
};
