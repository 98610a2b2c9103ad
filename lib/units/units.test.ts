import fc from 'fast-check';
import { readNumber } from './numbers';
import { figure, showFill, showVolume, toBase } from './units';

describe('a typed number', () => {
  const rule = { name: 'The girth', above: 0, max: 3000, unit: 'cm' };
  it.each(['-3', '0', '3e9', 'abc', '', '1,2,3', 'NaN', 'Infinity', '0x10', '99999', '١٢', '1 000'])(
    'refuses %p with a sentence',
    (text) => {
      const r = readNumber(text, rule);
      expect(r.ok ? '' : r.sentence).toMatch(/^The girth .*\.$/);
    },
  );
  it.each([
    ['145,1', 145.1],
    [' 12 ', 12],
    ['.5', 0.5],
    ['3000', 3000],
  ])('reads %p', (text, value) => expect(readNumber(text, rule)).toEqual({ ok: true, value }));
});

describe('units', () => {
  it('are exact', () => {
    expect(toBase(1, 'gal')).toBe(3785.411784);
    expect(toBase(6, 'tsp')).toBeCloseTo(29.5735295625, 12);
    expect(toBase(1, 'lb')).toBe(453.59237);
  });
  it('are shown without exponent or noise', () => {
    expect(showVolume(43.53, 'metric').text).toBe('43.53 mL');
    expect(showVolume(7255, 'metric').text).toBe('7.255 L');
    expect(showFill(7255, 'metric').text).toBe('7.3 L');
    expect(showFill(7255, 'us').text).toBe('1.9 gal');
    fc.assert(fc.property(fc.double({ min: 0, max: 1e7, noNaN: true }), (x) => expect(figure(x)).not.toMatch(/e/i)));
  });
});

describe('a comma before three figures', () => {
  const girth = { name: 'The girth', above: 0, max: 30_000, unit: 'mm' };
  it('is asked about where both readings can be', () =>
    expect(readNumber('1,234', girth)).toEqual({
      ok: false,
      sentence: 'The girth: “1,234” may be 1.234 or 1234 mm. Type it without the comma.',
    }));
  it('is the one that can be, where only one can', () => {
    expect(readNumber('50,123', { name: 'The latitude', min: -90, max: 90 })).toEqual({ ok: true, value: 50.123 });
    expect(readNumber('1,234', { name: 'The price', min: 0, max: 1e6, whole: true })).toEqual({
      ok: true,
      value: 1234,
    });
    expect(readNumber('145,1', { name: 'The girth', above: 0, max: 2500 })).toEqual({ ok: true, value: 145.1 });
    expect(readNumber('0,125', { name: 'The girth', above: 0, max: 2500 })).toEqual({ ok: true, value: 0.125 });
  });
});
