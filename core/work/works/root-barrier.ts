import { figure } from '../../../lib/units/units';
import { services, servicesGate } from '../digs';
import { diggingFrom } from '../fits';
import { num, rule, type Work } from '../work';

export const rootBarrierWork: Work = {
  id: 'root-barrier',
  name: 'Sever root grafts, or a root barrier',
  method: 'root barrier',
  // Roots grow round it in time.
  life: { times: 1, apart: 0, everyYears: 8, courses: null },
  asks: [
    {
      key: 'length',
      kind: 'number',
      name: 'Length',
      unit: 'm',
      min: 1,
      max: 300,
      usual: (f) => Math.max(6, Math.round((f.crownWidthM ?? 8) * 1.5)),
    },
    {
      key: 'depth',
      kind: 'number',
      name: 'Depth',
      unit: 'cm',
      min: 50,
      max: 180,
      usual: (f) => (f.texture === 'sandy' ? 150 : 120),
    },
    {
      key: 'from',
      kind: 'number',
      name: 'From the sick tree',
      unit: 'm',
      min: 1,
      max: 40,
      usual: (f) => Math.max(6, diggingFrom(f.diameterCm)),
    },
    { key: 'sheet', kind: 'yes', name: 'A barrier sheet goes in', usual: () => false },
    services,
  ],
  workOut: (facts, a) => ({
    figures: [
      { name: 'Length', value: figure(num(a, 'length'), 3), unit: 'm' },
      { name: 'Depth', value: figure(num(a, 'depth'), 3), unit: 'cm' },
    ],
    sum: [`${num(a, 'length')} m long, ${num(a, 'depth')} cm deep, ${num(a, 'from')} m from the sick tree`],
    steps: [
      'Before the sick tree is felled: a felled one pushes what it has through the grafts.',
      'Between the sick tree and the next sound one; the second line beyond the next, where it is new.',
      'Clean cuts, blade disinfected, trench closed the same day.',
      ...(a['sheet'] === true ? ['The sheet stands a hand above the soil, joints overlapped by half a metre.'] : []),
    ],
    take: [
      { what: 'Vibrating plough or trencher, long blade', amount: '1' },
      ...(a['sheet'] === true
        ? [{ what: 'Root barrier sheet', amount: `${figure(num(a, 'length') * 1.1, 3)} m` }]
        : []),
    ],
    gates: servicesGate(a['services'] === true),
    minutes: 30 + num(a, 'length') * (facts.texture === 'sandy' ? 4 : 6),
    followUps: [
      rule({
        id: 'grafts-look',
        kind: 'look',
        what: 'Look at the next trees',
        count: 6,
        unit: 'weeks',
        why: 'what had passed shows within a season',
      }),
    ],
  }),
};
