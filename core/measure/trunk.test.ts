import fc from 'fast-check';
import { relative } from '../testing';
import { CM_PER_IN } from '../../lib/units/units';
import { doubts } from './plausible';
import { combinedDiameter, diameterFromGirth, girthFromDiameter, stemDiameters } from './trunk';

describe('the trunk', () => {
  it('gives the worked figures', () => {
    expect(relative(diameterFromGirth(96.5), 30.7169040167358)).toBeLessThan(1e-9);
    expect(relative(diameterFromGirth(96.5) / CM_PER_IN, 12.0932692979275)).toBeLessThan(1e-9);
    expect(combinedDiameter([18.4, 22.1, 9.7], 'sum')).toBeCloseTo(50.2, 12);
    expect(relative(combinedDiameter([18.4, 22.1, 9.7], 'basal-area'), 30.3489703284971)).toBeLessThan(1e-9);
    expect(combinedDiameter([18.4, 22.1, 9.7], 'largest')).toBe(22.1);
  });

  it('keeps what was typed: inches of girth are divided by pi after conversion', () => {
    expect(stemDiameters([{ kind: 'girth', typed: { value: 57.125, unit: 'in' } }])[0]).toBeCloseTo(
      (57.125 * 2.54) / Math.PI,
      12,
    );
    expect(stemDiameters([{ kind: 'diameter', typed: { value: 320, unit: 'mm' } }])[0]).toBe(32);
  });

  it('turns girth and diameter into each other, and an equivalent never exceeds the sum', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.1, max: 300, noNaN: true }), { minLength: 1, maxLength: 8 }), (ds) => {
        expect(relative(diameterFromGirth(girthFromDiameter(ds[0]!)), ds[0]!)).toBeLessThan(1e-12);
        expect(combinedDiameter(ds, 'basal-area')).toBeLessThanOrEqual(combinedDiameter(ds, 'sum') * (1 + 1e-12));
        expect(combinedDiameter(ds, 'basal-area')).toBeGreaterThanOrEqual(
          combinedDiameter(ds, 'largest') * (1 - 1e-12),
        );
      }),
    );
  });
});

describe('plausibility', () => {
  const last = { diameterCm: 46, yearsAgo: 2 };
  const ids = (p: Parameters<typeof doubts>[0]) => doubts(p).map((d) => d.id);

  it.each([
    ['a girth entered as a diameter', { diameterCm: 145, last }, ['girth-diameter']],
    ['a diameter entered as a girth', { diameterCm: 46 / Math.PI, last }, ['girth-diameter']],
    ['a trunk that shrank', { diameterCm: 40, last }, ['shrunk']],
    ['growth beyond the host', { diameterCm: 55, last, growthCmPerYear: 1.2 }, ['jumped']],
    ['the tape’s own error', { diameterCm: 45.3, last }, []],
    ['two good years', { diameterCm: 48.2, last, growthCmPerYear: 1.2 }, []],
    ['too thin to stand', { diameterCm: 8, heightM: 20 }, ['slender']],
    ['beyond the species', { diameterCm: 320, largestCm: 220 }, ['beyond-species']],
  ])('%s', (_, p, expected) => expect(ids(p)).toEqual(expected));
});
