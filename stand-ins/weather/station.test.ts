import { CLIMATE_NAMES } from '@/core/settings/settings';
import { daysOf } from '@/core/season/year';
import type { Hour } from '@/core/weather/station';
import { CLIMATES, climateAt } from './climates';
import { fair } from './fair';
import { simulatedStation } from './station';

const mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length;
const quantile = (of: number[], share: number) => [...of].sort((a, b) => a - b)[Math.round((of.length - 1) * share)]!;
const correlation = (a: number[], b: number[]) => {
  const [ma, mb] = [mean(a), mean(b)];
  const co = mean(a.map((x, i) => (x - ma) * (b[i]! - mb)));
  return co / Math.sqrt(mean(a.map((x) => (x - ma) ** 2)) * mean(b.map((x) => (x - mb) ** 2)));
};
const year = (climate: keyof typeof CLIMATES, lat = 51) => {
  const station = simulatedStation(7, { climate: CLIMATES[climate], lat });
  return { station, hours: station.hours(new Date('2025-01-01T00:00Z'), new Date('2026-01-01T00:00Z')) };
};

it('the same seed has the same weather, asked in any order; another seed has another', () => {
  const [a, b, other] = [simulatedStation(3), simulatedStation(3), simulatedStation(4)];
  const instants = ['2026-06-01T10:40:00Z', '2024-02-29T23:00:00Z', '2031-12-31T05:00:00Z'].map((t) => new Date(t));
  const forward = instants.map((t) => a.at(t));
  expect([...instants].reverse().map((t) => b.at(t))).toEqual([...forward].reverse());
  expect(instants.map((t) => other.at(t))).not.toEqual(forward);
  const [from, to] = [new Date('2026-03-01T00:00Z'), new Date('2026-03-03T00:00Z')];
  expect(a.hours(from, to)).toHaveLength(48);
  expect(b.hours(new Date('2026-03-02T00:00Z'), to)).toEqual(a.hours(from, to).slice(24));
  expect(b.forecast(instants[0]!)).toEqual(a.forecast(instants[0]!));
});

describe.each(CLIMATE_NAMES)('the climate %s', (name) => {
  const climate = CLIMATES[name];
  const { station, hours } = year(name);
  const wet = hours.filter((h) => h.rainMm > 0);

  it('stays within what air can do, and keeps the year it promises', () => {
    const odd = hours.filter(
      (h) =>
        h.humidity < 12 || h.humidity > 100 || Math.abs(h.temperatureC) > 48 || !(h.windMs! >= 0.2 && h.windMs! < 40),
    );
    expect(odd).toEqual([]);
    expect(Math.abs(mean(hours.map((h) => h.temperatureC)) - climate.meanC)).toBeLessThan(1.5);
    const days = station.days('2018-01-01', '2023-12-31', 'UTC');
    const rain = days.reduce((sum, d) => sum + d.rainMm, 0) / 6;
    expect(Math.abs(rain - climate.rainMm)).toBeLessThanOrEqual(0.25 * climate.rainMm);
  });

  it('rain, cloud, humidity, wetness and temperature agree', () => {
    if (!climate.rainMm) return expect(wet).toEqual([]);
    expect(wet.every((h) => h.wet && h.humidity >= 88 && !h.sun)).toBe(true);
    const [dull, sunny] = [hours.filter((h) => h.rainMm > 0), hours.filter((h) => h.sun)];
    expect(mean(dull.map((h) => h.humidity))).toBeGreaterThan(mean(sunny.map((h) => h.humidity)) + 15);
    // Clear days swing wider than wet ones.
    const swing = (of: Hour[]) => {
      const spans = daysOf(of, 'UTC').map((d) => ({ rain: d.rainMm, span: d.max - d.min }));
      return [spans.filter((d) => d.rain > 3), spans.filter((d) => d.rain === 0)].map((d) =>
        mean(d.map((x) => x.span)),
      );
    };
    const [rainy, dry] = swing(hours);
    expect(dry!).toBeGreaterThan(rainy! + 0.5);
  });

  it('its weather lasts for days, and is another in a fortnight', () => {
    const days = daysOf(hours, 'UTC').map((d) => (d.min + d.max) / 2);
    // The year's own course is taken off by the fortnight before and after.
    const odd = days.map((d, i) => d - mean(days.slice(Math.max(0, i - 14), i + 15)));
    const after = (n: number) => correlation(odd.slice(0, -n), odd.slice(n));
    expect(after(1)).toBeGreaterThan(0.6);
    expect(after(14)).toBeLessThan(0.3);
  });
});

it('south of the equator the year is turned', () => {
  const july = (lat: number) =>
    mean(
      simulatedStation(7, { lat })
        .days('2025-07-01', '2025-07-31', 'UTC')
        .map((d) => d.max),
    );
  const january = (lat: number) =>
    mean(
      simulatedStation(7, { lat })
        .days('2025-01-01', '2025-01-31', 'UTC')
        .map((d) => d.max),
    );
  expect(july(51)).toBeGreaterThan(january(51) + 8);
  expect(january(-42)).toBeGreaterThan(july(-42) + 8);
});

it('days are those of the place’s own calendar, through a change of the clock', () => {
  const station = simulatedStation(7);
  const [day] = station.days('2026-03-29', '2026-03-29', 'Europe/London');
  const own = station.hours(new Date('2026-03-29T00:00Z'), new Date('2026-03-29T23:00Z'));
  expect(day!.min).toBe(Math.min(...own.map((h) => h.temperatureC)));
  expect(day!.max).toBe(Math.max(...own.map((h) => h.temperatureC)));
  const [auckland] = station.days('2026-03-29', '2026-03-29', 'Pacific/Auckland');
  const there = station.hours(new Date('2026-03-28T11:00Z'), new Date('2026-03-29T11:00Z'));
  expect(auckland!.max).toBe(Math.max(...there.map((h) => h.temperatureC)));
});

describe('the forecast', () => {
  const station = simulatedStation(11, { climate: CLIMATES.continental, lat: 47 });
  const issues = Array.from({ length: 36 }, (_, i) => new Date(Date.UTC(2025, 0, 4 + i * 10)));
  const runs = issues.map((t) => {
    const forecast = station.forecast(t);
    const from = new Date(forecast.from);
    return { forecast, real: station.hours(from, new Date(from.getTime() + 240 * 3_600_000)) };
  });
  const at = (hour: number) =>
    runs.map(({ forecast, real }) => ({
      members: forecast.members.map((m) => m[hour]!.temperatureC),
      real: real[hour]!.temperatureC,
    }));

  it('has at least twenty courses of ten days from the hour it was issued for', () => {
    expect(runs[0]!.forecast.members.length).toBeGreaterThanOrEqual(20);
    expect(runs[0]!.forecast.members.every((m) => m.length === 240)).toBe(true);
    expect(runs[0]!.forecast.members[3]![5]!.at).toBe(runs[0]!.real[5]!.at);
  });

  it('worsens with distance, and says so by its spread', () => {
    const error = (hour: number) => Math.sqrt(mean(at(hour).map((x) => (mean(x.members) - x.real) ** 2)));
    const spread = (hour: number) =>
      Math.sqrt(mean(at(hour).map((x) => mean(x.members.map((m) => (m - mean(x.members)) ** 2)))));
    expect([6, 48, 120, 220].map(error).every((e, i, all) => i === 0 || e > all[i - 1]!)).toBe(true);
    expect(spread(12)).toBeLessThan(spread(72));
    expect(spread(72)).toBeLessThan(spread(200));
    // What came about lies among the members about as often as it should: neither too sure nor too careful.
    const inside = [48, 120, 200].flatMap((hour) =>
      at(hour).map((x) => x.real >= quantile(x.members, 0.1) && x.real <= quantile(x.members, 0.9)),
    );
    const share = inside.filter(Boolean).length / inside.length;
    expect(share).toBeGreaterThan(0.58);
    expect(share).toBeLessThan(0.93);
  });
});

it('a place of unknown weather is given that of its latitude, the same north and south', () => {
  expect([62, 51, 45, -38, 20].map(climateAt)).toEqual([
    'boreal',
    'estuary',
    'continental',
    'dry-summer',
    'subtropical',
  ]);
  expect(climateAt(-51)).toBe(climateAt(51));
});

it('fair weather leaves every method open in every month', () => {
  const year = Array.from({ length: 365 }, (_, i) =>
    fair({ lat: 51, lon: 0 }).at(new Date(Date.UTC(2026, 0, 1, i * 25))),
  );
  const closed = year.filter(
    (w) =>
      !(w.temperatureC! >= 4 && w.temperatureC! <= 27 && w.soilTemperatureC! > 0) ||
      !(w.soilMoisture! < 0.85 && w.soilMoisture! > 0.2) ||
      w.rainNext24Mm! > 0,
  );
  expect(closed).toEqual([]);
});
