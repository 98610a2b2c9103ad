import { atOnce, type Slices } from '../../lib/slices';
import { readNumber, type NumberRule } from '../../lib/units/numbers';
import { wallClock, zonedInstant, type Instant } from '../../lib/calendar/zone';
import type { Row, RowIssue } from './table';
import type { WeatherReading } from './weather-reading';

/** What a column of a station's file can be. */
export const WEATHER_COLUMNS = ['time', 'clock', 'temperature', 'rain', 'humidity', 'wind', 'wet'] as const;
export type WeatherColumn = (typeof WEATHER_COLUMNS)[number];
export const WEATHER_COLUMN_NAMES: Record<WeatherColumn, string> = {
  time: 'Date and time',
  clock: 'Time, where it has its own column',
  temperature: 'Temperature',
  rain: 'Rain',
  humidity: 'Relative humidity, %',
  wind: 'Wind',
  wet: 'Leaf wetness (1 or 0)',
};

const HINTS: Record<WeatherColumn, RegExp> = {
  time: /^(date|datum|day|tag|fecha|timestamp|date ?time|zeit(stempel|punkt)?|time ?stamp|observed|fecha y hora|date et heure)\b/i,
  clock: /^(time|hour|uhrzeit|stunde|heure|hora)$/i,
  temperature: /(temp|^t\b|^ta\b|lufttemp)/i,
  rain: /(rain|precip|niederschlag|regen|pluie|lluvia|^rr?\b)/i,
  humidity: /(humid|feuchte|^rh\b|^rf\b|humid[ií]|hygro)/i,
  wind: /(wind|vent|viento)/i,
  wet: /(wetness|leaf wet|blattn|mouill)/i,
};
const plain = (header: string) => header.trim().replace(/[_-]+/g, ' ');

/** How many of these cells look like the name of a column of a station. */
export const weatherNamesIn = (cells: readonly string[]): number =>
  cells.filter((c) => c.length < 60 && WEATHER_COLUMNS.some((k) => HINTS[k].test(plain(c)))).length;

/** Guesses columns and units from the headers; every header is used once. */
export function guessWeather(headers: readonly string[]): WeatherReading {
  const used = new Set<string>();
  const mapping = Object.fromEntries(
    WEATHER_COLUMNS.map((c) => {
      const found = headers.find(
        (h) =>
          !used.has(h) &&
          HINTS[c].test(plain(h)) &&
          !(c === 'temperature' && /soil|boden|dew|tau|leaf/i.test(h)) &&
          !(c === 'wind' && /dir|richt|gust|böe/i.test(h)),
      );
      if (found) used.add(found);
      return [c, found ?? null];
    }),
  ) as WeatherReading['mapping'];
  // A file with one column of time says both by it.
  if (mapping.time === null && mapping.clock !== null) Object.assign(mapping, { time: mapping.clock, clock: null });
  const [temperature, rain, wind] = [mapping.temperature, mapping.rain, mapping.wind].map((h) => plain(h ?? ''));
  return {
    mapping,
    temperature: /°?\bF\b|fahrenheit/i.test(temperature!) ? 'F' : 'C',
    rain: /\b(in|inch|inches)\b/i.test(rain!) ? 'in' : 'mm',
    wind: /km\/?h|kmh|kph/i.test(wind!) ? 'km/h' : /mph/i.test(wind!) ? 'mph' : 'm/s',
    clock: null,
    order: null,
  };
}

/** An hour as it was measured at the place. */
export interface MeasuredHour {
  at: Instant;
  temperatureC: number;
  rainMm: number;
  humidity: number;
  windMs: number | null;
  wet: boolean | null;
}
/** Hours between the first and the last that are not there. */
export interface Gap {
  from: string;
  to: string;
  hours: number;
}
export interface ReadHours {
  hours: MeasuredHour[];
  gaps: Gap[];
  issues: RowIssue[];
}

const TEMPERATURE: NumberRule = { name: 'The temperature', min: -80, max: 150 };
const RAIN: NumberRule = { name: 'The rain', min: 0, max: 500 };
const HUMIDITY: NumberRule = { name: 'The humidity', min: 0, max: 105 };
const WIND: NumberRule = { name: 'The wind', min: 0, max: 400 };
const MS = { 'm/s': 1, 'km/h': 1 / 3.6, mph: 0.44704 } as const;
const HOUR = 3_600_000;

/** A date as files write it, as YYYY-MM-DDTHH:MM and what stands behind; a sentence where it cannot be read. */
function wallOf(text: string, order: WeatherReading['order']): { wall: string; offset: string } | string {
  const iso =
    /^(\d{4})-(\d{1,2})-(\d{1,2})(?:[T ]+(\d{1,2}):(\d{2})(?::\d{2}(?:\.\d+)?)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i.exec(text);
  const other = /^(\d{1,2})([./-])(\d{1,2})\2(\d{4})(?:[T ,]+(\d{1,2}):(\d{2})(?::\d{2})?)?$/.exec(text);
  const two = (x: string | undefined) => (x ?? '0').padStart(2, '0');
  if (iso)
    return { wall: `${iso[1]}-${two(iso[2])}-${two(iso[3])}T${two(iso[4])}:${two(iso[5])}`, offset: iso[6] ?? '' };
  if (!other) return `“${text.slice(0, 30)}” is no date and time.`;
  const [, a, mark, b, year, hour, minute] = other;
  // Points are written day first everywhere; with strokes nobody knows until it is said, or one of them is no month.
  const dayFirst = mark === '.' || Number(a) > 12 || (Number(b) <= 12 && order === 'day');
  if (mark !== '.' && Number(a) <= 12 && Number(b) <= 12 && a !== b && order === null)
    return `“${text.slice(0, 30)}”: say whether the day or the month comes first.`;
  const [day, month] = dayFirst ? [a, b] : [b, a];
  return { wall: `${year}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}`, offset: '' };
}

/** The instant of a row; a sentence where it cannot be told. */
function instantOf(text: string, r: WeatherReading, timeZone: string, last: number | null): number | string {
  const read = wallOf(text, r.order);
  if (typeof read === 'string') return read;
  const { wall, offset } = read;
  if (offset) {
    const at = Date.parse(`${wall}:00${offset.toUpperCase() === 'Z' ? 'Z' : offset.replace(/^(...)(\d\d)$/, '$1:$2')}`);
    return Number.isNaN(at) ? `“${text.slice(0, 30)}” does not exist.` : at;
  }
  if (r.clock === null) return 'Say which clock these times are of.';
  const instant = zonedInstant(wall, r.clock === 'utc' ? 'UTC' : timeZone);
  if (instant === null) return `“${text.slice(0, 30)}” does not exist.`;
  const at = Date.parse(instant);
  if (r.clock === 'utc') return at;
  // In autumn one hour comes twice on the clock of the place: the first time, then an hour later.
  const both = [at - HOUR, at, at + HOUR].filter((x) => wallClock(new Date(x).toISOString(), timeZone) === wall);
  return both.find((x) => last === null || x > last) ?? at;
}

/** One hour from the rows that fall into it: means, and the sum of the rain. */
function hourOf(at: number, rows: readonly Omit<MeasuredHour, 'at'>[]): MeasuredHour {
  const mean = (of: readonly number[]) => of.reduce((a, b) => a + b, 0) / of.length;
  const winds = rows.flatMap((x) => x.windMs ?? []);
  const wets = rows.flatMap((x) => (x.wet === null ? [] : [x.wet]));
  return {
    at: new Date(at).toISOString(),
    temperatureC: mean(rows.map((x) => x.temperatureC)),
    rainMm: rows.reduce((sum, x) => sum + x.rainMm, 0),
    humidity: mean(rows.map((x) => x.humidity)),
    windMs: winds.length ? mean(winds) : null,
    wet: wets.length ? wets.filter(Boolean).length * 2 >= wets.length : null,
  };
}

/**
 * The hours of a station's file. Every row is an hour, a part of one, or a fault with its line; nothing is lost in silence.
 * @param now what lies after it was not measured
 */
export const readHours = (rows: readonly Row[], r: WeatherReading, timeZone: string, now: Date): ReadHours =>
  atOnce(hourSlices(rows, r, timeZone, now));

/** The same, in slices. */
export function* hourSlices(rows: readonly Row[], r: WeatherReading, timeZone: string, now: Date): Slices<ReadHours> {
  const issues: RowIssue[] = [];
  const { mapping } = r;
  for (const need of ['time', 'temperature', 'rain', 'humidity'] as const)
    if (mapping[need] === null)
      issues.push({
        line: 1,
        column: null,
        message: `Say which column is “${WEATHER_COLUMN_NAMES[need].toLowerCase()}”.`,
      });
  if (issues.length) return { hours: [], gaps: [], issues };
  const byHour = new Map<number, Omit<MeasuredHour, 'at'>[]>();
  const seen = new Set<number>();
  let last: number | null = null;
  for (const { line, cells } of rows) {
    yield;
    const cell = (c: WeatherColumn) => (mapping[c] === null ? '' : (cells[mapping[c]] ?? ''));
    const issue = (c: WeatherColumn, sentence: string) => issues.push({ line, column: mapping[c], message: sentence });
    const at = instantOf([cell('time'), cell('clock')].filter(Boolean).join(' '), r, timeZone, last);
    if (typeof at === 'string') {
      issue('time', at);
      continue;
    }
    if (at > now.getTime()) issue('time', 'This time has not come yet.');
    if (seen.has(at)) issue('time', 'This time stands in the file twice.');
    seen.add(at);
    last = at;
    const figures = (
      [
        ['temperature', TEMPERATURE],
        ['rain', RAIN],
        ['humidity', HUMIDITY],
      ] as const
    ).map(([c, rule]) => {
      const read = readNumber(cell(c), rule);
      if (!read.ok) issue(c, read.sentence);
      return read.ok ? read.value : 0;
    });
    const wind = cell('wind') === '' ? null : readNumber(cell('wind'), WIND);
    if (wind && !wind.ok) issue('wind', wind.sentence);
    const wet = cell('wet').toLowerCase();
    const [temperature, rain, humidity] = figures as [number, number, number];
    const temperatureC = r.temperature === 'F' ? ((temperature - 32) * 5) / 9 : temperature;
    if (temperatureC > 60) issue('temperature', `${temperature} °${r.temperature} cannot be air; look at the unit.`);
    const hour = Math.floor(at / HOUR) * HOUR;
    const of = byHour.get(hour) ?? [];
    of.push({
      temperatureC,
      rainMm: r.rain === 'in' ? rain * 25.4 : rain,
      humidity: Math.min(100, humidity),
      windMs: wind?.ok ? wind.value * MS[r.wind] : null,
      wet: wet === '' ? null : !['0', 'dry', 'trocken', 'false', 'no'].includes(wet),
    });
    byHour.set(hour, of);
  }
  const order = [...byHour.keys()].sort((a, b) => a - b);
  const gaps = order.flatMap((at, i): Gap[] => {
    const before = order[i - 1];
    const missing = before === undefined ? 0 : (at - before) / HOUR - 1;
    return missing > 0
      ? [{ from: new Date(before! + HOUR).toISOString(), to: new Date(at - HOUR).toISOString(), hours: missing }]
      : [];
  });
  return { hours: order.map((at) => hourOf(at, byHour.get(at)!)), gaps, issues };
}
