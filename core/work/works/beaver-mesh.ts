import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** How far a beaver reaches above what it stands on, cm. */
const REACH_CM = 100;

export const beaverMeshWork: Work = {
  id: 'beaver-mesh',
  name: 'Mesh against beavers',
  method: 'guard',
  life: { times: 1, apart: 0, everyYears: 8, courses: null },
  when: (f) => f.condition?.id === 'beaver',
  goesBy: () => [{ what: 'above snow or flood', from: REACH_CM, unit: 'cm' }],
  asks: [
    {
      key: 'snow',
      kind: 'number',
      name: 'Usual depth of snow or flood',
      unit: 'cm',
      min: 0,
      max: 200,
      usual: () => 20,
    },
    { key: 'clear', kind: 'number', name: 'Clear of the bark', unit: 'cm', min: 10, max: 40, usual: () => 15 },
  ],
  workOut: (facts, a) => {
    const length = Math.PI * (facts.diameterCm + 2 * num(a, 'clear')) + 20;
    const height = REACH_CM + num(a, 'snow');
    const [long, high] = [showTrunk(length, facts.system), showTrunk(height, facts.system)];
    return {
      figures: [
        { name: 'Height of the piece', value: high.value, unit: high.unit },
        { name: 'Length around', value: long.value, unit: long.unit },
      ],
      sum: [`π × (trunk + 2 × ${num(a, 'clear')} cm) + 20 cm of overlap; ${REACH_CM} cm above snow or flood`],
      steps: [
        'Welded mesh, wire of 2.5 mm, openings of 5 cm: chicken wire is bitten through.',
        'Loose about the trunk, pegged at the foot at four places, closed with clips that open.',
        'A lodge or dam is protected in many places: nothing there without the authority.',
      ],
      take: [{ what: 'Welded mesh 5 cm, 2.5 mm', amount: `${high.text} × ${long.text}`, cut: true }],
      cut: { length, height },
      gates: [],
      minutes: 25,
      followUps: [
        rule({
          id: 'mesh-open',
          kind: 'site-work',
          what: 'Open the mesh and set it wider',
          count: 4,
          unit: 'years',
          why: 'the trunk grows',
        }),
      ],
    };
  },
};
