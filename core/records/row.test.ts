import fc from 'fast-check';
import { sharesOf } from './row';
import { oneMix } from '../mix/one-mix';

const HOUR = { startedAt: '2026-06-01T08:00:00.000Z', endedAt: '2026-06-01T09:00:00.000Z' };

it('twice the dose is twice the amount and twice the time', () => {
  expect(sharesOf([10, 20], 27, HOUR)).toEqual([
    { amount: 9, startedAt: HOUR.startedAt, endedAt: '2026-06-01T08:20:00.000Z' },
    { amount: 18, startedAt: '2026-06-01T08:20:00.000Z', endedAt: HOUR.endedAt },
  ]);
});

it('one mix is as strong for one tree as for the other, but for the rounding of the can', () => {
  expect(oneMix({ product: 47, mixMl: 7800 }, { product: 37, mixMl: 6100 })).toBe(true);
  expect(oneMix({ product: 47, mixMl: 8000 }, { product: 37, mixMl: 8000 })).toBe(false);
  expect(oneMix({ product: 47, mixMl: null }, { product: 37, mixMl: null })).toBe(true);
  expect(oneMix({ product: 47, mixMl: 8000 }, { product: 47, mixMl: null })).toBe(false);
});

it('shares come to the total and the whole span, each after the one before; as planned they are what was planned', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 1e-3, max: 1e4, noNaN: true }), { minLength: 1, maxLength: 60 }),
      fc.option(fc.double({ min: 1e-3, max: 1e6, noNaN: true })),
      fc.integer({ min: 0, max: 600 }),
      (planned, total, minutes) => {
        const endedAt = new Date(Date.parse(HOUR.startedAt) + minutes * 60_000).toISOString();
        const shares = sharesOf(planned, total, { ...HOUR, endedAt });
        const sum = shares.reduce((a, s) => a + s.amount, 0);
        const wanted = total ?? planned.reduce((a, x) => a + x, 0);
        expect(Math.abs(sum - wanted)).toBeLessThanOrEqual(1e-9 * Math.max(1, wanted));
        expect(shares[0]!.startedAt).toBe(HOUR.startedAt);
        shares.forEach((s, i) =>
          expect(s.startedAt <= s.endedAt && s.endedAt === (shares[i + 1]?.startedAt ?? s.endedAt)).toBe(true),
        );
        expect(Date.parse(endedAt) - Date.parse(shares.at(-1)!.endedAt)).toBeLessThanOrEqual(1);
        if (total === null) expect(shares.map((s) => s.amount)).toEqual(planned);
      },
    ),
  );
});
