import { z } from 'zod';
import { AREAS, EMPTY_PLAN, POINTS, toGlobe, toLocal, type AreaKind, type GroundsPlan, type PointKind } from './plan';
import { groundsPlanSchema } from './schema';
import type { Point } from '../rootzone/probe-grid';

/** A tree as it stands on the plan. */
export interface PlanTree {
  id: string;
  tag: string;
  host: string;
  at: Point;
  crownRadiusM: number | null;
  diameterCm: number | null;
}

const position = z.array(z.number().finite()).min(2).max(4);
const feature = z.object({
  type: z.literal('Feature', 'each entry must be a Feature'),
  properties: z.record(z.string(), z.unknown()).nullable().optional(),
  geometry: z.discriminatedUnion('type', [
    z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(position).min(4)).min(1) }),
    z.object({
      type: z.literal('MultiPolygon'),
      coordinates: z.array(z.array(z.array(position).min(4)).min(1)).min(1),
    }),
    z.object({ type: z.literal('LineString'), coordinates: z.array(position).min(2) }),
    z.object({ type: z.literal('Point'), coordinates: position }),
  ]),
});
const collection = z.object({
  type: z.literal('FeatureCollection', 'the file must be a GeoJSON FeatureCollection'),
  features: z.array(feature).min(1, 'the file holds no feature').max(2000, 'at most 2000 features'),
});

export interface ReadPlan {
  plan: GroundsPlan;
  /** Features that were not taken, with the reason. */
  left: string[];
}

/**
 * Reads a plan from GeoJSON. Coordinates that could be longitude and latitude are taken as such unless the file says it is
 * in local metres (`"crs": "local-metres"` or a property `units: "m"` on the outline).
 * @param newId names what has no id
 */
export function readGeoJson(
  text: string,
  newId: () => string,
): { ok: true; value: ReadPlan } | { ok: false; path: string; sentence: string } {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { ok: false, path: '', sentence: 'This file is not JSON.' };
  }
  const read = collection.safeParse(data);
  if (!read.success) {
    const first = read.error.issues[0]!;
    const path = first.path.join('.');
    return { ok: false, path, sentence: `${path || 'The file'}: ${first.message}.` };
  }
  const all = read.data.features;
  const positions = all.flatMap((f) => flat(f.geometry.coordinates));
  const local =
    (data as { crs?: unknown }).crs === 'local-metres' ||
    positions.some(([x, y]) => Math.abs(x!) > 180 || Math.abs(y!) > 90);
  const lon = positions.map((p) => p[0]!);
  const lat = positions.map((p) => p[1]!);
  const origin = local
    ? null
    : { lon: (Math.min(...lon) + Math.max(...lon)) / 2, lat: (Math.min(...lat) + Math.max(...lat)) / 2 };
  const at = (p: number[]): Point => (origin ? toLocal({ lon: p[0]!, lat: p[1]! }, origin) : { x: p[0]!, y: p[1]! });
  const plan: GroundsPlan = structuredClone(EMPTY_PLAN);
  plan.origin = origin;
  const left: string[] = [];
  all.forEach((f, i) => {
    const p = f.properties ?? {};
    const kind = String(p['kind'] ?? p['type'] ?? '').toLowerCase();
    const name = String(p['name'] ?? '').slice(0, 80);
    const id = String(p['id'] ?? newId()).slice(0, 60);
    const rings =
      f.geometry.type === 'Polygon'
        ? [f.geometry.coordinates[0]!]
        : f.geometry.type === 'MultiPolygon'
          ? f.geometry.coordinates.map((c) => c[0]!)
          : [];
    if (kind === 'tree') return;
    if (rings.length) {
      rings.forEach((ring, j) => {
        const corners = ring.slice(0, -1).map(at);
        if (kind === 'outline' || kind === 'boundary' || kind === 'site') plan.outline = corners;
        else if ((AREAS as readonly string[]).includes(kind))
          plan.areas.push({ id: j ? `${id}-${j}` : id, kind: kind as AreaKind, name, corners });
        else left.push(`features.${i}: an area of kind “${kind || 'none'}” is not known`);
      });
    } else if (f.geometry.type === 'Point' && (POINTS as readonly string[]).includes(kind))
      plan.points.push({ id, kind: kind as PointKind, name, at: at(f.geometry.coordinates) });
    else left.push(`features.${i}: a ${f.geometry.type} of kind “${kind || 'none'}” is not taken`);
  });
  const checked = groundsPlanSchema.safeParse(plan);
  if (!checked.success) {
    const first = checked.error.issues[0]!;
    return { ok: false, path: first.path.join('.'), sentence: `${first.path.join('.')}: ${first.message}.` };
  }
  return { ok: true, value: { plan: checked.data, left } };
}

type Nested = readonly (number | Nested)[];
const flat = (c: Nested): number[][] =>
  typeof c[0] === 'number' ? [c as number[]] : (c as Nested[]).flatMap((x) => flat(x));

/** The plan and its trees as GeoJSON: longitude and latitude (RFC 7946) where the origin is known, else local metres, said so. */
export function writeGeoJson(plan: GroundsPlan, trees: readonly PlanTree[]): string {
  const at = (p: Point): number[] => {
    if (!plan.origin) return [round(p.x, 3), round(p.y, 3)];
    const g = toGlobe(p, plan.origin);
    return [round(g.lon, 8), round(g.lat, 8)];
  };
  /** RFC 7946: outer rings run counter-clockwise and end where they began. */
  const ring = (corners: readonly Point[]) => {
    const twice = corners.reduce((s, a, i) => {
      const b = corners[(i + 1) % corners.length]!;
      return s + a.x * b.y - b.x * a.y;
    }, 0);
    const turned = twice < 0 ? [...corners].reverse() : corners;
    return [[...turned, turned[0]!].map(at)];
  };
  const make = (geometry: object, properties: object) => ({ type: 'Feature', properties, geometry });
  return JSON.stringify({
    type: 'FeatureCollection',
    ...(plan.origin ? {} : { crs: 'local-metres' }),
    features: [
      ...(plan.outline ? [make({ type: 'Polygon', coordinates: ring(plan.outline) }, { kind: 'outline' })] : []),
      ...plan.areas.map((a) =>
        make({ type: 'Polygon', coordinates: ring(a.corners) }, { id: a.id, kind: a.kind, name: a.name }),
      ),
      ...plan.points.map((p) =>
        make({ type: 'Point', coordinates: at(p.at) }, { id: p.id, kind: p.kind, name: p.name }),
      ),
      ...trees.map((t) =>
        make(
          { type: 'Point', coordinates: at(t.at) },
          {
            id: t.id,
            kind: 'tree',
            name: t.tag,
            host: t.host,
            crown_radius_m: t.crownRadiusM,
            diameter_cm: t.diameterCm,
          },
        ),
      ),
    ],
  });
}
const round = (x: number, digits: number) => Math.round(x * 10 ** digits) / 10 ** digits;
