import { perDiameter, testLabel } from '../testing';
import { differences } from './difference';

it('names what changed, what is new and what is gone, and nothing else', () => {
  const before = testLabel({});
  expect(differences(before, { ...before, version: 2 })).toEqual([]);
  const after = testLabel({ rate: perDiameter(2, 'mL', 1, 'cm'), months: [5, 6] }, { organic: true, priceMinor: 900 });
  expect(differences(before, after)).toEqual([
    { where: 'organic', before: 'false', after: 'true' },
    { where: 'uses › use › rate › dose › point › value', before: '1', after: '2' },
    { where: 'uses › use › months', before: 'none', after: '5, 6' },
    { where: 'priceMinor', before: null, after: '900' },
  ]);
});
