import fc from 'fast-check';
import { localMonth, northernMonth, southOf, inWindow } from './hemisphere';
import { inSeason, monthAfter, monthOf, monthsUntil, MONTHS_OF_YEAR } from './months';

const month = fc.integer({ min: 1, max: 12 });

it('a month of a day is read as it stands', () => {
  expect([monthOf('2027-03-09'), monthOf('2026-12-31'), monthOf('2027-01-01')]).toEqual([3, 12, 1]);
});

it('months go round the year, forwards and back', () => {
  expect([monthAfter(11, 3), monthAfter(1, -1), monthAfter(12, 12), monthsUntil(11, 2), monthsUntil(5, 5)]).toEqual([
    2, 12, 12, 3, 0,
  ]);
  fc.assert(
    fc.property(month, fc.integer({ min: -40, max: 40 }), (m, count) => {
      const there = monthAfter(m, count);
      expect(MONTHS_OF_YEAR).toContain(there);
      expect(monthAfter(there, -count)).toBe(m);
      expect(monthsUntil(m, there)).toBe(((count % 12) + 12) % 12);
    }),
  );
});

it('a month turned to the northern year and back is the same month; in the south six months lie between', () => {
  fc.assert(
    fc.property(month, fc.boolean(), (m, south) => {
      expect(localMonth(northernMonth(m, south), south)).toBe(m);
      expect(monthsUntil(m, northernMonth(m, south) as number)).toBe(south ? 6 : 0);
    }),
  );
});

it('a span holds its ends, crosses New Year, and is either in it or out of it', () => {
  expect([12, 1, 2, 3, 10, 11].map((m) => inSeason(m, [11, 2]))).toEqual([true, true, true, false, false, true]);
  fc.assert(
    fc.property(month, month, (from, to) => {
      const held = MONTHS_OF_YEAR.filter((m) => inSeason(m, [from, to]));
      expect(held).toHaveLength(monthsUntil(from, to) + 1);
      expect(held).toEqual(expect.arrayContaining([from, to]));
    }),
  );
});

it('a window of northern months is open half a year later in the south', () => {
  const spring = { from: 3, to: 5 };
  expect(inWindow('2026-04-10', spring, false)).toBe(true);
  expect(inWindow('2026-04-10', spring, true)).toBe(false);
  expect(inWindow('2026-10-10', spring, true)).toBe(true);
});

it.each([
  [-37.8, 'Europe/London', true],
  [51.5, 'Australia/Melbourne', false],
  [0, 'Africa/Nairobi', false],
  [null, 'Australia/Melbourne', true],
  [null, 'Pacific/Auckland', true],
  [null, 'America/Argentina/Buenos_Aires', true],
  [null, 'Africa/Johannesburg', true],
  [null, 'Europe/London', false],
  [null, 'America/New_York', false],
  [null, 'Pacific/Honolulu', false],
  [null, 'UTC', false],
])('a place at %p, %s: south %p; its latitude goes before its time zone', (lat, timeZone, south) =>
  expect(southOf({ lat, timeZone })).toBe(south),
);
