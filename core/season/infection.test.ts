import fc from 'fast-check';
import { bloomBlight, isWet, leafCurl, SCAB_HOURS, scabHoursNeeded, scabSpells, type BloomDay } from './infection';
import type { Hour } from '../weather/station';

const START = Date.parse('2026-04-20T00:00:00Z');
const hour = (i: number, more: Partial<Hour> = {}): Hour => ({
  at: new Date(START + i * 3_600_000).toISOString(),
  temperatureC: 12,
  rainMm: 0,
  humidity: 70,
  ...more,
});
/** Hours by a word each: r rain, w wet without rain, d dry, s dry in the sun. */
const hours = (words: string, temperatureC = 12): Hour[] =>
  [...words].map((w, i) =>
    hour(i, {
      temperatureC,
      rainMm: w === 'r' ? 0.4 : 0,
      humidity: w === 'r' || w === 'w' ? 95 : 60,
      sun: w === 's',
    }),
  );
const times = (n: number, word: string) => word.repeat(n);

describe('apple scab', () => {
  it.each([
    [1, 41],
    [2, 35],
    [3, 30],
    [4, 28],
    [5, 21],
    [6, 18],
    [7, 15],
    [8, 13],
    [9, 12],
    [10, 11],
    [11, 9],
    [12, 8],
    [13, 8],
    [14, 7],
    [15, 7],
    [16, 6],
    [20, 6],
    [24, 6],
    [25, 8],
    [26, 11],
  ])('at %d °C it takes %d wet hours', (celsius, wet) => {
    expect(scabHoursNeeded(celsius)).toBe(wet);
    const [just] = scabSpells(hours(`r${times(wet - 1, 'w')}`, celsius));
    const [short] = scabSpells(hours(`r${times(wet - 2, 'w')}`, celsius));
    expect(just!.infectedAt).toBe(hour(wet - 1).at);
    expect(short!.infectedAt).toBeNull();
  });
  it('ends where the table ends; between two degrees none is missed', () => {
    expect(SCAB_HOURS).toHaveLength(26);
    for (const c of [0.9, 26.1, Number.NaN]) expect(scabHoursNeeded(c)).toBeNull();
    expect(scabHoursNeeded(10.5)).toBe(9);
  });
  it('begins with rain: dew alone is no spell', () => {
    expect(scabSpells(hours(times(30, 'w')))).toEqual([]);
    expect(scabSpells(hours(`ww${times(3, 'r')}ww`))).toMatchObject([{ wetHours: 5, began: hour(2).at }]);
  });
  it('bridges a dry gap under a day, and under eight hours of sun; dry hours do not count', () => {
    expect(scabSpells(hours(`rrrr${times(23, 'd')}wwww`))).toMatchObject([{ wetHours: 8, infectedAt: hour(30).at }]);
    expect(scabSpells(hours(`rrrr${times(24, 'd')}rrrr`))).toHaveLength(2);
    expect(scabSpells(hours(`rrrr${times(7, 's')}wwww`))).toHaveLength(1);
    expect(scabSpells(hours(`rrrr${times(8, 's')}rrrr`))).toMatchObject([{ wetHours: 4 }, { wetHours: 4 }]);
  });
  it('a sensor beats rain and humidity', () => {
    expect(isWet({ rainMm: 2, humidity: 99, wet: false })).toBe(false);
    expect(isWet({ rainMm: 0, humidity: 40, wet: true })).toBe(true);
  });
  it('no wet hour stands in two spells, and more wetness never undoes an infection', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[rwds]{1,80}$/), fc.integer({ min: 2, max: 25 }), (words, celsius) => {
        const spells = scabSpells(hours(words, celsius));
        expect(spells.reduce((n, s) => n + s.wetHours, 0)).toBeLessThanOrEqual(words.replace(/[ds]/g, '').length);
        const wetter = scabSpells(hours(words.replaceAll('d', 'w').replaceAll('s', 'w'), celsius));
        if (spells.some((s) => s.infectedAt)) expect(wetter.some((s) => s.infectedAt)).toBe(true);
      }),
    );
  });
});

describe('fire blight of bloom', () => {
  /** A day whose hours lie at two temperatures. */
  const day = (n: number, warmHours: number, warm: number, cool: number, more: Partial<BloomDay> = {}): BloomDay => ({
    day: `2026-05-${String(n).padStart(2, '0')}`,
    temperatures: [...Array(warmHours).fill(warm), ...Array(24 - warmHours).fill(cool)],
    rainMm: 0,
    heavyDew: false,
    open: true,
    ...more,
  });
  it('six days, worked by hand', () => {
    const days = [
      day(1, 8, 22, 12),
      day(2, 12, 25.5, 14),
      day(3, 10, 20, 12, { rainMm: 0.3 }),
      day(4, 10, 20, 12),
      day(5, 0, 17, 11, { rainMm: 3 }),
      day(6, 10, 20, 13),
    ];
    const out = bloomBlight(days);
    // Above 18.3 °C: 8 h × 3.7 = 29.6; 12 h × 7.2 = 86.4; 10 h × 1.7 = 17. On the fourth day the flowers of the first have
    // lived 47.9 degree-days and take their 29.6 along; the fifth stays below 17.8 °C and takes a third; on the sixth the
    // flowers of the second day are gone.
    const sums = [29.6, 116, 133, 120.4, (120.4 * 2) / 3, (34 * 2) / 3 + 17];
    expect(out.map((d) => d.degreeHours)).toEqual(sums.map((s) => expect.closeTo(s, 9)));
    expect(out.map((d) => Object.values(d.conditions))).toEqual([
      // open, heat, wetting, a warm day
      [true, false, false, false],
      [true, true, false, true],
      [true, true, true, false],
      [true, true, false, false],
      [true, false, true, false],
      [true, false, true, true],
    ]);
    expect(out.map((d) => d.risk)).toEqual(['low', 'high', 'high', 'moderate', 'moderate', 'high']);
  });
  it('all four are an infection, three are high, closed flowers are none', () => {
    const warm = (open: boolean, rainMm: number) =>
      bloomBlight([day(1, 24, 23, 23, { open }), day(2, 24, 23, 23, { open, rainMm })])[1]!;
    expect(warm(true, 0.25).risk).toBe('infection');
    expect(warm(true, 0.24).risk).toBe('high');
    expect(warm(false, 5)).toMatchObject({ risk: 'low', degreeHours: 0 });
  });
  it('heat is that of flowers that still live: 44.4 degree-days above 4.4 °C', () => {
    // Each day of 20 °C is 15.6 degree-days of life and 40.8 degree-hours of heat: of four days two are left beside today.
    const days = [1, 2, 3, 4].map((n) => day(n, 24, 20, 20));
    expect(bloomBlight(days).map((d) => d.degreeHours)).toEqual(
      [40.8, 81.6, 81.6, 81.6].map((x) => expect.closeTo(x, 6)),
    );
  });
  it('cold days take heat away: a third, a half, all of it', () => {
    const cold = (n: number) => day(n, 0, 0, 5);
    const out = bloomBlight([day(1, 24, 20, 20), cold(2), cold(3), cold(4), day(5, 24, 20, 20)]);
    expect(out.map((d) => d.degreeHours)).toEqual([40.8, 27.2, 13.6, 0, 40.8].map((x) => expect.closeTo(x, 9)));
  });
});

it('leaf curl: three millimetres, twelve hours and a half wet, below 16 °C', () => {
  expect(leafCurl(hours(`${times(8, 'r')}wwwww`, 10))).toHaveLength(1);
  expect(leafCurl(hours(`${times(8, 'r')}wwww`, 10))).toHaveLength(0);
  expect(leafCurl(hours(`${times(7, 'r')}wwwwwwww`, 10))).toHaveLength(0);
  expect(leafCurl(hours(`${times(8, 'r')}wwwww`, 16))).toHaveLength(0);
});
