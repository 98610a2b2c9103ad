import type { Weather } from '@/core/weather/air';

/** What the app asks of a weather station; a real one takes the place of the simulated one behind this. */
export interface WeatherStation {
  name: string;
  at(instant: Date): Weather;
}

export interface Climate {
  /** Yearly mean and half the yearly swing of air temperature, °C; warmest about 25 July. */
  mean: number;
  swing: number;
  /** Half the daily swing, °C. */
  daily: number;
  humidity: number;
  wind: number;
  /** Share of hours with rain, and how much then falls, mm/h. */
  wet: number;
  rain: number;
}
export const CLIMATES = {
  /** A mild inlet behind a headland: short showers, hardly a frost. The demonstration stands here. */
  sheltered: { mean: 13, swing: 4.5, daily: 2.2, humidity: 72, wind: 2.2, wet: 0.03, rain: 0.1 },
  coastal: { mean: 10.5, swing: 6, daily: 3.5, humidity: 80, wind: 4.2, wet: 0.14, rain: 1.1 },
  continental: { mean: 8, swing: 13, daily: 6, humidity: 66, wind: 2.8, wet: 0.08, rain: 1.6 },
} as const satisfies Record<string, Climate>;

const HOUR = 3_600_000;
const FORECAST_HOURS = 48;
const round = (x: number, digits: number) => Math.round(x * 10 ** digits) / 10 ** digits;

/** A share from 0 to 1 that depends on seed and place in the series alone (integer hash, xorshift-multiply). */
function share(seed: number, n: number, channel: number): number {
  let h = (Math.imul(n | 0, 0x9e3779b1) ^ Math.imul(seed + channel * 7919, 0x85ebca6b)) >>> 0;
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
  h = Math.imul(h ^ (h >>> 12), 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 2 ** 32;
}

/**
 * A simulated station: the same seed, climate and hour always give the same weather.
 * @param seed any whole number
 */
export function simulatedStation(seed: number, climate: Climate = CLIMATES.sheltered): WeatherStation {
  const rainIn = (hour: number) =>
    share(seed, hour, 1) < climate.wet ? climate.rain * (0.5 + share(seed, hour, 2)) : 0;
  const rainOver = (from: number, hours: number) =>
    Array.from({ length: hours }, (_, i) => rainIn(from + i)).reduce((a, b) => a + b, 0);
  return {
    name: 'Simulated station',
    at(instant) {
      const hour = Math.floor(instant.getTime() / HOUR);
      const day = Math.floor(hour / 24);
      const hourOfDay = instant.getUTCHours();
      const year = Math.cos(
        (2 * Math.PI * ((instant.getTime() / HOUR / 24) % 365.2425) - 2 * Math.PI * 205) / 365.2425,
      );
      const front = (share(seed, day, 3) - 0.5) * climate.daily * 1.5;
      const temperature =
        climate.mean + climate.swing * year + climate.daily * Math.cos((2 * Math.PI * (hourOfDay - 15)) / 24) + front;
      const wet = rainOver(hour - 72, 72);
      const moisture = Math.min(1, 0.42 - 0.08 * year + wet * 0.02);
      const gust = 0.5 + share(seed, hour, 5) + 0.4 * Math.cos((2 * Math.PI * (hourOfDay - 14)) / 24);
      const cloud = share(seed, day, 6);
      return {
        at: new Date(hour * HOUR).toISOString(),
        temperatureC: round(temperature, 1),
        humidity: Math.round(
          Math.min(
            99,
            Math.max(20, climate.humidity - 2 * front - 8 * Math.cos((2 * Math.PI * (hourOfDay - 15)) / 24)),
          ),
        ),
        windMs: round(Math.max(0.2, climate.wind * gust), 1),
        windFromDeg: Math.round(share(seed, day, 7) * 359),
        rainMm: round(rainIn(hour), 1),
        rainNext24Mm: round(rainOver(hour + 1, 24) * (rainOver(hour + 1, 24) < 0.05 ? 0 : 1), 1),
        rainByHour: Array.from({ length: FORECAST_HOURS }, (_, i) => round(rainIn(hour + 1 + i), 1)),
        soilTemperatureC: round(climate.mean + climate.swing * 0.7 * year, 1),
        soilMoisture: round(moisture, 2),
        sky: rainIn(hour) > 0 || cloud > 0.66 ? 'overcast' : cloud > 0.33 ? 'broken' : 'clear',
      };
    },
  };
}
