import { FOR_GOOD } from '../../season/programme';
import { gate } from '../../gates/gate';
import { rootZoneRadius, trenches } from '../../rootzone/zone';
import { figure, showDistance, showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { diggingFrom } from '../fits';
import { services, servicesGate, cubic, pair } from '../digs';

export const trenchesWork: Work = {
  id: 'trenches',
  name: 'Radial trenches',
  method: 'excavation',
  life: FOR_GOOD,
  when: (f) => ['compaction', 'waterlogging', 'grade-change', 'gas-leak'].includes(f.condition?.id ?? ''),
  asks: [
    services,
    { key: 'count', kind: 'number', name: 'Trenches', unit: '', min: 2, max: 24, whole: true, usual: () => 6 },
    {
      key: 'start',
      kind: 'number',
      name: 'From the trunk',
      unit: 'm',
      min: 0.5,
      max: 20,
      usual: (f) => diggingFrom(f.diameterCm),
    },
    {
      key: 'end',
      kind: 'number',
      name: 'To',
      unit: 'm',
      min: 1,
      max: 30,
      usual: (f) =>
        Math.max(diggingFrom(f.diameterCm) + 1, Math.round(rootZoneRadius(f.diameterCm, f.zoneSchool) * 10) / 10),
    },
    { key: 'width', kind: 'number', name: 'Width', unit: 'cm', min: 5, max: 60, usual: () => 20 },
    { key: 'depth', kind: 'number', name: 'Depth', unit: 'cm', min: 10, max: 60, usual: () => 30 },
  ],
  workOut: (facts, a) => {
    const zoneM = rootZoneRadius(facts.diameterCm, facts.zoneSchool);
    const t = trenches({
      count: num(a, 'count'),
      startM: num(a, 'start'),
      endM: num(a, 'end'),
      widthM: num(a, 'width') / 100,
      depthM: num(a, 'depth') / 100,
      zoneM,
    });
    const fill = cubic(t?.backfillM3 ?? 0, facts.system);
    return {
      figures: [
        { name: 'Trenches', value: String(num(a, 'count')), unit: '' },
        { name: 'Each', ...pair(showDistance(t?.lengthM ?? 0, facts.system)) },
        { name: 'Backfill', value: fill.value, unit: fill.unit },
      ],
      sum: t
        ? [
            `${t.count} × ${figure(t.lengthM)} m × ${num(a, 'width')} cm × ${num(a, 'depth')} cm`,
            `root zone ${facts.zoneSchool} × ${showTrunk(facts.diameterCm, facts.system).text} = ${showDistance(zoneM, facts.system).text}; ${t.sentence}`,
            `${figure(t.endSpacingM, 3)} m apart at the outer end`,
          ]
        : ['The trenches end inside their start.'],
      steps: [
        'Air, not a digger: roots stay whole and are kept damp under wet sacking.',
        'Backfill with the same soil and a third of ripe compost; do not tread.',
        'Mulch over it, water in.',
      ],
      take: [
        { what: 'Air spade and compressor', amount: '1' },
        { what: 'Compost', amount: cubic((t?.backfillM3 ?? 0) / 3, facts.system).text },
        { what: 'Sacking, marking paint, pegs', amount: '1 set' },
      ],
      gates: [
        ...servicesGate(a['services'] === true),
        ...(t && t.shareOfZone > 0.25
          ? [
              gate({
                id: 'trench-share',
                strength: 'hold',
                title: 'Too much of the root zone',
                sentence: t.sentence,
                source: `school: root zone ${facts.zoneSchool} × d`,
                facts: [`${figure(100 * t.shareOfZone, 3)} %`],
                satisfy: 'Fewer or narrower trenches, or half of them next year.',
              }),
            ]
          : []),
        ...(t
          ? []
          : [
              gate({
                id: 'trench-ends',
                strength: 'stop',
                title: 'Trenches without length',
                sentence: 'The end lies inside the start.',
                source: 'arithmetic',
                satisfy: 'Set the end farther out than the start.',
              }),
            ]),
      ],
      ...(t ? { trenches: { count: t.count, startM: num(a, 'start'), endM: num(a, 'end') } } : {}),
      minutes: Math.ceil((t?.totalLengthM ?? 0) * 12 + 30),
      followUps: [
        rule({
          id: 'trench-look',
          kind: 'look',
          what: 'Probe the soil and look at shoot growth',
          count: 1,
          unit: 'years',
          why: 'roots answer within a season or two',
        }),
      ],
    };
  },
};
