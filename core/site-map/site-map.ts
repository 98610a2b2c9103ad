import { covers, distanceToSegment, inside, type Ground, type Point, type Polygon } from '../rootzone/probe-grid';
import type { SiteMap } from './schema';

export type { SiteMap };
/** Kinds of things drawn as an area. */
export const AREAS = ['building', 'paving', 'bed', 'water', 'flowers', 'neighbour'] as const;
/** Drawn as one point. */
export const POINTS = ['well', 'drain', 'hive', 'play'] as const;
export type AreaKind = (typeof AREAS)[number];
export type PointKind = (typeof POINTS)[number];
export const FEATURE_NAMES: Record<AreaKind | PointKind, string> = {
  building: 'Building',
  paving: 'Paving',
  bed: 'Bed, edible or planted',
  water: 'Open water',
  flowers: 'Ground in flower',
  neighbour: 'Neighbour',
  well: 'Well',
  drain: 'Drain',
  hive: 'Hive',
  play: 'Play or sitting place',
};

export const EMPTY_SITE_MAP: SiteMap = { origin: null, outline: null, areas: [], points: [], slope: null };

/** Shoelace formula, m². */
export const areaOf = (polygon: Polygon): number =>
  Math.abs(
    polygon.reduce((sum, a, i) => {
      const b = polygon[(i + 1) % polygon.length]!;
      return sum + a.x * b.y - b.x * a.y;
    }, 0),
  ) / 2;

/** Metres from a point to a piece of ground: 0 on it; from an island in a pond, to the shore. */
export function distanceToArea(p: Point, ground: Ground): number {
  if (covers(ground, p)) return 0;
  const edges = [ground.corners, ...(ground.holes ?? [])];
  return Math.min(...edges.flatMap((e) => e.map((a, i) => distanceToSegment(p, a, e[(i + 1) % e.length]!))));
}

export interface Near {
  kind: AreaKind | PointKind;
  name: string;
  metres: number;
}
/** Everything of some kinds on the plan, nearest first, as metres from a tree. */
export function nearest(plan: SiteMap, from: Point, kinds: readonly (AreaKind | PointKind)[]): Near[] {
  return [
    ...plan.areas
      .filter((a) => kinds.includes(a.kind))
      .map((a) => ({ kind: a.kind, name: a.name, metres: distanceToArea(from, a) })),
    ...plan.points
      .filter((p) => kinds.includes(p.kind))
      .map((p) => ({ kind: p.kind, name: p.name, metres: Math.hypot(p.at.x - from.x, p.at.y - from.y) })),
  ].sort((a, b) => a.metres - b.metres);
}
/** What a drench must keep away from. */
export const WATERS = ['water', 'well', 'drain'] as const;

/**
 * Where spray drifts: a sector downwind of the crown. Length grows with wind and with the height that is sprayed; a plain
 * practice figure, for warning those who live there, not a model of air.
 * @param from bearing from which the wind blows, degrees
 * @param wind m/s @param height m to which is sprayed
 */
export function driftSector({
  trunk,
  crownRadiusM,
  from,
  wind,
  height,
}: {
  trunk: Point;
  crownRadiusM: number;
  from: number;
  wind: number;
  height: number;
}): Polygon {
  const reach = crownRadiusM + Math.min(60, 2 * wind + wind * Math.min(height, 25) * 0.6);
  const down = ((from + 180) * Math.PI) / 180;
  const half = Math.PI / 9;
  const edge = (a: number, r: number): Point => ({ x: trunk.x + Math.sin(a) * r, y: trunk.y + Math.cos(a) * r });
  return [
    edge(down - Math.PI / 2, crownRadiusM),
    edge(down - half, reach),
    edge(down, reach),
    edge(down + half, reach),
    edge(down + Math.PI / 2, crownRadiusM),
  ];
}

/** Whether two polygons share any ground. */
export const overlap = (a: Polygon, b: Polygon): boolean =>
  a.some((p) => inside(p, b)) || b.some((p) => inside(p, a)) || edgesCross(a, b);
const edgesCross = (a: Polygon, b: Polygon): boolean =>
  a.some((p, i) => b.some((q, j) => cross(p, a[(i + 1) % a.length]!, q, b[(j + 1) % b.length]!)));
const side = (a: Point, b: Point, c: Point) => (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
const cross = (a: Point, b: Point, c: Point, d: Point) =>
  side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;

/** Metres for a degree of longitude and latitude about a latitude (sphere of 6,371,008.8 m). */
const perDegree = (lat: number) => {
  const m = (Math.PI / 180) * 6_371_008.8;
  return { lon: m * Math.cos((lat * Math.PI) / 180), lat: m };
};
export interface LonLat {
  lon: number;
  lat: number;
}
/** Local metres of a position on the globe; good to a hand's breadth over a few kilometres. */
export function toLocal(p: LonLat, origin: LonLat): Point {
  const m = perDegree(origin.lat);
  return { x: (p.lon - origin.lon) * m.lon, y: (p.lat - origin.lat) * m.lat };
}
export function toGlobe(p: Point, origin: LonLat): LonLat {
  const m = perDegree(origin.lat);
  return { lon: origin.lon + p.x / m.lon, lat: origin.lat + p.y / m.lat };
}

/** Where something was said to stand: metres on the plan of its place, degrees on the globe, or nowhere yet. */
export interface Stands {
  x: number | null;
  y: number | null;
  lat: number | null;
  lon: number | null;
}
/** Where something stands on the plan: as drawn, or from its position on the globe. */
export function onPlan(plan: Pick<SiteMap, 'origin'> | null, t: Stands): Point | null {
  if (t.x !== null && t.y !== null) return { x: t.x, y: t.y };
  return plan?.origin && t.lat !== null && t.lon !== null ? toLocal({ lat: t.lat, lon: t.lon }, plan.origin) : null;
}
