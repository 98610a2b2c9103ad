import fc from 'fast-check';
import { bandArea, INTAKE, splitPasses, waterDepth } from '../basin/basin';
import { activePerUnit, pickClass, usesHost } from './match';
import type { Banded } from './schema';

const table = (
  boundary: Banded<number>['boundary'],
  unit: 'cm' | 'in' = 'cm',
  by: 'diameter' | 'girth' = 'diameter',
): Banded<number> => ({
  by,
  unit,
  boundary,
  bands: [
    { over: 10, upTo: 20, entry: 1 },
    { over: 20, upTo: 30, entry: 2 },
    { over: 30, upTo: null, entry: 3 },
  ],
});

it.each([
  [9.99, 'smaller-class', null],
  [10, 'larger-class', 1],
  [10, 'smaller-class', null],
  [15, 'unanswered', 1],
  [20, 'smaller-class', 1],
  [20, 'larger-class', 2],
  [20, 'unanswered', 1],
  [30, 'larger-class', 3],
  [900, 'unanswered', 3],
] as const)('%d cm with the boundary to the %s belongs to %s', (size, boundary, entry) =>
  expect(pickClass(table(boundary), size, Math.min)?.entry ?? null).toBe(entry),
);

it('reads the class in its own unit and by girth', () => {
  expect(pickClass(table('unanswered', 'in'), 15 * 2.54, Math.min)).toMatchObject({ entry: 1, name: '10–20 in' });
  expect(pickClass(table('unanswered', 'cm', 'girth'), 25 / Math.PI, Math.min)?.entry).toBe(2);
  expect(pickClass(table('unanswered'), 50, Math.min)?.name).toBe('over 30 cm');
});

it('every size above the table’s start has exactly one class, and a larger one never a lower class', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 10.001, max: 500, noNaN: true }),
      fc.double({ min: 0, max: 50, noNaN: true }),
      fc.constantFrom('smaller-class' as const, 'larger-class' as const, 'unanswered' as const),
      (size, more, boundary) =>
        expect(pickClass(table(boundary), size + more, Math.min)!.entry).toBeGreaterThanOrEqual(
          pickClass(table(boundary), size, Math.min)!.entry,
        ),
    ),
  );
});

it('a use names a host by itself or by its group', () => {
  expect(usesHost({ hosts: ['elm'] }, 'wych-elm', ['elm'])).toBe(true);
  expect(usesHost({ hosts: ['wych-elm'] }, 'wych-elm', ['elm'])).toBe(true);
  expect(usesHost({ hosts: ['field-elm'] }, 'wych-elm', ['elm'])).toBe(false);
});

it('active in a unit of product: by g/L, by share and density, or not at all', () => {
  const active = { name: 'a', group: { scheme: 'none' as const, code: '' }, family: 'f' };
  expect(activePerUnit({}, { ...active, gPerL: 240 }, true)).toBe(0.24);
  expect(activePerUnit({ densityGPerMl: 1.1 }, { ...active, massFraction: 0.2 }, true)).toBeCloseTo(0.22, 12);
  expect(activePerUnit({}, { ...active, massFraction: 0.2 }, true)).toBeNull();
  expect(activePerUnit({}, { ...active, massFraction: 0.2 }, false)).toBe(0.2);
  expect(activePerUnit({ densityGPerMl: 1.2 }, { ...active, gPerL: 240 }, false)).toBeCloseTo(0.2, 12);
});

describe('the basin', () => {
  it('has the area between its two circles, and no pass puts on more than the ground takes', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 100, max: 1e5, noNaN: true }),
        fc.constantFrom('sandy' as const, 'loam' as const, 'clay' as const),
        (d, inner, wide, ml, soil) => {
          const area = bandArea(d, inner, inner + wide);
          expect(area).toBeCloseTo((Math.PI * wide * (d + 2 * inner + wide)) / 10_000, 6);
          const depth = waterDepth(ml, area);
          const p = splitPasses(depth, INTAKE[soil]);
          expect(p.passes * p.mmEach).toBeCloseTo(depth, 6);
          expect(p.mmEach).toBeLessThanOrEqual(Math.max(5, INTAKE[soil] / 2) + 1e-6);
          expect(p.waitMinutes > 0).toBe(p.passes > 1);
        },
      ),
    );
  });
});
