import fc from 'fast-check';
import { toMarks } from './mix/vessels';
import { may, refusal } from './people/rights';
import { readSettings } from './settings/settings';
import { readNumber } from '../lib/units/numbers';
import { figure, showFill, showVolume, toBase } from '../lib/units/units';

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

it('the roles: who may what, and a refusal that names who can', () => {
  expect(may('technician', 'apply')).toBe(true);
  expect(may('technician', 'prescribe')).toBe(false);
  expect(may('office', 'see gate codes')).toBe(false);
  expect(refusal('technician', 'prescribe')).toBe(
    'To prescribe takes an owner or an arborist; you are signed in as technician.',
  );
});

it.each([
  [{}, /DATABASE_URL is not set/],
  [{ DATABASE_URL: 'mysql://x' }, /DATABASE_URL must look like postgres/],
  [{ DATABASE_URL: 'postgres://a@b/c', PORT: 'many' }, /PORT must be a whole number/],
  [{ DATABASE_URL: 'postgres://a@b/c', PORT: '70000' }, /PORT must be from 1 to 65535/],
  [{ DATABASE_URL: 'postgres://a@b/c', ELMHORN_DEMO: 'yes' }, /ELMHORN_DEMO must be 0 or 1/],
])('settings %p are one clear sentence', (env, sentence) => {
  const r = readSettings(env);
  expect(r.ok ? '' : r.sentence).toMatch(sentence);
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
