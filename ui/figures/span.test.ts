import fc from 'fast-check';
import { at, DAY, dayAt, panned, ticksOf, zoomed, type Span } from './span';

const within: Span = { from: at('2021-01-01'), to: at('2031-01-01') };
const span = fc
  .tuple(fc.integer({ min: 0, max: 3600 }), fc.integer({ min: 2, max: 400 }))
  .map(([from, days]): Span => ({ from: within.from + from * DAY, to: within.from + (from + days) * DAY }))
  .filter((s) => s.to <= within.to);
const lies = (s: Span) => s.from >= within.from - 1 && s.to <= within.to + 1 && s.to - s.from >= 2 * DAY - 1;

describe('what is shown of time', () => {
  it('stays within what there is, and never closer than two days, however it is moved and zoomed', () => {
    fc.assert(
      fc.property(
        span,
        fc.integer({ min: -9000, max: 9000 }),
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        (s, days, by) => {
          expect(lies(panned(s, days * DAY, within))).toBe(true);
          expect(lies(zoomed(s, by, s.from + (s.to - s.from) / 3, within))).toBe(true);
        },
      ),
    );
  });

  it('keeps its length when it is moved, also against the end', () => {
    const s = { from: at('2030-11-01'), to: at('2030-12-01') };
    expect(panned(s, 90 * DAY, within)).toEqual({ from: within.to - 30 * DAY, to: within.to });
    expect(panned(s, -30 * DAY, within)).toEqual({ from: at('2030-10-02'), to: at('2030-11-01') });
  });

  it('holds the instant under the finger where it is', () => {
    fc.assert(
      fc.property(
        span,
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (s, by, share) => {
          const around = s.from + share * (s.to - s.from);
          const closer = zoomed(s, by, around, within);
          expect((around - closer.from) / (closer.to - closer.from)).toBeCloseTo(share, 6);
        },
      ),
    );
  });

  it('is written in years, months, days or hours, by what has room', () => {
    const words = (from: string, to: string) => ticksOf({ from: at(from), to: at(to) }, 720).map((t) => t.words);
    expect(words('2021-01-01', '2031-01-01')).toEqual(expect.arrayContaining(['2022', '2027']));
    expect(words('2026-09-01', '2027-08-01')).toEqual(expect.arrayContaining(['Oct', 'Jan 2027', 'Jul']));
    expect(words('2026-11-22', '2026-12-07')).toEqual(expect.arrayContaining(['Mon 23', '1 Dec']));
    expect(words('2026-11-22', '2026-11-24')).toEqual(expect.arrayContaining(['Sun 22', '12 h']));
  });

  it('has a day for every instant', () => {
    expect(dayAt(at('2026-03-29') + DAY - 1)).toBe('2026-03-29');
    expect(dayAt(at('1969-12-31') + 1)).toBe('1969-12-31');
  });
});
