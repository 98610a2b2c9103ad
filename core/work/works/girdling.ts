import { gate } from '../../gates/gate';
import { girthFromDiameter } from '../../measure/trunk';
import { girdlingCut } from '../../rootzone/zone';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';
import { services, servicesGate } from '../digs';

export const girdlingWork: Work = {
  id: 'girdling',
  name: 'Cut girdling roots',
  method: 'excavation',
  when: (f) => [undefined, 'girdling-roots', 'buried-collar', 'mulch-volcano'].includes(f.condition?.id),
  // Not more than a third of the roots in one year.
  life: { times: 1, apart: 0, everyYears: 1, courses: 2 },
  asks: [
    services,
    { key: 'root', kind: 'number', name: 'Thickness of the root', unit: 'cm', min: 0.5, max: 60, usual: () => 4 },
    {
      key: 'share',
      kind: 'number',
      name: 'Of the girth it presses on',
      unit: '%',
      min: 1,
      max: 100,
      usual: () => 15,
    },
    { key: 'grownIn', kind: 'yes', name: 'It has grown into the stem', usual: () => false },
    {
      key: 'others',
      kind: 'number',
      name: 'Other roots cut today',
      unit: '',
      min: 0,
      max: 20,
      whole: true,
      usual: () => 0,
    },
  ],
  workOut: (facts, a) => {
    const cut = girdlingCut(
      { diameter: num(a, 'root'), shareOfGirth: num(a, 'share') / 100, grownIn: a['grownIn'] === true },
      facts.diameterCm,
    );
    return {
      figures: [{ name: 'Cut', value: cut.when, unit: '' }],
      sum: [
        cut.sentence,
        `presses on ${showTrunk((girthFromDiameter(facts.diameterCm) * num(a, 'share')) / 100, facts.system).text} of the girth`,
      ],
      steps: [
        'Chisel or fine saw, disinfected; a board behind it guards the bark.',
        cut.when === 'in stages'
          ? 'Take a hand’s length out at each end now; the grown-in piece comes out once it is dry.'
          : 'Both cuts flush, away from the stem.',
        'Not more than a third of the girdling roots in one year.',
      ],
      take: [{ what: 'Chisels, fine saw, mallet, 70 % alcohol', amount: '1 set' }],
      gates: [
        ...servicesGate(a['services'] === true),
        ...(cut.when === 'leave'
          ? [
              gate({
                id: 'girdling-leave',
                strength: 'hold',
                title: 'Leave this root',
                sentence: cut.sentence,
                source: 'practice',
                facts: [`root ${num(a, 'root')} cm`],
                satisfy: 'Uncover it, watch the crown, look again next year.',
              }),
            ]
          : []),
        ...(num(a, 'others') >= 3
          ? [
              gate({
                id: 'girdling-many',
                strength: 'hold',
                title: 'Many roots in one year',
                sentence: `${num(a, 'others')} others are cut today; the crown feels it.`,
                source: 'practice',
                satisfy: 'Spread the cuts over two years.',
              }),
            ]
          : []),
      ],
      minutes: 25,
      followUps:
        cut.when === 'in stages'
          ? [
              rule({
                id: 'root-second',
                kind: 'site-work',
                what: 'Take the dried piece of the girdling root out',
                count: 1,
                unit: 'years',
                why: 'the root must dry before the grown-in piece comes off',
              }),
            ]
          : [
              rule({
                id: 'root-look',
                kind: 'look',
                what: 'Look at the crown and the cut roots',
                count: 1,
                unit: 'years',
                why: 'the answer takes a season',
              }),
            ],
    };
  },
};
