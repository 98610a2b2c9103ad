import { figure, showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

export const whiteningWork: Work = {
  id: 'whitening',
  name: 'Whiten the trunk',
  method: 'guard',
  // Rain and growth take it off.
  life: { times: 1, apart: 0, everyYears: 2, courses: null },
  when: (f) => ['sun-scald', 'sun-heat-scorch', 'frost-crack', 'shot-hole-borer'].includes(f.condition?.id ?? ''),
  asks: [
    { key: 'height', kind: 'number', name: 'Up to', unit: 'cm', min: 30, max: 400, usual: () => 180 },
    { key: 'cover', kind: 'number', name: 'Wash for a square metre', unit: 'L', min: 0.1, max: 1, usual: () => 0.3 },
  ],
  workOut: (facts, a) => {
    const m2 = (Math.PI * facts.diameterCm * num(a, 'height')) / 10_000;
    const height = showTrunk(num(a, 'height'), facts.system);
    return {
      figures: [
        { name: 'Wash', value: figure(m2 * num(a, 'cover') * 2, 2), unit: 'L' },
        { name: 'Up to', value: height.value, unit: height.unit },
      ],
      sum: [`π × ${figure(facts.diameterCm, 3)} cm × ${height.text} = ${figure(m2, 2)} m², two coats`],
      steps: [
        'Lime or kaolin wash, or white water-based paint one to one with water; never oil paint.',
        'Loose bark off with a soft brush, bark dry, no frost.',
        'All round, and into the first forks; the graft union stays free to be seen.',
      ],
      take: [{ what: 'Wash, broad brush, bucket kept for it', amount: `${figure(m2 * num(a, 'cover') * 2, 2)} L` }],
      gates: [],
      minutes: 10 + 15 * m2,
      followUps: [
        rule({
          id: 'white-again',
          kind: 'site-work',
          what: 'Renew the wash',
          count: 2,
          unit: 'years',
          why: 'rain and growth take it off',
        }),
      ],
    };
  },
};
