import { figure } from '../../../lib/units/units';
import { cubic } from '../digs';
import { num, rule, type Work } from '../work';

/** The sheet is let into the ground all round, m. */
const TUCK_M = 0.5;

export const woodCoverWork: Work = {
  id: 'wood-cover',
  name: 'Chip and cover infested wood',
  method: 'sanitation',
  life: { times: 1, apart: 0, everyYears: null, courses: 1 },
  when: (f) =>
    ['polyphagous-borer', 'ips-engravers', 'elm-bark-beetle', 'dutch-elm-disease'].includes(f.condition?.id ?? ''),
  asks: [
    { key: 'wood', kind: 'number', name: 'Wood', unit: 'm³', min: 0.05, max: 200, usual: () => 1 },
    { key: 'height', kind: 'number', name: 'Height of the heap', unit: 'm', min: 0.3, max: 1.5, usual: () => 0.8 },
    { key: 'weeks', kind: 'number', name: 'Covered for', unit: 'weeks', min: 4, max: 52, whole: true, usual: () => 8 },
    { key: 'chips', kind: 'yes', name: 'Chipped to 2.5 cm and smaller', usual: () => true },
  ],
  workOut: (facts, a) => {
    // Chips lie looser than wood by half as much again; a heap is a square with sides that slope one to one.
    const m3 = num(a, 'wood') * (a['chips'] === true ? 1.5 : 1.3);
    const h = num(a, 'height');
    const foot = Math.sqrt(m3 / h) + h;
    const sheet = (foot + 2 * TUCK_M) ** 2;
    const heap = cubic(m3, facts.system);
    return {
      figures: [
        { name: 'Sheet', value: figure(sheet, 2), unit: 'm²' },
        { name: 'Heap', value: heap.value, unit: heap.unit },
      ],
      sum: [
        `${num(a, 'wood')} m³ of wood make ${heap.text}, ${h} m high on ${figure(foot, 2)} m of ground each way, and ${TUCK_M} m let into the soil all round`,
      ],
      steps: [
        'No wood leaves before the authority has said so; where it has a word, it has the first.',
        a['chips'] === true
          ? 'Chip on the place, the chute onto the heap; sweep up.'
          : 'Bark off and under the sheet with it: they breed below the bark.',
        'Clear sheet in full sun, edges in a trench, holes taped; it stays through the warm weeks.',
        'Tools, shoes and the truck are swept before they leave.',
      ],
      take: [
        { what: 'Clear sheet, 0.1 mm and stronger, tape', amount: `${figure(sheet, 2)} m²` },
        { what: 'Chipper or debarking tool, spade, broom', amount: '1 set' },
      ],
      gates: [],
      minutes: 30 + 45 * num(a, 'wood'),
      followUps: [
        rule({
          id: 'cover-whole',
          kind: 'look',
          what: 'Look over the sheet; tape what is torn',
          count: 2,
          unit: 'weeks',
          why: 'beetles leave by any hole',
        }),
        rule({
          id: 'cover-off',
          kind: 'site-work',
          what: 'Take the sheet off',
          count: num(a, 'weeks'),
          unit: 'weeks',
          why: 'what was in it is dead after warm weeks',
        }),
      ],
    };
  },
};
