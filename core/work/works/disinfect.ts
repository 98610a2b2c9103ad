import { FOR_GOOD } from '../../season/programme';
import { showVolume } from '../../../lib/units/units';
import { num, type Work } from '../work';

export const disinfectWork: Work = {
  id: 'disinfect',
  name: 'Tool disinfection',
  method: 'hygiene',
  life: FOR_GOOD,
  asks: [
    {
      key: 'with',
      kind: 'choice',
      name: 'With',
      options: ['alcohol 70 %', 'bleach 1 in 10'],
      usual: () => 'alcohol 70 %',
    },
    { key: 'litres', kind: 'number', name: 'Amount to make up', unit: 'L', min: 0.1, max: 20, usual: () => 1 },
    { key: 'stock', kind: 'number', name: 'Strength of the alcohol', unit: '%', min: 71, max: 99, usual: () => 96 },
    {
      key: 'trees',
      kind: 'number',
      name: 'Trees on the round',
      unit: '',
      min: 1,
      max: 200,
      whole: true,
      usual: () => 1,
    },
  ],
  workOut: (facts, a) => {
    const litres = num(a, 'litres');
    const bleach = a['with'] === 'bleach 1 in 10';
    const part = bleach ? litres / 10 : (litres * 70) / num(a, 'stock');
    const first = showVolume(part * 1000, facts.system, 3);
    const water = showVolume((litres - part) * 1000, facts.system, 3);
    return {
      figures: [
        { name: bleach ? 'Household bleach' : `Alcohol ${num(a, 'stock')} %`, value: first.value, unit: first.unit },
        { name: 'Water', value: water.value, unit: water.unit },
      ],
      sum: bleach
        ? [`1 part bleach to 9 parts water: ${litres} L ÷ 10`]
        : [`${litres} L × 70 % ÷ ${num(a, 'stock')} %; volumes shrink a little when mixed`],
      steps: [
        'Brush off soil and sawdust first: dirt shields what must die.',
        bleach
          ? 'Dip for one minute, rinse steel with water, oil it; made fresh every day.'
          : 'Wet for half a minute and let it dry; away from sparks.',
        'Between every two trees, and between cuts on a diseased one. Sound trees first.',
        'Never mix bleach with anything else; gloves and goggles.',
      ],
      take: [
        { what: bleach ? 'Bleach' : `Alcohol ${num(a, 'stock')} %`, amount: first.text },
        { what: 'Dipping tube, cloths, brush', amount: '1 set' },
        { what: 'Spare blades or bits', amount: String(Math.min(6, num(a, 'trees'))) },
      ],
      gates: [],
      minutes: 2 * num(a, 'trees') + 5,
      followUps: [],
    };
  },
};
