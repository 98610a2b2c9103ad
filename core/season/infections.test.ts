import type { Hour } from '../weather/station';
import { coverOf } from '../spray/covers';
import { infectionEvents, infectionSpan } from './infections';
import type { StageDate } from './stages';

const stage = (code: StageDate['code'], day: string): StageDate => ({
  code,
  day,
  earliest: day,
  latest: day,
  rests: 'measured',
  moved: 0,
  by: null,
});
const apple = [stage(7, '2027-03-20'), stage(60, '2027-04-25'), stage(69, '2027-05-12'), stage(71, '2027-05-20')];
const START = Date.parse('2027-04-01T00:00:00Z');
const hours = (from: number, count: number, of: (i: number) => Partial<Hour>): Hour[] =>
  Array.from({ length: count }, (_, i) => ({
    at: new Date(START + (from + i) * 3_600_000).toISOString(),
    temperatureC: 12,
    rainMm: 0,
    humidity: 70,
    ...of(i),
  }));
const rain = (from: number, to: number) => (i: number) => (i >= from && i < to ? { rainMm: 0.5, humidity: 96 } : {});

describe('scab', () => {
  const scab = (measured: Hour[], members: Hour[][] = [], today = '2027-04-03') =>
    infectionEvents({ condition: 'apple-scab', stages: apple, measured, members, timeZone: 'UTC', today });

  it('infects on the day on which leaves had been wet for long enough, with the figures that say so', () => {
    // At 12 °C eight hours are enough: rain from 10 o'clock infects at 17 o'clock.
    const [event, ...none] = scab(hours(0, 48, rain(10, 22)));
    expect(none).toEqual([]);
    expect(event).toMatchObject({
      conditionId: 'apple-scab',
      day: '2027-04-01',
      at: '2027-04-01T17:00:00.000Z',
      chance: 1,
      cause: { kind: 'wet spell', wetHours: 12, needed: 8, rainMm: 6 },
    });
  });
  it('needs rain and the time of the host: neither dew, nor a short shower, nor before green tip or after its spores', () => {
    expect(scab(hours(0, 48, (i) => (i < 20 ? { humidity: 97 } : {})))).toEqual([]);
    expect(scab(hours(0, 48, rain(10, 17)))).toEqual([]);
    expect(scab(hours(-24 * 30, 48, rain(10, 30)), [], '2027-03-03')).toEqual([]);
    expect(scab(hours(24 * 75, 48, rain(10, 30)), [], '2027-06-15')).toEqual([]);
    // Fruit is set on 20 May; three weeks more, and the spores are spent.
    expect(infectionSpan('apple-scab', apple, '2027-05-30')).toEqual({ from: '2027-03-20', to: '2027-06-10' });
    expect(infectionSpan('apple-scab', [], '2027-05-30')).toBeNull();
  });
  it('of the forecast is told by the share of its courses, once a day, and goes on from what is wet already', () => {
    const measured = hours(0, 48, rain(42, 48));
    const wet = hours(48, 72, rain(0, 2));
    const dry = hours(48, 72, () => ({}));
    const events = scab(measured, [wet, wet, wet, dry]);
    expect(events).toHaveLength(1);
    expect(events[0]).toMatchObject({ day: '2027-04-03', chance: 0.75 });
    expect(scab(measured, [wet, ...Array.from({ length: 9 }, () => dry)])).toEqual([]);
  });
});

describe('bloom blight', () => {
  const warm = (from: number, days: number, wetOn: number | null) =>
    hours(from, days * 24, (i) => ({
      temperatureC: 14 + 12 * Math.sin((Math.PI * (i % 24)) / 24),
      ...(wetOn !== null && Math.floor(i / 24) === wetOn && i % 24 === 20 ? { rainMm: 1 } : {}),
    }));
  const at = (measured: Hour[]) =>
    infectionEvents({
      condition: 'fire-blight',
      stages: apple,
      measured,
      members: [],
      timeZone: 'UTC',
      today: '2027-05-10',
    });
  it('takes open flowers, heat within their life, wetting and a warm day together', () => {
    const [event] = at(warm(24 * 25, 6, 3));
    expect(event).toMatchObject({ day: '2027-04-29', chance: 1, cause: { kind: 'bloom' } });
    expect(event!.cause.kind === 'bloom' && event!.cause.degreeHours >= 110).toBe(true);
    expect(at(warm(24 * 25, 6, null))).toEqual([]);
    // Before a flower is open nothing of it counts.
    expect(at(warm(24 * 10, 6, 3))).toEqual([]);
  });
});

describe('a cover under rain', () => {
  const sprayed = {
    doneOn: '2027-04-01',
    endedAt: '2027-04-01T08:00:00Z',
    use: {
      method: 'foliar-spray' as const,
      purpose: 'preventive' as const,
      intervals: { minDays: 7, reEntryHours: 24, text: 'x' },
      conditions: { rainFreeHours: 6, text: 'x' },
      followUps: [
        {
          id: 'again',
          kind: 'treat-again' as const,
          what: 'Cover again',
          after: { count: 10, unit: 'days' as const },
          why: 'it wears off',
        },
      ],
    },
  };
  const days = (mm: Record<number, number>) =>
    hours(0, 24 * 20, (i) => (i % 24 === 18 && mm[Math.floor(i / 24)] ? { rainMm: mm[Math.floor(i / 24)]! } : {}));

  it('28 mm on the fifth day bring it forward, but not before the label’s interval', () => {
    expect(coverOf(sprayed, days({ 4: 28 }), 'UTC')).toMatchObject({
      renewOn: '2027-04-08',
      why: 'half-gone',
      rainMm: 28,
    });
    expect(coverOf(sprayed, days({ 8: 28 }), 'UTC')).toMatchObject({ renewOn: '2027-04-09', why: 'half-gone' });
    expect(coverOf(sprayed, days({ 2: 10 }), 'UTC')).toMatchObject({ renewOn: '2027-04-11', why: 'label-days' });
  });
  it('rain before it had dried ends it at once; what rained before it was put on says nothing', () => {
    expect(
      coverOf(
        sprayed,
        hours(0, 48, (i) => (i === 12 ? { rainMm: 1 } : {})),
        'UTC',
      ),
    ).toMatchObject({
      share: 0,
      why: 'before-dry',
    });
    expect(
      coverOf(
        sprayed,
        hours(0, 48, (i) => (i === 5 ? { rainMm: 30 } : {})),
        'UTC',
      ),
    ).toMatchObject({ share: 1 });
  });
  it('what cures, and what is not on the leaf, is no cover', () => {
    expect(coverOf({ ...sprayed, use: { ...sprayed.use, purpose: 'curative' } }, [], 'UTC')).toBeNull();
    expect(coverOf({ ...sprayed, use: { ...sprayed.use, method: 'soil-drench' } }, [], 'UTC')).toBeNull();
  });
});
