import fc from 'fast-check';
import { expectedHours, weatherAt } from './expected';
import type { Weather } from './air';

const FROM = Date.parse('2026-06-01T06:00:00Z');
const course = (t: number, rain: number) =>
  Array.from({ length: 48 }, (_, i) => ({
    at: new Date(FROM + i * 3_600_000).toISOString(),
    temperatureC: t + i,
    humidity: 50,
    windMs: 2,
    rainMm: rain,
  }));
const NOW: Weather = {
  at: '2026-06-01T05:00:00Z',
  temperatureC: 9,
  humidity: 80,
  windMs: 7,
  windFromDeg: 200,
  rainMm: 0,
  rainNext24Mm: 0,
  soilTemperatureC: 12,
  soilMoisture: 0.5,
  sky: 'broken',
};

test('the middle course is taken along, and rain as the mean of all', () => {
  const hours = expectedHours([course(10, 0), course(14, 3), course(12, 0)], 30);
  expect(hours).toHaveLength(30);
  expect(hours[2]).toMatchObject({ temperatureC: 14, windMs: 2, rainMm: 1 });
});

test('the air of an hour is that hour with the rain after it; soil and the side of the wind are as they were measured', () => {
  const hours = expectedHours([course(10, 0.5)], 48);
  const at = weatherAt(NOW, hours, new Date(FROM + 2.5 * 3_600_000));
  expect(at).toMatchObject({ temperatureC: 12, windMs: 2, rainNext24Mm: 12, soilMoisture: 0.5, windFromDeg: 200 });
  expect(at.rainByHour).toHaveLength(24);
});

test('beyond the hours that were taken along, what was measured last stands with its own time', () => {
  const hours = expectedHours([course(10, 0)], 48);
  fc.assert(
    fc.property(fc.integer({ min: 48, max: 400 }), (h) => {
      expect(weatherAt(NOW, hours, new Date(FROM + h * 3_600_000))).toBe(NOW);
    }),
  );
  expect(weatherAt(NOW, [], new Date(FROM))).toBe(NOW);
});
