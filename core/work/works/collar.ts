import { FOR_GOOD } from '../../season/programme';
import { gate } from '../../gates/gate';
import { anchorage } from '../../rootzone/zone';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { services, servicesGate, cubic, pair } from '../digs';

export const collarWork: Work = {
  id: 'collar',
  name: 'Free the root collar',
  method: 'excavation',
  life: FOR_GOOD,
  // Where the cause is hard or wet ground, the roots further out are what is dug for.
  when: (f) => !['compaction', 'waterlogging', 'gas-leak'].includes(f.condition?.id ?? ''),
  asks: [
    services,
    {
      key: 'depth',
      kind: 'number',
      name: 'Soil over the first main roots',
      unit: 'cm',
      min: 1,
      max: 80,
      usual: () => 15,
    },
    { key: 'radius', kind: 'number', name: 'Open to', unit: 'cm', min: 20, max: 200, usual: () => 60 },
    { key: 'how', kind: 'choice', name: 'With', options: ['air', 'hand tools'], usual: () => 'air' },
  ],
  workOut: (facts, a) => {
    const r = facts.diameterCm / 2;
    const m3 = (Math.PI * ((r + num(a, 'radius')) ** 2 - r ** 2) * num(a, 'depth')) / 1e6 / 2;
    const soil = cubic(m3, facts.system);
    const anchors = anchorage(facts.mainRoots);
    return {
      figures: [
        { name: 'Down to', ...pair(showTrunk(num(a, 'depth'), facts.system)) },
        { name: 'Soil taken away', value: soil.value, unit: soil.unit },
      ],
      sum: [
        `a bowl from the bark to ${num(a, 'radius')} cm, ${num(a, 'depth')} cm deep at the trunk: half of the cylinder`,
        anchors.sentence,
      ],
      steps: [
        'From the outside in, never a blade against the bark; bark that was buried is thin.',
        'Down to the first main roots, no deeper. Leave the bowl open, drained to one side.',
        'Draw girdling roots: bearing, thickness, grown in or not; send what the client must agree to before cutting.',
        'Sound and probe each main root: sound, doubtful, decayed.',
      ],
      take: [
        {
          what: a['how'] === 'air' ? 'Air spade, compressor, screens' : 'Trowels, brushes, hand fork',
          amount: '1 set',
        },
        { what: 'Sheeting for soil', amount: '2' },
        { what: 'Goggles, ear protection, dust mask', amount: '1 each' },
      ],
      gates: [
        ...servicesGate(a['services'] === true),
        ...(anchors.callAssessor
          ? [
              gate({
                id: 'anchors-doubtful',
                strength: 'hold',
                title: 'Will it stand?',
                sentence: `${anchors.sentence} Call a qualified risk assessor before more soil is taken away.`,
                source: 'practice',
                facts: facts.mainRoots
                  .filter((r) => r.state !== 'sound')
                  .map((r) => `root at ${r.bearing}°: ${r.state}`),
                satisfy: 'The assessor’s word, or sound roots when they are looked at again.',
              }),
            ]
          : []),
      ],
      minutes: Math.ceil(20 + m3 * (a['how'] === 'air' ? 180 : 480)),
      followUps: [
        rule({
          id: 'collar-look',
          kind: 'look',
          what: 'Look at the freed collar and the crown',
          count: 1,
          unit: 'years',
          why: 'buried bark needs a season to harden',
        }),
      ],
    };
  },
};
