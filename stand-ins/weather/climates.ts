import type { CLIMATE_NAMES } from '@/core/settings/settings';

export type ClimateName = (typeof CLIMATE_NAMES)[number];

/** What weather is like at a place, year in, year out. */
export interface Climate {
  words: string;
  /** Yearly mean and half the yearly swing of air temperature, °C; warmest three weeks after the longest day. */
  meanC: number;
  swingC: number;
  /** Half the swing of a clear day at the equinox, °C. */
  dailyC: number;
  /** Standard deviation that the weather of the week brings, °C. */
  frontsC: number;
  /** Rain of a year, mm, and share of hours in which it falls. */
  rainMm: number;
  wet: { winter: number; summer: number };
  /** How far the dew point lies below the mean of the day, °C. */
  dry: { winter: number; summer: number };
  windMs: number;
}

export const CLIMATES = {
  settled: {
    words: 'a long fair spell, for practice and for tests: no rain, mild air that moves a little',
    ...{ meanC: 14, swingC: 4.5, dailyC: 2.2, frontsC: 0.8, rainMm: 0, windMs: 2.2 },
    wet: { winter: 0, summer: 0 },
    dry: { winter: 4.5, summer: 5.5 },
  },
  estuary: {
    words: 'a mild inlet behind a headland: showers all year, few frosts',
    ...{ meanC: 10.8, swingC: 6.3, dailyC: 4.6, frontsC: 2.4, rainMm: 640, windMs: 3 },
    wet: { winter: 0.12, summer: 0.075 },
    dry: { winter: 2, summer: 4.6 },
  },
  coast: {
    words: 'an open coast in the westerlies: wind and rain, little frost, cool summers',
    ...{ meanC: 10.2, swingC: 5.2, dailyC: 3.2, frontsC: 2, rainMm: 1050, windMs: 5.2 },
    wet: { winter: 0.19, summer: 0.12 },
    dry: { winter: 2, summer: 3.2 },
  },
  continental: {
    words: 'inland plain: cold winters, warm summers with thunder',
    ...{ meanC: 9, swingC: 11.5, dailyC: 6, frontsC: 3.6, rainMm: 620, windMs: 2.8 },
    wet: { winter: 0.085, summer: 0.065 },
    dry: { winter: 2.2, summer: 6 },
  },
  boreal: {
    words: 'northern forest: long winters, short light summers',
    ...{ meanC: 3.2, swingC: 13.5, dailyC: 5.2, frontsC: 4.4, rainMm: 560, windMs: 2.6 },
    wet: { winter: 0.07, summer: 0.07 },
    dry: { winter: 1.8, summer: 5.5 },
  },
  'dry-summer': {
    words: 'orchards of a dry-summer coast: rain in winter, none for months',
    ...{ meanC: 15.8, swingC: 7.6, dailyC: 6, frontsC: 2.2, rainMm: 520, windMs: 2.8 },
    wet: { winter: 0.085, summer: 0.006 },
    dry: { winter: 4, summer: 10 },
  },
  steppe: {
    words: 'dry plain in the lee of mountains: hot days, cold nights, little rain',
    ...{ meanC: 9.5, swingC: 12.5, dailyC: 8.2, frontsC: 4, rainMm: 330, windMs: 3.4 },
    wet: { winter: 0.035, summer: 0.03 },
    dry: { winter: 4.5, summer: 11.5 },
  },
  subtropical: {
    words: 'warm and humid: downpours in summer, hardly a winter',
    ...{ meanC: 19.5, swingC: 7.5, dailyC: 5, frontsC: 2.4, rainMm: 1300, windMs: 2.4 },
    wet: { winter: 0.05, summer: 0.1 },
    dry: { winter: 4.6, summer: 3.4 },
  },
} as const satisfies Record<ClimateName, Climate>;

/** The climate that a place of unknown weather is given, by its latitude alone. */
export function climateAt(lat: number): ClimateName {
  const from = Math.abs(lat);
  if (from >= 58) return 'boreal';
  if (from >= 49) return 'estuary';
  if (from >= 42) return 'continental';
  if (from >= 31) return 'dry-summer';
  return 'subtropical';
}
