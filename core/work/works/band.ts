import { gate } from '../../gates/gate';
import { band, BAND_LASTS_DAYS } from '../../guard/guard';
import { girthFromDiameter } from '../../measure/trunk';
import { figure, showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

export const bandWork: Work = {
  id: 'band',
  name: 'Sticky band on a wrap',
  method: 'band',
  // Replaced once in a season, when its paste has fouled; every season.
  life: { times: 2, apart: 100, everyYears: 1, courses: null },
  goesBy: () => [{ what: 'replaced after', from: BAND_LASTS_DAYS[0], to: BAND_LASTS_DAYS[1], unit: 'days' }],
  asks: [
    { key: 'overlap', kind: 'number', name: 'Overlap of the wrap', unit: 'cm', min: 2, max: 20, usual: () => 5 },
    { key: 'wrapped', kind: 'yes', name: 'On a wrap, nothing sticky on bare bark', usual: () => false },
    { key: 'bridges', kind: 'yes', name: 'Plants, walls and wires that bridge it are gone', usual: () => false },
    { key: 'stems', kind: 'number', name: 'Stems', unit: '', min: 1, max: 12, whole: true, usual: () => 1 },
  ],
  workOut: (facts, a) => {
    const b = band(girthFromDiameter(facts.diameterCm), num(a, 'overlap'));
    const wrap = showTrunk(b.wrap, facts.system);
    return {
      figures: [{ name: 'Wrap, cut to', value: wrap.value, unit: wrap.unit }],
      sum: [
        `girth ${showTrunk(girthFromDiameter(facts.diameterCm), facts.system).text} + overlap ${num(a, 'overlap')} cm`,
      ],
      steps: b.rules,
      take: [
        { what: 'Wrap, tree tape', amount: showTrunk(b.wrap * num(a, 'stems'), facts.system).text },
        { what: 'Sticky paste for pest bands', amount: `${figure(b.wrap * num(a, 'stems') * 0.6, 2)} g` },
        { what: 'Ties that give, padding for grooves', amount: String(num(a, 'stems')) },
      ],
      gates: [
        ...(a['wrapped']
          ? []
          : [
              gate({
                id: 'band-on-bark',
                strength: 'hold',
                title: 'Sticky on bare bark?',
                sentence: 'Paste on bark burns it, traps what nests there and never comes off.',
                source: 'practice',
                satisfy: 'Put it on a wrap, and say so.',
                state: 'asked',
              }),
            ]),
        ...(a['bridges']
          ? []
          : [
              gate({
                id: 'band-bridged',
                strength: 'hold',
                title: 'Bridges to the crown?',
                sentence: 'Ants walk around a band over every twig, wall or prop that touches the tree.',
                source: 'practice',
                satisfy: 'Cut or move what bridges it, and say so.',
                state: 'asked',
              }),
            ]),
        ...(num(a, 'stems') > 1
          ? [
              gate({
                id: 'band-stems',
                strength: 'note',
                title: 'Several stems',
                sentence: 'Each stem needs its own band, or the ants use the other.',
                source: 'practice',
                facts: [`${num(a, 'stems')} stems`],
                satisfy: 'One wrap a stem.',
              }),
            ]
          : []),
      ],
      minutes: 10 * num(a, 'stems'),
      followUps: [
        rule({
          id: 'band-look',
          kind: 'site-work',
          what: 'Look at the band: gaps, fouling, birds and bats',
          count: 4,
          unit: 'weeks',
          why: 'a fouled band is a bridge',
        }),
        rule({
          id: 'band-new',
          kind: 'site-work',
          what: 'Replace the band',
          count: 100,
          unit: 'days',
          why: `sticky paste dries or fouls after ${BAND_LASTS_DAYS.join(' to ')} days`,
          more: {
            earliest: BAND_LASTS_DAYS[0],
            latest: BAND_LASTS_DAYS[1],
          },
        }),
        rule({
          id: 'band-off',
          kind: 'site-work',
          what: 'Take the band off',
          count: 6,
          unit: 'months',
          why: 'off at the end of the season, before it girdles',
        }),
      ],
    };
  },
};
