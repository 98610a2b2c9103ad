import { z } from 'zod';
import {
  AREAS,
  areaOf,
  EMPTY_SITE_MAP,
  POINTS,
  toGlobe,
  toLocal,
  type AreaKind,
  type SiteMap,
  type PointKind,
} from './site-map';
import { siteMapSchema } from './schema';
import type { Point } from '../rootzone/probe-grid';
import { codeOf } from '../exchange/systems';

/** A tree as it stands on the plan. */
export interface PlanTree {
  id: string;
  tag: string;
  host: string;
  at: Point;
  crownRadiusM: number | null;
  diameterCm: number | null;
}

const position = z.array(z.number('must be numbers').finite()).min(2, 'needs two numbers').max(4);
const ring = z.array(position).min(3, 'an area needs three corners');
const GEOMETRIES = {
  Polygon: z.array(ring).min(1, 'an area needs an edge'),
  MultiPolygon: z.array(z.array(ring).min(1)).min(1, 'needs an area'),
  LineString: z.array(position).min(2, 'a line needs two points'),
  MultiLineString: z.array(z.array(position).min(2)).min(1),
  Point: position,
  MultiPoint: z.array(position).min(1),
} as const;
type Kind = keyof typeof GEOMETRIES;
type Shape = { kind: Kind; rings: number[][][][]; lines: number[][][]; points: number[][] };

const file = z.object({
  type: z.literal('FeatureCollection', 'the file must be a GeoJSON FeatureCollection'),
  features: z
    .array(z.unknown(), 'must be a list')
    .min(1, 'the file holds no feature')
    .max(2000, 'at most 2000 features'),
  crs: z.unknown().optional(),
});
const feature = z.object({
  type: z.literal('Feature', 'each entry must be a Feature'),
  id: z.union([z.string(), z.number()]).optional(),
  properties: z.record(z.string(), z.unknown()).nullish(),
  geometry: z.object({ type: z.string(), coordinates: z.unknown() }).nullish(),
});
type Feature = z.infer<typeof feature> & { shape: Shape | null };

export interface ReadPlan {
  plan: SiteMap;
  /** Where trees stand, by the tag that the file gives them. */
  trees: { tag: string; at: Point }[];
  /** Features that were not taken, with the reason. */
  left: string[];
}
type Refusal = { ok: false; path: string; message: string };
const issue = (path: string, sentence: string): Refusal => ({ ok: false, path, message: sentence });

/** Systems whose numbers are longitude and latitude to within a metre. */
const DEGREES = new Set(['4326', '4258', '4269', '4979', '7844']);

/** What a file says its numbers are: degrees, metres from somewhere near, or a grid; null where it does not say. */
function systemOf(crs: unknown): 'degrees' | 'local' | { code: string } | null {
  if (crs === undefined || crs === null) return null;
  const name = typeof crs === 'string' ? crs : z.object({ properties: z.object({ name: z.string() }) }).safeParse(crs);
  const text = typeof name === 'string' ? name : name.success ? name.data.properties.name : '';
  if (text === 'local-metres') return 'local';
  const code = codeOf(text);
  return /crs84/i.test(text) || (code !== null && DEGREES.has(code)) ? 'degrees' : { code: code ?? text };
}

/** The geometry of a feature as rings, lines and points; null where it has none; a sentence where it is broken. */
function shapeOf(f: z.infer<typeof feature>, path: string): Shape | null | Refusal {
  if (!f.geometry) return null;
  const kind = f.geometry.type;
  if (!Object.hasOwn(GEOMETRIES, kind)) return null;
  const read = GEOMETRIES[kind as Kind].safeParse(f.geometry.coordinates);
  if (!read.success) {
    const first = read.error.issues[0]!;
    const at = [path, 'geometry', 'coordinates', ...first.path].join('.');
    return issue(at, `${at}: ${first.message}.`);
  }
  const c = read.data as never;
  return {
    kind: kind as Kind,
    rings: kind === 'Polygon' ? [c] : kind === 'MultiPolygon' ? c : [],
    lines: kind === 'LineString' ? [c] : kind === 'MultiLineString' ? c : [],
    points: kind === 'Point' ? [c] : kind === 'MultiPoint' ? c : [],
  };
}

const positionsOf = (s: Shape | null): number[][] => (s ? [...s.rings.flat(2), ...s.lines.flat(1), ...s.points] : []);

function featuresOf(text: string): { features: Feature[]; crs: unknown } | Refusal {
  let data: unknown;
  try {
    data = JSON.parse(text.replace(/^\ufeff/, ''));
  } catch {
    return issue('', 'This file is not JSON.');
  }
  const read = file.safeParse(data);
  if (!read.success) {
    const first = read.error.issues[0]!;
    const path = first.path.join('.');
    return issue(path, `${path || 'The file'}: ${first.message}.`);
  }
  const features: Feature[] = [];
  for (const [i, raw] of read.data.features.entries()) {
    const one = feature.safeParse(raw);
    if (!one.success) return issue(`features.${i}`, `features.${i}: this is not a feature of GeoJSON.`);
    const shape = shapeOf(one.data, `features.${i}`);
    if (shape && 'ok' in shape) return shape;
    features.push({ ...one.data, shape });
  }
  return { features, crs: read.data.crs };
}

/** Turns the numbers of a file into local metres, and says where those begin on the globe. */
function placing(
  features: readonly Feature[],
  crs: unknown,
  gridOf: GridOf,
): { at: (p: number[]) => Point; origin: SiteMap['origin'] } | Refusal {
  const all = features.flatMap((f) => positionsOf(f.shape));
  const beyond = all.some(([x, y]) => Math.abs(x!) > 180 || Math.abs(y!) > 90);
  const system = systemOf(crs) ?? (beyond ? 'local' : 'degrees');
  if (system === 'local') return { at: (p) => ({ x: p[0]!, y: p[1]! }), origin: null };
  let globe = (p: number[]): { lat: number; lon: number } | null => ({ lon: p[0]!, lat: p[1]! });
  if (system !== 'degrees') {
    const grid = gridOf(system.code);
    if (!grid)
      return issue(
        'crs',
        `crs: this file is in ${system.code || 'a system without a name'}, which is not known. Save it as WGS 84 (longitude, latitude).`,
      );
    globe = (p) => grid(p[0]!, p[1]!);
  } else if (beyond) return issue('crs', 'crs: these numbers are no longitudes and latitudes.');
  const spots = all.map(globe);
  if (spots.some((s) => s === null)) return issue('crs', 'crs: some of these numbers lie outside the world.');
  const lon = spots.map((p) => p!.lon);
  const lat = spots.map((p) => p!.lat);
  const middle = (of: number[]) => (of.reduce((a, b) => Math.min(a, b)) + of.reduce((a, b) => Math.max(a, b))) / 2;
  const origin = all.length ? { lon: middle(lon), lat: middle(lat) } : null;
  return { at: (p) => toLocal(globe(p)!, origin!), origin };
}

/** How a grid of eastings and northings is turned into degrees; null when it is not known. */
export type GridOf = (code: string) => ((east: number, north: number) => { lat: number; lon: number } | null) | null;

/**
 * Reads a plan from GeoJSON. Coordinates that could be longitude and latitude are taken as such unless the file says it is
 * in local metres (`"crs": "local-metres"`) or in a grid. Whatever is not taken is said, with its reason.
 * @param newId names what has no id
 * @param gridOf knows grids by their EPSG number
 */
export function readGeoJson(
  text: string,
  newId: () => string,
  gridOf: GridOf,
): { ok: true; value: ReadPlan } | Refusal {
  const read = featuresOf(text);
  if ('ok' in read) return read;
  const placed = placing(read.features, read.crs, gridOf);
  if ('ok' in placed) return placed;
  const plan: SiteMap = { ...structuredClone(EMPTY_SITE_MAP), origin: placed.origin };
  const taker = new Taker(plan, placed.at, newId);
  read.features.forEach((f, i) => taker.take(f, `features.${i}`));
  const checked = siteMapSchema.safeParse(plan);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    return issue(first.path.join('.'), `${first.path.join('.')}: ${first.message}.`);
  }
  return { ok: true, value: { plan: checked.data, trees: taker.trees, left: taker.left } };
}

/** Usual width of a stream that is drawn as a line, m. */
const STREAM_M = 2;
const share = (x: unknown, most: number): number | null => (typeof x === 'number' && x >= 0 && x <= most ? x : null);

/** Takes feature by feature into a plan. */
class Taker {
  readonly trees: ReadPlan['trees'] = [];
  readonly left: string[] = [];
  constructor(
    private readonly plan: SiteMap,
    private readonly at: (p: number[]) => Point,
    private readonly newId: () => string,
  ) {}

  take(f: Feature, where: string) {
    const p = f.properties ?? {};
    const kind = String(p['kind'] ?? p['type'] ?? '').toLowerCase();
    const name = String(p['name'] ?? '').slice(0, 80);
    const id = String(p['id'] ?? f.id ?? this.newId()).slice(0, 60);
    const { shape } = f;
    if (!shape) this.left.push(`${where}: ${f.geometry ? `a ${f.geometry.type} is not taken` : 'it has no geometry'}`);
    else if (kind === 'tree') this.takeTree(shape, String(p['tag'] ?? name), where);
    else if (kind === 'outline' || kind === 'boundary' || kind === 'site') this.takeOutline(shape, p, where);
    else if ((AREAS as readonly string[]).includes(kind))
      this.takeAreas(shape, { id, kind: kind as AreaKind, name }, p, where);
    else if ((POINTS as readonly string[]).includes(kind) && shape.points.length)
      shape.points.forEach((point, j) =>
        this.plan.points.push({ id: this.part(id, j), kind: kind as PointKind, name, at: this.at(point) }),
      );
    else this.left.push(`${where}: a ${shape.kind} of kind “${kind || 'none'}” is not taken`);
  }

  private readonly part = (id: string, j: number) => (j ? `${id.slice(0, 55)}-${j}` : id);

  /** A ring without the corner that closes it; one that was not closed keeps its last corner. */
  private corners(ring: readonly number[][]): Point[] {
    const [first, last] = [ring[0]!, ring.at(-1)!];
    return (first[0] === last[0] && first[1] === last[1] ? ring.slice(0, -1) : ring).map(this.at);
  }

  private takeTree(shape: Shape, tag: string, where: string) {
    const [point] = shape.points;
    if (point && tag) this.trees.push({ tag, at: this.at(point) });
    else this.left.push(`${where}: a tree needs a point and its tag`);
  }

  /** A place has one edge: the largest of several; holes of it are grounds of somebody else. */
  private takeOutline(shape: Shape, p: Record<string, unknown>, where: string) {
    for (const rings of shape.rings) {
      const corners = this.corners(rings[0]!);
      const kept = this.plan.outline;
      if (kept) this.left.push(`${where}: a place has one outline; the largest was taken`);
      if (!kept || areaOf(corners) > areaOf(kept)) this.plan.outline = corners;
      if (rings.length > 1) this.left.push(`${where}: a hole in the outline; draw it as “neighbour”`);
    }
    if (!shape.rings.length) this.left.push(`${where}: an outline is an area, not a ${shape.kind}`);
    const downDeg = share(p['slope_down_deg'], 360);
    const percent = share(p['slope_percent'], 100);
    if (downDeg !== null && percent !== null) this.plan.slope = { downDeg, percent };
  }

  private takeAreas(
    shape: Shape,
    as: { id: string; kind: AreaKind; name: string },
    p: Record<string, unknown>,
    where: string,
  ) {
    const put = (area: { corners: Point[]; holes?: Point[][] }, j: number) =>
      this.plan.areas.push({ ...as, id: this.part(as.id, j), ...area });
    shape.rings.forEach(([edge, ...holes], j) =>
      put({ corners: this.corners(edge!), ...(holes.length ? { holes: holes.map((h) => this.corners(h)) } : {}) }, j),
    );
    if (as.kind === 'water' && shape.lines.length) {
      const width = share(p['width_m'], 500) ?? STREAM_M;
      shape.lines.forEach((line, j) => put({ corners: strip(line.map(this.at), width) }, j));
      if (p['width_m'] === undefined) this.left.push(`${where}: drawn ${STREAM_M} m wide; look whether it is`);
    } else if (!shape.rings.length) this.left.push(`${where}: a ${shape.kind} of kind “${as.kind}” is not taken`);
  }
}

/** A line as a strip of ground of a width, m: both banks, each corner moved square to the way through it. */
function strip(line: readonly Point[], width: number): Point[] {
  const bank = (side: 1 | -1) =>
    line.map((point, i) => {
      const [a, b] = [line[Math.max(0, i - 1)]!, line[Math.min(line.length - 1, i + 1)]!];
      const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      const half = (side * width) / 2;
      return { x: point.x - ((b.y - a.y) / length) * half, y: point.y + ((b.x - a.x) / length) * half };
    });
  return [...bank(1), ...bank(-1).reverse()];
}

/**
 * The plan and its trees as GeoJSON: longitude and latitude (RFC 7946) where the origin is known; in local metres, and
 * said so, for whoever asks for them: other readers take those for degrees.
 */
export function writeGeoJson(plan: SiteMap, trees: readonly PlanTree[]): string {
  const at = (p: Point): number[] => {
    if (!plan.origin) return [round(p.x, 3), round(p.y, 3)];
    const g = toGlobe(p, plan.origin);
    return [round(g.lon, 8), round(g.lat, 8)];
  };
  /** RFC 7946: outer rings run counter-clockwise, holes clockwise; both end where they began. */
  const closed = (corners: readonly Point[], hole = false) => {
    const twice = corners.reduce((s, a, i) => {
      const b = corners[(i + 1) % corners.length]!;
      return s + a.x * b.y - b.x * a.y;
    }, 0);
    const turned = twice < 0 === hole ? corners : [...corners].reverse();
    return [...turned, turned[0]!].map(at);
  };
  const area = (a: { corners: readonly Point[]; holes?: readonly (readonly Point[])[] | undefined }) => ({
    type: 'Polygon',
    coordinates: [closed(a.corners), ...(a.holes ?? []).map((h) => closed(h, true))],
  });
  const make = (geometry: object, id: string, properties: object) => ({ type: 'Feature', id, properties, geometry });
  const slope = plan.slope && { slope_down_deg: plan.slope.downDeg, slope_percent: plan.slope.percent };
  return JSON.stringify({
    type: 'FeatureCollection',
    ...(plan.origin ? {} : { crs: 'local-metres' }),
    features: [
      ...(plan.outline ? [make(area({ corners: plan.outline }), 'outline', { kind: 'outline', ...slope })] : []),
      ...plan.areas.map((a) => make(area(a), a.id, { id: a.id, kind: a.kind, name: a.name })),
      ...plan.points.map((p) =>
        make({ type: 'Point', coordinates: at(p.at) }, p.id, { id: p.id, kind: p.kind, name: p.name }),
      ),
      ...trees.map((t) =>
        make({ type: 'Point', coordinates: at(t.at) }, t.id, {
          id: t.id,
          kind: 'tree',
          name: t.tag,
          host: t.host,
          crown_radius_m: t.crownRadiusM,
          diameter_cm: t.diameterCm,
        }),
      ),
    ],
  });
}
const round = (x: number, digits: number) => Math.round(x * 10 ** digits) / 10 ** digits;
