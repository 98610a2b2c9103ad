import { FOR_GOOD } from '../../season/programme';
import { gate } from '../../gates/gate';
import { figure, showTrunk, showVolume } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { services, servicesGate, pair } from '../digs';

export const replantWork: Work = {
  id: 'replant',
  name: 'Replanting checks',
  method: 'replanting',
  life: FOR_GOOD,
  asks: [
    services,
    {
      key: 'soilBorne',
      kind: 'yes',
      name: 'The old tree died of something in the soil',
      usual: (f) =>
        ['honey-fungus', 'verticillium-wilt', 'phytophthora-root-rot', 'phytophthora-bleeding'].includes(
          f.condition?.id ?? '',
        ),
    },
    { key: 'sameKind', kind: 'yes', name: 'The new tree is of the same kind', usual: () => false },
    { key: 'ball', kind: 'number', name: 'Root ball, width', unit: 'cm', min: 10, max: 200, usual: () => 50 },
    { key: 'ballDepth', kind: 'number', name: 'Root ball, depth', unit: 'cm', min: 10, max: 120, usual: () => 40 },
    { key: 'away', kind: 'number', name: 'Metres from the old stump', unit: 'm', min: 0, max: 100, usual: () => 3 },
  ],
  workOut: (facts, a) => {
    const ball = num(a, 'ball') / 100;
    const depth = num(a, 'ballDepth') / 100;
    const m3 = (Math.PI / 4) * ball * ball * depth;
    const hole = 2.5 * num(a, 'ball');
    return {
      figures: [
        { name: 'Hole, width', ...pair(showTrunk(hole, facts.system)) },
        { name: 'Hole, depth: no deeper than the ball', ...pair(showTrunk(num(a, 'ballDepth'), facts.system)) },
        { name: 'Water, first day', ...pair(showVolume(m3 * 1e6, facts.system, 2)) },
      ],
      sum: [
        `two and a half times the ball wide, as deep as the ball`,
        `as much water as the ball holds: ${figure(m3 * 1000, 3)} L`,
      ],
      steps: [
        'Find the flare in the ball and plant it level with the soil.',
        'Cut circling roots; burlap and wire off the upper half.',
        'Same soil back, no feed in the hole; a mulch ring, two low stakes for one year.',
        'Guard on before the first snow.',
      ],
      take: [{ what: 'Stakes, ties, mulch, guard, water', amount: '1 set' }],
      gates: [
        ...servicesGate(a['services'] === true),
        ...(a['soilBorne'] && a['sameKind']
          ? [
              gate({
                id: 'replant-same',
                strength: 'hold',
                title: 'Same kind into sick soil',
                sentence: 'What killed the old tree waits in the soil for its like.',
                source: 'practice',
                facts: [facts.condition?.name ?? 'soil-borne'],
                satisfy: 'Choose a kind that is not its host.',
              }),
            ]
          : []),
        ...(a['soilBorne'] && num(a, 'away') < 5
          ? [
              gate({
                id: 'replant-near',
                strength: 'note',
                title: 'Near the old stump',
                sentence: 'Roots and stump carry it on for years.',
                source: 'practice',
                facts: [`${num(a, 'away')} m`],
                satisfy: 'Stump and main roots out, or five metres away.',
              }),
            ]
          : []),
      ],
      minutes: 90,
      followUps: [
        rule({
          id: 'replant-water',
          kind: 'site-work',
          what: 'Water the new tree',
          count: 1,
          unit: 'weeks',
          why: 'weekly through the first two summers',
        }),
        rule({
          id: 'replant-stake',
          kind: 'site-work',
          what: 'Stakes and ties off',
          count: 1,
          unit: 'years',
          why: 'a tree that cannot move does not grow a trunk',
        }),
      ],
    };
  },
};
