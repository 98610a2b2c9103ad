import fc from 'fast-check';
import { coverLeft, type Cover } from './cover';
import { dayAfter } from '../../lib/calendar/days';

const cover: Cover = { driedOn: '2026-05-01', lastsDays: 14, minDays: 7, rainFreeHours: 2, inside: false };
const rain = (...mm: number[]) => mm.map((x, i) => ({ day: dayAfter('2026-05-01', i + 1, 'days'), mm: x }));

it('stands for its days in dry weather', () =>
  expect(coverLeft(cover, rain(0, 0, 1), 0)).toEqual({
    share: expect.closeTo(0.98, 9),
    rainMm: 1,
    renewOn: '2026-05-15',
    why: 'label-days',
  }));

it('half is gone after 25 mm, all after 50; the label’s interval still holds', () => {
  expect(coverLeft(cover, rain(10, 10, 4.9), 0).why).toBe('label-days');
  // 28 mm on the third day: again, but not before the seventh.
  expect(coverLeft(cover, rain(10, 10, 8), 0)).toMatchObject({ renewOn: '2026-05-08', why: 'half-gone' });
  expect(coverLeft(cover, rain(0, 0, 0, 0, 0, 0, 0, 0, 28), 0)).toMatchObject({ renewOn: '2026-05-10' });
  expect(coverLeft(cover, rain(60), 0).share).toBe(0);
});

it('the label’s own millimetres move it, its interval notwithstanding', () =>
  expect(coverLeft({ ...cover, renewAfterMm: 12 }, rain(5, 7), 0)).toMatchObject({
    renewOn: '2026-05-03',
    why: 'label-mm',
  }));

it('rain before it has dried ends it at once; what is inside the leaf is not washed off', () => {
  expect(coverLeft(cover, [], 0.2)).toMatchObject({ share: 0, renewOn: cover.driedOn });
  expect(coverLeft({ ...cover, inside: true }, rain(80), 5)).toMatchObject({ share: 1, why: 'label-days' });
});

it('more rain never renews later, and never before the interval unless the label says so', () => {
  const mm = fc.array(fc.double({ min: 0, max: 40, noNaN: true }), { maxLength: 20 });
  fc.assert(
    fc.property(mm, fc.nat(19), fc.double({ min: 0, max: 40, noNaN: true }), (days, at, more) => {
      const wetter = days.map((x, i) => (i === at ? x + more : x));
      const [one, two] = [coverLeft(cover, rain(...days), 0), coverLeft(cover, rain(...wetter), 0)];
      expect(two.renewOn <= one.renewOn).toBe(true);
      expect(two.share).toBeLessThanOrEqual(one.share + 1e-12);
      expect(one.renewOn >= '2026-05-08').toBe(true);
    }),
  );
});
