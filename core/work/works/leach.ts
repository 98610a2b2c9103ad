import { gate } from '../../gates/gate';
import { showFine, showVolume } from '../../../lib/units/units';
import { pair } from '../digs';
import { num, rule, type Work } from '../work';

/**
 * Depth of water through a depth of soil that takes out a share of its salt: half by half of the depth, four fifths by all of
 * it (the usual rule of reclamation for loam).
 */
const THROUGH: Readonly<Record<string, number>> = { 'half of the salt': 0.5, 'four fifths of the salt': 1 };
/** More at once runs off or drowns the roots, mm. */
const RUN_MM = 25;

export const leachWork: Work = {
  id: 'leach',
  name: 'Wash salt out of the soil',
  method: 'watering',
  life: { times: 1, apart: 0, everyYears: 1, courses: null },
  when: (f) => f.condition?.id === 'salt-damage',
  asks: [
    { key: 'area', kind: 'number', name: 'Salted ground', unit: 'm²', min: 0.5, max: 2000, usual: () => 12 },
    { key: 'depth', kind: 'number', name: 'Rooted to', unit: 'cm', min: 10, max: 100, usual: () => 30 },
    {
      key: 'out',
      kind: 'choice',
      name: 'Take out',
      options: Object.keys(THROUGH),
      usual: () => 'half of the salt',
    },
    { key: 'drains', kind: 'yes', name: 'A hole full of water is gone within a day', usual: () => false },
  ],
  workOut: (facts, a) => {
    const mm = num(a, 'depth') * 10 * THROUGH[String(a['out'])]!;
    const runs = Math.ceil(mm / RUN_MM);
    const water = showVolume(mm * num(a, 'area') * 1000, facts.system, 3);
    return {
      figures: [
        { name: 'Water', ...pair(water) },
        { name: 'On the ground', ...pair(showFine(mm, facts.system)) },
        { name: 'Runs, a day apart', value: String(runs), unit: '' },
      ],
      sum: [
        `${num(a, 'depth')} cm of soil × ${THROUGH[String(a['out'])]} for ${String(a['out'])}: ${showFine(mm, facts.system).text} over ${num(a, 'area')} m²`,
        `at most ${showFine(RUN_MM, facts.system).text} a run`,
      ],
      steps: [
        'Before the buds open: salt goes out before roots drink.',
        'Scrape away crusts and old slush first, and take them off the place.',
        'Slowly, all over; stop where it stands or runs.',
        'Gypsum only where an analysis says that sodium holds the soil shut.',
      ],
      take: [{ what: 'Water, sprinkler or soaker line, meter', amount: water.text }],
      gates:
        a['drains'] === true
          ? []
          : [
              gate({
                id: 'leach-drains',
                strength: 'hold',
                title: 'Does the water go away?',
                sentence: 'On soil that does not drain, leaching drowns the roots and leaves the salt where it is.',
                source: 'practice',
                satisfy: 'Fill a hole of 30 cm; if it is empty within a day, say so. Else drain first.',
                state: 'asked',
              }),
            ],
      minutes: 15 + 10 * runs,
      followUps: [
        rule({
          id: 'leach-again',
          kind: 'look',
          what: 'Margins of the new leaves; salt of the soil',
          count: 3,
          unit: 'months',
          why: 'brown margins again: another run',
        }),
      ],
    };
  },
};
