import fc from 'fast-check';
import { testLabel } from '../testing';
import { countSites } from './count';

const rule = (count: object) =>
  testLabel({
    method: 'trunk-injection',
    sites: { count, drillMm: 6, depthMm: 20, heightCm: 20, minSpacingCm: 5, text: 'As the test says.' },
  }).uses[0]!.sites!;

it.each([
  ['one site per 2 in of 46.2 cm', { rule: 'per-diameter', each: { value: 2, unit: 'in' } }, 46.2, 145.1, null, 10],
  ['exactly on a step is not one more', { rule: 'per-diameter', each: { value: 2, unit: 'in' } }, 50.8, 160, null, 10],
  ['girth at injection height over 15 cm', { rule: 'per-girth', each: { value: 15, unit: 'cm' } }, 46.2, 168, null, 12],
  ['dose over volume per device', { rule: 'volume-per-device', volume: { value: 10, unit: 'mL' } }, 46.2, 145, 69.3, 7],
  ['a sapling gets one', { rule: 'per-girth', each: { value: 15, unit: 'cm' } }, 2, 6.3, null, 1],
])('%s', (_, count, d, girth, total, sites) =>
  expect(countSites({ rule: rule(count), diameter: d, girthAtInjection: girth, total })).toMatchObject({
    count: sites,
    sum: expect.stringMatching(/rounded up/),
  }),
);

it('a class table: the class of the size, the fewer on an unanswered boundary, none outside', () => {
  const table = (boundary: string) =>
    rule({
      rule: 'classes',
      classes: {
        by: 'diameter',
        unit: 'cm',
        boundary,
        bands: [
          { over: 10, upTo: 20, entry: 4 },
          { over: 20, upTo: 40, entry: 8 },
        ],
      },
    });
  expect(countSites({ rule: table('smaller-class'), diameter: 15, girthAtInjection: 47, total: null })?.count).toBe(4);
  expect(countSites({ rule: table('larger-class'), diameter: 20, girthAtInjection: 63, total: null })?.count).toBe(8);
  expect(countSites({ rule: table('unanswered'), diameter: 20, girthAtInjection: 63, total: null })?.count).toBe(4);
  expect(countSites({ rule: table('smaller-class'), diameter: 45, girthAtInjection: 141, total: null })).toBeNull();
});

it('by volume there is no count before the dose is known', () =>
  expect(
    countSites({
      rule: rule({ rule: 'volume-per-device', volume: { value: 10, unit: 'mL' } }),
      diameter: 40,
      girthAtInjection: 125,
      total: null,
    }),
  ).toBeNull());

it('never fewer sites on a larger trunk', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1, max: 300, noNaN: true }),
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.double({ min: 1, max: 30, noNaN: true }),
      (d, more, each) => {
        const r = rule({ rule: 'per-diameter', each: { value: each, unit: 'cm' } });
        expect(
          countSites({ rule: r, diameter: d + more, girthAtInjection: 1, total: null })!.count,
        ).toBeGreaterThanOrEqual(countSites({ rule: r, diameter: d, girthAtInjection: 1, total: null })!.count);
      },
    ),
  );
});
