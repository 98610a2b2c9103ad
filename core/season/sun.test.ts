import { sunOn } from './sun';

const clock = (m: number) =>
  `${String(Math.floor(m / 60)).padStart(2, '0')}:${String(Math.round(m % 60)).padStart(2, '0')}`;

// Times of almanacs, to within ten minutes.
it.each([
  ['London in June', '2026-06-21', { lat: 51.5, lon: -0.1 }, 'Europe/London', 4 * 60 + 43, 21 * 60 + 22],
  ['London in December', '2026-12-21', { lat: 51.5, lon: -0.1 }, 'Europe/London', 8 * 60 + 4, 15 * 60 + 53],
  ['Hobart in December', '2026-12-21', { lat: -42.9, lon: 147.3 }, 'Australia/Hobart', 5 * 60 + 29, 20 * 60 + 50],
  ['Quito at an equinox', '2027-03-21', { lat: -0.2, lon: -78.5 }, 'America/Guayaquil', 6 * 60 + 18, 18 * 60 + 25],
])('%s', (_, day, at, zone, rise, set) => {
  const sun = sunOn(day, at, zone)!;
  expect([clock(sun.rise), Math.abs(sun.rise - rise) <= 10]).toEqual([expect.any(String), true]);
  expect([clock(sun.set), Math.abs(sun.set - set) <= 10]).toEqual([expect.any(String), true]);
});

it('where the sun does not rise or set, there is no hour of it; where the clock is far from the sun, it is still that day', () => {
  expect(sunOn('2026-06-21', { lat: 78, lon: 15 }, 'Europe/Oslo')).toBeNull();
  expect(sunOn('2026-12-21', { lat: 78, lon: 15 }, 'Europe/Oslo')).toBeNull();
  const { rise, set } = sunOn('2026-06-21', { lat: 64, lon: -22 }, 'Atlantic/Reykjavik')!;
  expect(set).toBeGreaterThan(1430);
  expect(rise).toBeLessThan(200);
});
