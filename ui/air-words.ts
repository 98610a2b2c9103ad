import { showTemperature, showWind, type UnitSystem } from '@/lib/units/units';
import type { Weather } from '@/core/weather/air';

/** The air as it was measured, what nobody measured left out: 18 °C, 60 %, wind 2 m/s from 240°, clear. */
export function airWords(w: Weather, units: UnitSystem): string {
  const from = w.windFromDeg === null ? '' : ` from ${w.windFromDeg}°`;
  const said = [
    w.temperatureC === null ? null : showTemperature(w.temperatureC, units),
    w.humidity === null ? null : `${w.humidity} %`,
    w.windMs === null ? null : `wind ${showWind(w.windMs, units)}${from}`,
    w.sky,
  ].filter((x) => x !== null);
  return said.join(', ') || 'not measured';
}
