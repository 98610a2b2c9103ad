import { gate } from '../../gates/gate';
import { ABOVE_SNOW, DEER_ABOVE, guard, IN_SOIL, MESH_MM } from '../../guard/guard';
import { figure, showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

export const guardWork: Work = {
  id: 'guard',
  name: 'Trunk guard',
  method: 'guard',
  // Until the trunk fills it.
  life: { times: 1, apart: 0, everyYears: 4, courses: null },
  // A mesh guard answers teeth and antlers; it neither keeps rain off nor sun.
  when: (f) =>
    f.condition === null ||
    ['voles', 'rabbits', 'deer', 'mower-wounds', 'peach-tree-borer', 'sapsuckers'].includes(f.condition.id),
  goesBy: (condition) => {
    if (condition === 'deer') return [{ what: 'high', from: DEER_ABOVE, unit: 'cm' }];
    const rabbits = condition === 'rabbits';
    if (!rabbits && condition !== 'voles') return [];
    return [
      { what: 'mesh, at most', from: MESH_MM.voles, unit: 'mm' },
      { what: 'above the usual snow', from: rabbits ? ABOVE_SNOW.rabbits : ABOVE_SNOW.voles, unit: 'cm' },
      ...(rabbits ? [{ what: 'high at least', from: ABOVE_SNOW.leastForRabbits, unit: 'cm' } as const] : []),
      { what: 'into the soil', from: IN_SOIL, unit: 'cm' },
    ];
  },
  asks: [
    {
      key: 'material',
      kind: 'choice',
      name: 'Material',
      options: ['metal mesh', 'plastic spiral'],
      usual: (f) => (f.meshSchool === 'metal' ? 'metal mesh' : 'plastic spiral'),
    },
    { key: 'voles', kind: 'yes', name: 'Voles about', usual: () => true },
    { key: 'rabbits', kind: 'yes', name: 'Rabbits about', usual: (f) => f.condition?.id === 'rabbits' },
    { key: 'deer', kind: 'yes', name: 'Deer about', usual: (f) => f.condition?.id === 'deer' },
    { key: 'snow', kind: 'number', name: 'Usual depth of snow', unit: 'cm', min: 0, max: 300, usual: () => 20 },
    {
      key: 'years',
      kind: 'number',
      name: 'Years until it is opened',
      unit: 'years',
      min: 1,
      max: 10,
      usual: () => 4,
    },
    { key: 'clearance', kind: 'number', name: 'Clearance to the bark', unit: 'cm', min: 1, max: 20, usual: () => 3 },
    { key: 'overlap', kind: 'number', name: 'Overlap', unit: 'cm', min: 2, max: 20, usual: () => 4 },
  ],
  workOut: (facts, a) => {
    const g = guard({
      d: facts.diameterCm,
      growth: facts.host.growthCmPerYear,
      years: num(a, 'years'),
      clearance: num(a, 'clearance'),
      overlap: num(a, 'overlap'),
      voles: a['voles'] === true,
      rabbits: a['rabbits'] === true,
      deer: a['deer'] === true,
      snow: num(a, 'snow'),
    });
    const height = showTrunk(g.height, facts.system);
    const length = showTrunk(g.length, facts.system);
    const plastic = a['material'] === 'plastic spiral';
    return {
      figures: [
        { name: 'Height of the piece', value: height.value, unit: height.unit },
        { name: 'Length around', value: length.value, unit: length.unit },
        { name: 'Mesh, at most', value: figure(g.meshMm, 2), unit: 'mm' },
      ],
      sum: [
        ...g.reasons,
        `π × (${showTrunk(facts.diameterCm, facts.system).text} + ${num(a, 'years')} years of growth + 2 × ${num(a, 'clearance')} cm) + ${num(a, 'overlap')} cm`,
      ],
      steps: [
        'Clear grass and mulch from the collar; look for bark already gnawed.',
        `Bend the lower edge outward, ${showTrunk(IN_SOIL, facts.system).text} into the soil.`,
        plastic
          ? 'Wind it so that it can slide open as the trunk grows; take it off in summer, damp bark rots behind it.'
          : 'Close with twisted wire on the outside, cut ends away from the bark.',
        'Nothing of it touches the bark or the lowest branch.',
      ],
      take: [
        {
          what: plastic ? 'Plastic spiral guard' : `Mesh ${figure(g.meshMm, 2)} mm and finer`,
          amount: `${length.text} × ${height.text} high`,
          ...(plastic ? {} : { cut: true as const }),
        },
        { what: 'Tin snips, wire, gloves, spade', amount: '1 set' },
      ],
      ...(plastic ? {} : { cut: { length: g.length, height: g.height } }),
      gates: plastic
        ? [
            gate({
              id: 'guard-plastic-voles',
              strength: 'note',
              title: 'Plastic spiral',
              sentence: 'Voles get under a spiral that is not set into the soil, and bark stays damp behind it.',
              source: 'school: mesh',
              satisfy: 'Look behind it in spring.',
            }),
          ]
        : [],
      minutes: 15,
      followUps: [
        rule({
          id: 'guard-spring',
          kind: 'site-work',
          what: 'Look behind the guard, set it upright',
          count: 5,
          unit: 'months',
          why: 'after the snow: gnawing, wet bark, a lifted edge',
        }),
        rule({
          id: 'guard-widen',
          kind: 'site-work',
          what: 'Widen the guard',
          count: Math.max(1, num(a, 'years')),
          unit: 'years',
          why: 'it must be widened before it girdles',
          more: {
            latest: Math.max(1, num(a, 'years')),
          },
        }),
      ],
    };
  },
};
