/** Where somebody starts or goes; null where nobody has said. */
export interface Where {
  lat: number | null;
  lon: number | null;
}

/** Practice figures: roads are longer than the crow flies, a van with a trailer in a town, and parking. */
const ROADS = 1.35;
const KM_PER_HOUR = 35;
const PARKING = 4;
/** Where a position is not known: a way across the town. */
const UNKNOWN = 15;

const EARTH_KM = 6371;
const rad = (deg: number) => (deg * Math.PI) / 180;
/** Distance over the ground, km (haversine). */
export function kilometres(a: { lat: number; lon: number }, b: { lat: number; lon: number }): number {
  const h =
    Math.sin(rad(b.lat - a.lat) / 2) ** 2 +
    Math.cos(rad(a.lat)) * Math.cos(rad(b.lat)) * Math.sin(rad(b.lon - a.lon) / 2) ** 2;
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}

/**
 * Minutes of driving between all of some points by straight distance times a factor. A road matrix of the same shape can take
 * its place.
 * @example driveMatrix([{ lat: 50, lon: 0 }, { lat: 50.1, lon: 0 }])[0][1] // 11.1 km as the crow flies: 29.7 minutes
 */
export const driveMatrix = (points: readonly Where[]): number[][] =>
  points.map((a, i) =>
    points.map((b, k) => {
      if (i === k) return 0;
      if (a.lat === null || a.lon === null || b.lat === null || b.lon === null) return UNKNOWN;
      const km = kilometres({ lat: a.lat, lon: a.lon }, { lat: b.lat, lon: b.lon });
      // Two places at one gate have no way between them.
      return km < 0.05 ? 0 : PARKING + (km * ROADS * 60) / KM_PER_HOUR;
    }),
  );
