import { showVolume } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** What was knocked off has climbed back, and eggs have hatched, after so many weeks. */
const AGAIN_WEEKS = 1;

export const waterJetWork: Work = {
  id: 'water-jet',
  name: 'Water jet and hand removal',
  method: 'water jet',
  // Weekly while a generation lasts; every season in which it comes back.
  life: { times: 3, apart: 7 * AGAIN_WEEKS, everyYears: 1, courses: null },
  goesBy: () => [{ what: 'again while live ones are found, after', from: AGAIN_WEEKS, unit: 'weeks' }],
  asks: [
    {
      key: 'minutes',
      kind: 'number',
      name: 'Minutes of jet',
      unit: 'min',
      min: 1,
      max: 120,
      usual: (f) => Math.max(5, Math.round((f.crownWidthM ?? 4) * 2)),
    },
    { key: 'flow', kind: 'number', name: 'Nozzle', unit: 'L/min', min: 1, max: 60, usual: () => 12 },
    {
      key: 'times',
      kind: 'number',
      name: 'Times, a week apart',
      unit: '',
      min: 1,
      max: 6,
      whole: true,
      usual: () => 2,
    },
  ],
  workOut: (facts, a) => {
    const litres = showVolume(num(a, 'minutes') * num(a, 'flow') * 1000, facts.system, 3);
    return {
      figures: [
        { name: 'Water, each time', value: litres.value, unit: litres.unit },
        { name: 'Times', value: String(num(a, 'times')), unit: '' },
      ],
      sum: [`${num(a, 'minutes')} min × ${num(a, 'flow')} L/min`],
      steps: [
        'Early in the day, so that leaves dry.',
        'From below, undersides first; a hand behind tender shoots.',
        'Curled leaves and egg masses by hand, into a bucket of soapy water.',
      ],
      take: [
        { what: 'Water', amount: litres.text },
        { what: 'Hose, jet nozzle, bucket, gloves', amount: '1 set' },
      ],
      gates: [],
      minutes: num(a, 'minutes') + 15,
      followUps:
        num(a, 'times') > 1
          ? [
              rule({
                id: 'jet-again',
                kind: 'treat-again',
                what: 'Water jet again',
                count: AGAIN_WEEKS,
                unit: 'weeks',
                why: 'what was knocked off climbs back, eggs hatch',
                more: { onlyIf: 'live pests are found' },
              }),
            ]
          : [
              rule({
                id: 'jet-look',
                kind: 'check-effect',
                what: 'Count live pests',
                count: AGAIN_WEEKS,
                unit: 'weeks',
                why: 'contact kills at once, what comes after it counts',
              }),
            ],
    };
  },
};
