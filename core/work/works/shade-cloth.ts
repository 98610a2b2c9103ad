import { figure } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** Sides of a screen that stands square about a small tree. */
const SIDES: Readonly<Record<string, number>> = { 'the sunny side': 1, 'sun and wind': 2, 'all round': 4 };
/** Clear of the foliage, m: cloth that touches it carries frost and mould in. */
const CLEAR_M = 0.3;

export const shadeClothWork: Work = {
  id: 'shade-cloth',
  name: 'Screen against sun and wind',
  method: 'guard',
  life: { times: 1, apart: 0, everyYears: 1, courses: 3 },
  when: (f) => ['winter-burn', 'sun-scald'].includes(f.condition?.id ?? ''),
  asks: [
    {
      key: 'height',
      kind: 'number',
      name: 'Height',
      unit: 'm',
      min: 0.3,
      max: 4,
      usual: (f) => Math.min(f.heightM ?? 2, 3),
    },
    {
      key: 'width',
      kind: 'number',
      name: 'Width of the crown',
      unit: 'm',
      min: 0.2,
      max: 6,
      usual: (f) => Math.min(f.crownWidthM ?? 1.5, 6),
    },
    { key: 'sides', kind: 'choice', name: 'It stands', options: Object.keys(SIDES), usual: () => 'sun and wind' },
  ],
  workOut: (_, a) => {
    const side = num(a, 'width') + 2 * CLEAR_M;
    const sides = SIDES[String(a['sides'])]!;
    const m2 = sides * side * num(a, 'height');
    const stakes = sides === 4 ? 4 : sides + 1;
    return {
      figures: [
        { name: 'Cloth', value: figure(m2, 2), unit: 'm²' },
        { name: 'Stakes', value: String(stakes), unit: '' },
      ],
      sum: [
        `${sides} × (${num(a, 'width')} m + twice ${CLEAR_M} m clear) × ${num(a, 'height')} m = ${figure(m2, 2)} m²`,
      ],
      steps: [
        'Woven cloth or sacking that lets air through; never film.',
        'On stakes, clear of the foliage; open at the top.',
        'The ground is watered deep before it freezes, and mulched.',
      ],
      take: [
        { what: 'Woven cloth', amount: `${figure(m2, 2)} m²` },
        { what: 'Stakes and ties', amount: String(stakes) },
      ],
      gates: [],
      minutes: 10 + 8 * stakes,
      followUps: [
        rule({
          id: 'cloth-off',
          kind: 'site-work',
          what: 'Take the cloth down',
          count: 4,
          unit: 'months',
          why: 'before growth; on a dull day',
        }),
      ],
    };
  },
};
