import { figure } from '../../../lib/units/units';
import { services, servicesGate } from '../digs';
import { barHolesFrom } from '../fits';
import { num, rule, type Work } from '../work';

export const barHolesWork: Work = {
  id: 'bar-holes',
  name: 'Air holes in hard soil',
  method: 'excavation',
  life: { times: 1, apart: 0, everyYears: 3, courses: null },
  when: (f) => ['compaction', 'waterlogging', 'grade-change', 'gas-leak'].includes(f.condition?.id ?? ''),
  asks: [
    {
      key: 'radius',
      kind: 'number',
      name: 'Out to',
      unit: 'm',
      min: 1,
      max: 15,
      usual: (f) =>
        Math.max(2, Math.ceil(barHolesFrom(f.diameterCm) * 10) / 10 + 1, Math.round((f.crownWidthM ?? 6) * 5) / 10),
    },
    { key: 'apart', kind: 'number', name: 'Apart', unit: 'cm', min: 30, max: 120, usual: () => 60 },
    { key: 'depth', kind: 'number', name: 'Depth', unit: 'cm', min: 15, max: 60, usual: () => 40 },
    services,
  ],
  workOut: (facts, a) => {
    const inner = barHolesFrom(facts.diameterCm);
    const m2 = Math.PI * Math.max(0.5, num(a, 'radius') ** 2 - inner ** 2);
    const holes = Math.max(1, Math.ceil(m2 / (num(a, 'apart') / 100) ** 2));
    return {
      figures: [
        { name: 'Holes', value: String(holes), unit: '' },
        { name: 'Depth', value: String(num(a, 'depth')), unit: 'cm' },
      ],
      sum: [`${figure(m2, 3)} m² from ${figure(inner, 2)} m outward, one every ${num(a, 'apart')} cm each way`],
      steps: [
        'Air lance or auger of 5 cm; stop where a root is thicker than a finger and go a hand aside.',
        'Fill with coarse compost or expanded shale; never with sand alone.',
        'Mulch over it, and keep wheels and feet off.',
      ],
      take: [
        { what: 'Air lance or auger 5 cm', amount: '1' },
        { what: 'Compost', amount: `${figure(holes * Math.PI * 2.5 ** 2 * num(a, 'depth') * 0.001, 3)} L` },
      ],
      gates: servicesGate(a['services'] === true),
      minutes: 15 + holes * 2,
      followUps: [
        rule({
          id: 'holes-probe',
          kind: 'check-effect',
          what: 'Probe the soil between the holes',
          count: 12,
          unit: 'months',
          why: 'a probe must go in by hand',
        }),
      ],
    };
  },
};
