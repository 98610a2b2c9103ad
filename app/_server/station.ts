import type { Spot, WeatherStation } from '@/core/weather/station';
import { inRealUse } from '@/facts/real-use';
import { usualStation } from '@/core/weather/usual';
import { CLIMATES, climateAt, type ClimateName } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';

/** Places within so many degrees share a station. */
const APART = 2;
/** Where no position is known. */
const HOME = { lat: 51, lon: 0 };
const near = (degrees: number) => Math.round(degrees / APART) * APART;
const stations = new Map<string, WeatherStation>();

/**
 * The station that serves a spot; a real one would be chosen here. Simulated weather is for the demo alone: elsewhere nothing is
 * said of an hour, and days are those of the usual year.
 */
export function stationFor({ lat, lon }: Spot): WeatherStation {
  const at = { lat: near(lat ?? HOME.lat), lon: near(lon ?? HOME.lon) };
  const key = `${at.lat} ${at.lon}`;
  let station = stations.get(key);
  if (!station) {
    const climate = CLIMATES[(process.env.ELMHORN_CLIMATE ?? climateAt(at.lat)) as ClimateName];
    const seed = Number(process.env.ELMHORN_STATION_SEED ?? 7);
    station = inRealUse()
      ? usualStation(climate, at.lat)
      : simulatedStation(seed + at.lat * 1009 + at.lon * 9176, { climate, ...at });
    stations.set(key, station);
  }
  return station;
}
