import { trainingLabels } from '@/knowledge';
import { WORKS } from '@/core/work/works';
import { measureWords, wordsOfUse } from './label-words';

const use = (key: string, of: string) => {
  const label = trainingLabels.find((l) => l.key === key)!;
  return [label, label.uses.find((u) => u.key === of)!] as const;
};

it('a use of a label tells its days, number, weather and water, in the units of whoever reads', () => {
  expect(wordsOfUse(...use('training-07-scab-cover', 'cover'), { units: 'metric', south: false })).toEqual(
    expect.arrayContaining([
      'again after 7 to 14 days',
      'never within 7 days',
      'at most 8 times a year',
      '21 days before picking',
      'air below 30 °C',
      'dry for 6 h after',
      '10 m from water',
    ]),
  );
  const [label, drench] = use('training-01-drench', 'drench');
  expect(wordsOfUse(label, drench, { units: 'us', south: false })).toEqual(
    expect.arrayContaining(['at most once a year', 'air 39 °F to 90 °F', '49.2 ft from water']),
  );
  // A use that may be done again says when and whether it waits for something.
  const [bacillus, spongy] = use('training-18-bacillus', 'spongy');
  expect(wordsOfUse(bacillus, spongy, { units: 'metric', south: false })[0]).toMatch(/^again after 14 days, if /);
});

it.each([
  [{ what: 'deep', from: 5, to: 10, unit: 'cm' }, 'deep: 5 to 10 cm', 'deep: 2 to 3.9 in'],
  [{ what: 'again after', from: 4, unit: 'weeks' }, 'again after 4 weeks', 'again after 4 weeks'],
  [{ what: 'again after', from: 1, unit: 'weeks' }, 'again after 1 week', 'again after 1 week'],
  [{ what: 'mesh, at most', from: 6.4, unit: 'mm' }, 'mesh, at most: 6.4 mm', 'mesh, at most: 0.25 in'],
  [{ what: 'nights above', from: 12, unit: '°C' }, 'nights above 12 °C', 'nights above 54 °F'],
  [{ what: 'high', from: 1.2, unit: 'm' }, 'high: 1.2 m', 'high: 3.94 ft'],
] as const)('a figure that a work goes by: %j', (measure, metric, us) =>
  expect([measureWords(measure, 'metric'), measureWords(measure, 'us')]).toEqual([metric, us]),
);

it('every figure of every work can be told, and none of them as nothing', () => {
  for (const w of WORKS)
    for (const c of [null, 'rabbits', 'voles', 'deer', 'fire-blight', 'nut-weevil', 'capnodis', 'spruce-bark-beetle'])
      for (const m of w.goesBy?.(c) ?? [])
        for (const units of ['metric', 'us'] as const) expect(measureWords(m, units)).toMatch(/\d/);
});
