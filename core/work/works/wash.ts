import { gate } from '../../gates/gate';
import { girthFromDiameter } from '../../measure/trunk';
import { figure, showDistance, showTrunk, showVolume } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

export const washWork: Work = {
  id: 'wash',
  name: 'Wash by brush',
  method: 'wash',
  // Again after three weeks where eggs were left; every season in which it comes back.
  life: { times: 2, apart: 21, everyYears: 1, courses: null },
  asks: [
    { key: 'height', kind: 'number', name: 'Washed up to', unit: 'm', min: 0.5, max: 12, usual: () => 3 },
    { key: 'brush', kind: 'choice', name: 'Brush', options: ['soft', 'medium'], usual: () => 'soft' },
  ],
  workOut: (facts, a) => {
    const m2 = (girthFromDiameter(facts.diameterCm) / 100) * num(a, 'height') * 0.9;
    const water = showVolume(m2 * 2000, facts.system, 2);
    return {
      figures: [{ name: 'Water', value: water.value, unit: water.unit }],
      sum: [
        `girth ${showTrunk(girthFromDiameter(facts.diameterCm), facts.system).text} × ${showDistance(num(a, 'height'), facts.system).text} × 0.9 for taper = ${figure(m2, 3)} m², two litres on each`,
      ],
      steps: [
        'Wet first and let it soak; brush along the grooves, never across.',
        'Soft enough to leave the bark whole: on thin bark only a sponge.',
        'Rinse downward, away from ponds and drains; wash cars, benches and paving the same day.',
      ],
      take: [
        { what: 'Clean water', amount: water.text },
        { what: `Brush, ${String(a['brush'])}`, amount: '2' },
        { what: 'Eye protection, ladder with standoff', amount: '1 set' },
      ],
      gates:
        a['brush'] === 'medium' && ['beech', 'birch', 'cherry', 'magnolia'].some((g) => facts.host.groups.includes(g))
          ? [
              gate({
                id: 'wash-thin-bark',
                strength: 'hold',
                title: 'Thin bark',
                sentence: `${facts.host.name} has thin bark; a medium brush scours it.`,
                source: 'practice',
                satisfy: 'Take the soft brush or a sponge.',
              }),
            ]
          : [],
      minutes: Math.ceil(10 + m2 * 6),
      followUps: [
        rule({
          id: 'wash-look',
          kind: 'check-effect',
          what: 'Count what came back on the washed bark',
          count: 3,
          unit: 'weeks',
          why: 'eggs left behind hatch in two to three weeks',
        }),
      ],
    };
  },
};
