import fc from 'fast-check';
import { toMarks } from './vessels';

it('marks never go above a single rate, and stay inside a range', () => {
  const vessels = fc
    .array(fc.record({ capacity: fc.integer({ min: 1, max: 5000 }), parts: fc.integer({ min: 1, max: 100 }) }), {
      minLength: 1,
      maxLength: 4,
    })
    .map((vs) =>
      vs.map((v, i) => ({
        id: `${i}`,
        name: 'v',
        dimension: 'volume' as const,
        capacity: v.capacity,
        graduation: v.capacity / v.parts,
      })),
    );
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 9000, noNaN: true }),
      fc.double({ min: 1, max: 2, noNaN: true }),
      vessels,
      (exact, wide, vs) => {
        expect(toMarks(exact, { low: exact, high: exact }, vs).amount).toBeLessThanOrEqual(exact);
        expect(toMarks(exact, { low: exact / wide, high: exact * wide }, vs).amount).toBeLessThanOrEqual(exact * wide);
      },
    ),
  );
  expect(
    toMarks(43.53, { low: 43.53, high: 43.53 }, [
      { id: 'a', name: 'jug', dimension: 'volume', capacity: 1000, graduation: 100 },
    ]).advice,
  ).toMatch(/marked every/);
});
