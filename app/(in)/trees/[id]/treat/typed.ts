import type { Issue } from '@/lib/result';
import type { Source } from '@/core/mix/sources';
import { readNumber } from '@/lib/units/numbers';
import { MASS, showAmount, showFill, VOLUME, type UnitSystem } from '@/lib/units/units';
import type { Weather } from '@/core/weather/air';

const MPH = 2.23694;

/** The air of a station as it is typed over, in the units of whoever reads it; empty where nothing measures it. */
export const typedAir = (station: Weather, units: UnitSystem) => {
  const us = units === 'us';
  const typed = (x: number | null, inUs: (x: number) => number) => (x === null ? '' : String(us ? inUs(x) : x));
  return {
    temperature: typed(station.temperatureC, (t) => Math.round(t * 1.8 + 32)),
    wind: typed(station.windMs, (ms) => Math.round(ms * MPH * 10) / 10),
    humidity: typed(station.humidity, (x) => x),
  };
};

/**
 * What was typed and cannot be read is unknown; the station does not speak for it. Warmth and wind are felt by whoever stands
 * there and are asked; humidity takes an instrument and may stay empty.
 */
export interface ReadAir {
  temperatureC: number | null;
  windMs: number | null;
  humidity: number | null;
  issues: Issue[];
}
export function readAir(typed: ReturnType<typeof typedAir>, units: UnitSystem): ReadAir {
  const us = units === 'us';
  const temperature = readNumber(typed.temperature, {
    name: 'The temperature',
    min: -40,
    max: us ? 131 : 55,
    unit: us ? '°F' : '°C',
  });
  const wind = readNumber(typed.wind, { name: 'The wind', min: 0, max: us ? 134 : 60, unit: us ? 'mph' : 'm/s' });
  const humidity = readNumber(typed.humidity, { name: 'The humidity', min: 0, max: 100, unit: '%' });
  const celsius = (t: number) => (us ? (t - 32) / 1.8 : t);
  return {
    temperatureC: temperature.ok ? celsius(temperature.value) : null,
    windMs: wind.ok ? wind.value / (us ? MPH : 1) : null,
    humidity: humidity.ok ? humidity.value : null,
    issues: [
      ...(temperature.ok ? [] : [{ path: 'weather.temperatureC', message: temperature.sentence }]),
      ...(wind.ok ? [] : [{ path: 'weather.windMs', message: wind.sentence }]),
      ...(humidity.ok || !typed.humidity.trim() ? [] : [{ path: 'weather.humidity', message: humidity.sentence }]),
    ],
  };
}

/** How much of what we keep (mL, g) one of a unit is. */
export const perUnit = (unit: string) => ({ ...VOLUME, ...MASS })[unit as keyof typeof VOLUME] ?? 1;

/** A lot or a mix on the list that a sheet chooses from. */
export const sourceName = (s: Source, dimension: 'volume' | 'mass', units: UnitSystem): string =>
  s.leftMl === null
    ? `Lot ${s.name}: ${showAmount(s.onHand, dimension, units).text} left, until ${s.expiresOn}`
    : `Mix ${s.name}: ${showFill(s.leftMl, units).text} left`;

/** A source as its own dates speak against it. */
export const againstSource = (s: Source | null) => ({
  lot: s && { lotNumber: s.name, expiresOn: s.expiresOn },
  drawn: s?.goodUntil ? [{ code: s.name, goodUntil: s.goodUntil }] : null,
});
/** Where the product came from, as a sheet is sent. */
export const sentSource = (s: Source) => ({ lotId: s.lotId, ...(s.batchIds ? { batchIds: s.batchIds } : {}) });

/** What the great button says: the first thing that still stands in the way, or that the work may start. */
export function firstWord(
  open: { lots: number; dose?: number; stops: number; reason?: boolean; questions: number; reasons: number },
  start: string,
): string {
  if (!open.lots) return 'Book the delivery first';
  if (open.dose) return 'Choose the dose first';
  if (open.reason) return 'Give the reason first';
  if (open.stops) return 'Stopped: record only what was done all the same';
  if (open.questions) return `Answer ${open.questions === 1 ? 'the question' : `${open.questions} questions`} first`;
  return open.reasons ? 'Give the reason first' : start;
}
