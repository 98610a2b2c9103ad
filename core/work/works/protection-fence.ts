import { rootZoneRadius } from '../../rootzone/zone';
import { figure } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** A site fence comes in panels of so many metres. */
const PANEL_M = 3.45;

export const protectionFenceWork: Work = {
  id: 'protection-fence',
  name: 'Fence about the root zone',
  method: 'fence',
  life: { times: 1, apart: 0, everyYears: null, courses: 1 },
  when: (f) => ['compaction', 'cut-roots', 'grade-change', 'salt-damage'].includes(f.condition?.id ?? ''),
  asks: [
    {
      key: 'radius',
      kind: 'number',
      name: 'Out to, from the middle of the trunk',
      unit: 'm',
      min: 0.5,
      max: 30,
      usual: (f) => Math.max(1.5, Math.round(rootZoneRadius(f.diameterCm, f.zoneSchool) * 10) / 10),
    },
    { key: 'panel', kind: 'number', name: 'Length of a panel', unit: 'm', min: 1, max: 5, usual: () => PANEL_M },
  ],
  workOut: (facts, a) => {
    const panels = Math.max(4, Math.ceil((2 * Math.PI * num(a, 'radius')) / num(a, 'panel')));
    const length = panels * num(a, 'panel');
    const zone = rootZoneRadius(facts.diameterCm, facts.zoneSchool);
    return {
      figures: [
        { name: 'Panels', value: String(panels), unit: '' },
        { name: 'Length', value: figure(length, 3), unit: 'm' },
      ],
      sum: [
        `round at ${num(a, 'radius')} m: ${figure(2 * Math.PI * num(a, 'radius'), 3)} m; the root zone by ${facts.zoneSchool} times the diameter is ${figure(zone, 2)} m`,
      ],
      steps: [
        'Before the first machine, and until the last has gone.',
        'Feet stand on the ground, not in it; no nail, no wire on the tree.',
        'A board on each side says what it is for; nothing is stored, parked or rinsed within.',
        'What must pass over roots goes on plates over coarse chips.',
      ],
      take: [
        { what: 'Site panels, feet, clamps', amount: String(panels) },
        { what: 'Boards', amount: '4' },
      ],
      gates: [],
      minutes: 20 + 8 * panels,
      followUps: [
        rule({
          id: 'fence-stands',
          kind: 'look',
          what: 'It stands where it stood, nothing lies within',
          count: 2,
          unit: 'weeks',
          why: 'fences wander on building sites',
        }),
      ],
    };
  },
};
