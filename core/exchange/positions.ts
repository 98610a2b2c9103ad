import proj4 from 'proj4';
import { definitionOf } from './systems';

/**
 * Turns easting and northing into degrees.
 * @param code an EPSG number, e.g. "27700", or any UTM zone, e.g. "32632"
 * @returns null when the system is not known; the function returns null where the numbers lie outside the world
 */
export function toDegrees(code: string): ((east: number, north: number) => { lat: number; lon: number } | null) | null {
  const definition = definitionOf(code);
  if (!definition) return null;
  const inverse = proj4(definition, 'EPSG:4326');
  return (east, north) => {
    if (!Number.isFinite(east) || !Number.isFinite(north)) return null;
    const [lon, lat] = inverse.forward([east, north]) as [number, number];
    return Number.isFinite(lat) && Number.isFinite(lon) && Math.abs(lat) <= 90 && Math.abs(lon) <= 180
      ? { lat, lon }
      : null;
  };
}
