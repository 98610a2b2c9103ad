import { MULCH_CLEAR_CM, MULCH_DEPTH_CM, mulchRing } from '../../rootzone/zone';
import { showArea, showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { cubic, NO_RING, ringGate } from '../digs';

export const mulchWork: Work = {
  id: 'mulch',
  name: 'Mulch ring',
  method: 'mulch',
  // Topped up every year.
  life: { times: 1, apart: 0, everyYears: 1, courses: null },
  goesBy: () => [
    { what: 'deep', from: MULCH_DEPTH_CM[0], to: MULCH_DEPTH_CM[1], unit: 'cm' },
    { what: 'clear of the bark', from: MULCH_CLEAR_CM, unit: 'cm' },
  ],
  asks: [
    {
      key: 'radius',
      kind: 'number',
      name: 'Out to',
      unit: 'm',
      min: 0.5,
      max: 15,
      usual: (f) => Math.min(3, Math.max(1, Math.round((f.crownWidthM ?? 3) * 5) / 10)),
    },
    {
      key: 'depth',
      kind: 'number',
      name: 'Depth',
      unit: 'cm',
      min: MULCH_DEPTH_CM[0],
      max: MULCH_DEPTH_CM[1],
      usual: () => 8,
    },
    { key: 'bag', kind: 'number', name: 'Litres in a bag', unit: 'L', min: 10, max: 1000, usual: () => 50 },
  ],
  workOut: (facts, a) => {
    const m = mulchRing({
      diameter: facts.diameterCm,
      outerM: num(a, 'radius'),
      depth: num(a, 'depth'),
      bagL: num(a, 'bag'),
    });
    const volume = cubic(m?.m3 ?? 0, facts.system);
    return {
      figures: [
        { name: 'Wood chips', value: volume.value, unit: volume.unit },
        { name: 'Bags', value: String(m?.bags ?? 0), unit: '' },
      ],
      sum: m
        ? [
            `${showArea(m.areaM2, facts.system).text} × ${num(a, 'depth')} cm, ${showTrunk(MULCH_CLEAR_CM, facts.system).text} clear of the bark`,
          ]
        : [NO_RING],
      steps: [
        'Grass off or mown short, soil damp, collar free.',
        `${showTrunk(MULCH_CLEAR_CM, facts.system).text} clear of the bark all round: a ring, never a cone against the trunk.`,
        'No fresh chips of a diseased tree of the same kind.',
      ],
      take: [
        { what: 'Wood chips', amount: `${volume.text}, ${m?.bags ?? 0} bags` },
        { what: 'Fork, rake, barrow', amount: '1 set' },
      ],
      gates: ringGate(m),
      minutes: Math.ceil(10 + (m?.m3 ?? 0) * 45),
      followUps: [
        rule({
          id: 'mulch-again',
          kind: 'site-work',
          what: 'Top the mulch up, clear the collar',
          count: 1,
          unit: 'years',
          why: 'chips rot by half in a year',
        }),
      ],
    };
  },
};
