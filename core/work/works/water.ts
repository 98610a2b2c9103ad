import { daysBetween } from '../../../lib/calendar/days';
import { gate } from '../../gates/gate';
import { hoursToRoots, irrigate, nextWater, wateringOf, WATER_CAUTIONS, WATER_TO_CM } from '../../rootzone/water';
import { figure, showFine, showTrunk, showVolume } from '../../../lib/units/units';
import { num, rule, type Work, northernMonthOf } from '../work';
import { pair } from '../digs';

const USUAL = { flowLh: 4, supplyLh: 600 } as const;

export const waterWork: Work = {
  id: 'water',
  name: 'Irrigation',
  method: 'watering',
  // Through three summers: then it finds water, or was never planted where it can.
  life: { times: 6, apart: 16, everyYears: 1, courses: 3 },
  goesBy: () => [{ what: 'moist down to', from: WATER_TO_CM, unit: 'cm' }],
  asks: [
    {
      key: 'emitters',
      kind: 'number',
      name: 'Emitters',
      unit: '',
      min: 1,
      max: 500,
      whole: true,
      usual: (f) => wateringOf(f.diameterCm, f.crownWidthM).emitters,
    },
    { key: 'flow', kind: 'number', name: 'Each gives', unit: 'L/h', min: 0.5, max: 100, usual: () => USUAL.flowLh },
    {
      key: 'hours',
      kind: 'number',
      name: 'Running',
      unit: 'h',
      min: 0.1,
      max: 48,
      usual: (f) => {
        const { wettedM2, emitters } = wateringOf(f.diameterCm, f.crownWidthM);
        return Math.min(48, hoursToRoots(emitters * USUAL.flowLh, wettedM2, f.texture));
      },
    },
    {
      key: 'wetted',
      kind: 'number',
      name: 'Wetted ground',
      unit: 'm²',
      min: 0.1,
      max: 1000,
      usual: (f) => wateringOf(f.diameterCm, f.crownWidthM).wettedM2,
    },
    {
      key: 'supply',
      kind: 'number',
      name: 'The supply gives',
      unit: 'L/h',
      min: 1,
      max: 20000,
      usual: () => USUAL.supplyLh,
    },
    {
      key: 'et',
      kind: 'number',
      name: 'Evaporation',
      unit: 'mm/day',
      min: 0.1,
      max: 12,
      usual: (f) => ([6, 7, 8].includes(northernMonthOf(f)) ? 4 : 2),
    },
  ],
  workOut: (facts, a) => {
    const i = irrigate({
      emitters: num(a, 'emitters'),
      flowLh: num(a, 'flow'),
      hours: num(a, 'hours'),
      wettedM2: num(a, 'wetted'),
      texture: facts.texture,
      supplyLh: num(a, 'supply'),
    });
    const next = nextWater(facts.on, i.mm, num(a, 'et'));
    const days = daysBetween(facts.on, next.day);
    return {
      figures: [
        { name: 'Water', ...pair(showVolume(i.litres * 1000, facts.system, 3)) },
        { name: 'On the ground', ...pair(showFine(i.mm, facts.system)) },
        { name: 'Again in', value: String(days), unit: 'days' },
      ],
      sum: [
        `${num(a, 'emitters')} × ${num(a, 'flow')} L/h × ${num(a, 'hours')} h over ${num(a, 'wetted')} m²`,
        `wets dry ${facts.texture} soil to about ${figure(i.wetsToCm, 2)} cm${i.runs > 1 ? `; in ${i.runs} runs with pauses, or it runs off` : ''}`,
        next.sentence,
      ],
      steps: [...WATER_CAUTIONS, 'Push the soil probe in at three places before the next run.'],
      take: [
        { what: 'Emitters, line, soil probe', amount: String(num(a, 'emitters')) },
        { what: 'Water', amount: showVolume(i.litres * 1000, facts.system, 3).text },
      ],
      gates: [
        ...(i.wetsToCm < WATER_TO_CM
          ? [
              gate({
                id: 'water-shallow',
                strength: 'note',
                title: 'Too little to reach the roots',
                sentence: `This wets dry soil to about ${showTrunk(i.wetsToCm, facts.system).text}; ${showTrunk(WATER_TO_CM, facts.system).text} are wanted.`,
                source: 'practice',
                satisfy: 'Run it longer, or put more emitters out.',
              }),
            ]
          : []),
        ...(i.fits
          ? []
          : [
              gate({
                id: 'supply-short',
                strength: 'hold',
                title: 'The supply is too weak',
                sentence: `${i.flowLh} L/h are asked of a supply that gives ${num(a, 'supply')} L/h; it carries ${i.carried} emitters.`,
                source: 'arithmetic',
                satisfy: `At most ${i.carried} emitters, or two zones in turn.`,
              }),
            ]),
      ],
      minutes: 15,
      followUps: [
        rule({
          id: 'water-next',
          kind: 'site-work',
          what: 'Push the soil probe in, water when dry',
          count: Math.max(1, Math.min(120, days)),
          unit: 'days',
          why: next.sentence.slice(0, 280),
        }),
      ],
    };
  },
};
