import { gate } from '../../gates/gate';
import { girthFromDiameter } from '../../measure/trunk';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** A scion every so many centimetres of bare girth carries enough sap past the gap; practice of fruit growers. */
const APART_CM = 5;
/** Above and below the gap a scion is let in under sound bark by so much, cm. */
const LET_IN_CM = 6;
/** A bow, so that the trunk may sway without pulling it out. */
const BOW = 1.1;
/** On thicker trunks the scions feed too little of the ring. */
const LARGEST_CM = 30;

export const bridgeGraftWork: Work = {
  id: 'bridge-graft',
  name: 'Bridge graft',
  method: 'pruning',
  life: { times: 1, apart: 0, everyYears: null, courses: 1 },
  when: (f) => ['voles', 'rabbits', 'livestock', 'mower-wounds'].includes(f.condition?.id ?? ''),
  asks: [
    { key: 'gap', kind: 'number', name: 'Height of the bare bark', unit: 'cm', min: 2, max: 80, usual: () => 12 },
    { key: 'share', kind: 'number', name: 'Share of the ring gone', unit: '%', min: 5, max: 100, usual: () => 60 },
    { key: 'asleep', kind: 'yes', name: 'Scions of last year were cut asleep and kept cold', usual: () => false },
    { key: 'slips', kind: 'yes', name: 'The bark slips: sap is up, leaves are not out', usual: () => false },
  ],
  workOut: (facts, a) => {
    const bare = (girthFromDiameter(facts.diameterCm) * num(a, 'share')) / 100;
    const scions = Math.max(2, Math.ceil(bare / APART_CM));
    const length = showTrunk((num(a, 'gap') + 2 * LET_IN_CM) * BOW, facts.system);
    return {
      figures: [
        { name: 'Scions', value: String(scions), unit: '' },
        { name: 'Each cut to', value: length.value, unit: length.unit },
      ],
      sum: [
        `${showTrunk(bare, facts.system).text} of girth are bare: a scion every ${showTrunk(APART_CM, facts.system).text}`,
        `the gap and twice ${showTrunk(LET_IN_CM, facts.system).text} under sound bark, a tenth more for the bow`,
      ],
      steps: [
        'Trim the edges of the wound back to sound green bark, above and below.',
        'Wedge both ends of each scion; the end that grew below goes below.',
        'Let them in under the bark, nail each end with a thin brad, seal ends and edges at once.',
        'Shade the place; no stake rubs on it.',
      ],
      take: [
        { what: 'Scions, pencil thick, of the same kind', amount: String(scions + 2) },
        { what: 'Grafting knife, brads, sealing wax', amount: '1 set' },
      ],
      gates: [
        ...(facts.diameterCm > LARGEST_CM
          ? [
              gate({
                id: 'graft-size',
                strength: 'hold',
                title: 'Thick for a bridge',
                sentence: `At ${showTrunk(facts.diameterCm, facts.system).text} scions feed too little of the ring to be worth it.`,
                source: 'practice',
                satisfy: 'Say why it is bridged all the same, or leave it to callus.',
              }),
            ]
          : []),
        ...(num(a, 'share') < 50
          ? [
              gate({
                id: 'graft-not-needed',
                strength: 'hold',
                title: 'Less than half the ring',
                sentence: `${Math.round(num(a, 'share'))} % of the ring is gone: what stands feeds the tree, and closes by itself.`,
                source: 'practice',
                satisfy: 'Guard and water it; say why it is bridged all the same.',
              }),
            ]
          : []),
        ...(a['asleep'] === true && a['slips'] === true
          ? []
          : [
              gate({
                id: 'graft-season',
                strength: 'hold',
                title: 'Scions asleep, bark awake?',
                sentence:
                  'A scion takes where it is asleep and the bark below it slips: the weeks before leaves come out.',
                source: 'practice',
                satisfy: 'Cut scions in winter, keep them cold and moist, and graft when the bark slips; say both.',
                state: 'asked',
              }),
            ]),
      ],
      minutes: 30 + 12 * scions,
      followUps: [
        rule({
          id: 'graft-takes',
          kind: 'look',
          what: 'See which scions push; seal again',
          count: 5,
          unit: 'weeks',
          why: 'one that dries is replaced',
        }),
        rule({
          id: 'graft-shoots',
          kind: 'site-work',
          what: 'Rub shoots off the scions',
          count: 3,
          unit: 'months',
          why: 'a bridge carries sap, it is no branch',
        }),
      ],
    };
  },
};
