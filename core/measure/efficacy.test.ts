import fc from 'fast-check';
import { relative } from '../testing';
import { abbott, efficacy, hendersonTilton, reduction, sampleSize } from './efficacy';

it('the worked figures: Henderson–Tilton, and the leaves that a check asks for', () => {
  expect(
    relative(hendersonTilton({ before: 212, after: 240 }, { before: 198, after: 31 }), 0.861700336700337),
  ).toBeLessThan(1e-12);
  expect(relative(sampleSize(4.2, 1.3, 0.25), 16.1172161172161)).toBeLessThan(1e-12);
  expect(Math.ceil(sampleSize(4.2, 1.3, 0.25))).toBe(17);
  expect(reduction(200, 50)).toBe(0.75);
  expect(abbott(40, 10)).toBe(0.75);
});

it('takes the correction that its counts allow, and says so', () => {
  const treated = { before: [20, 22, 18, 21, 19], after: [3, 2, 4, 3, 3] };
  expect(efficacy(treated)).toMatchObject({ by: 'simple reduction', share: 0.85 });
  expect(efficacy(treated, { after: [24, 24, 24, 24, 24] })).toMatchObject({ by: 'Abbott', share: 0.875 });
  expect(efficacy(treated, { before: [20, 20, 20, 20, 20], after: [25, 25, 25, 25, 25] })).toMatchObject({
    by: 'Henderson–Tilton',
  });
  expect(efficacy({ before: [0, 0, 0, 0, 0], after: [1, 0, 0, 0, 0] })).toBeNull();
  expect(efficacy({ before: [9, 9], after: [1, 1] })).toMatchObject({ interval: null });
});

const counts = fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 8, maxLength: 20 });
it('the interval holds the estimate, is the same for the same counts, and closes with more leaves', () => {
  fc.assert(
    fc.property(counts, counts, (before, after) => {
      const e = efficacy({ before, after })!;
      expect(e.interval!.low).toBeLessThanOrEqual(e.share + 1e-9);
      expect(e.interval!.high).toBeGreaterThanOrEqual(e.share - 1e-9);
      expect(efficacy({ before, after })).toEqual(e);
      const width = (i: { low: number; high: number } | null) => i!.high - i!.low;
      const many = (xs: number[]) => Array.from({ length: 4 }, () => xs).flat();
      expect(width(efficacy({ before: many(before), after: many(after) })!.interval)).toBeLessThanOrEqual(
        width(e.interval) + 1e-9,
      );
    }),
    { numRuns: 8 },
  );
});
