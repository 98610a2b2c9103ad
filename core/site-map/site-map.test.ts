import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { toDegrees } from '../exchange/positions';
import { readGeoJson, writeGeoJson } from './geojson';
import { covers } from '../rootzone/probe-grid';
import { areaOf, distanceToArea, driftSector, nearest, overlap, toGlobe, toLocal, type SiteMap } from './site-map';

let n = 0;
const id = () => `f${++n}`;
const square = [
  { x: 0, y: 0 },
  { x: 20, y: 0 },
  { x: 20, y: 10 },
  { x: 0, y: 10 },
];
const plan: SiteMap = {
  origin: { lon: -3.2, lat: 50.7 },
  outline: square,
  areas: [
    { id: 'pond', kind: 'water', name: 'Pond', corners: square.map((p) => ({ x: p.x / 10 + 14, y: p.y / 10 + 4 })) },
  ],
  points: [{ id: 'well', kind: 'well', name: 'Well', at: { x: 2, y: 9 } }],
  slope: { downDeg: 140, percent: 6 },
};
const trees = [{ id: 't1', tag: '12', host: 'lime', at: { x: 5, y: 5 }, crownRadiusM: 4, diameterCm: 46.2 }];

it('what is written is read back, on the globe and in local metres', () => {
  for (const origin of [plan.origin, null]) {
    const read = readGeoJson(writeGeoJson({ ...plan, origin }, trees), id, toDegrees);
    if (!read.ok) throw new Error(read.message);
    const back = read.value.plan;
    // Read back, the origin is the middle of what was drawn.
    expect(areaOf(back.outline!)).toBeCloseTo(200, 1);
    expect(back.areas).toMatchObject([{ id: 'pond', kind: 'water', name: 'Pond' }]);
    expect(areaOf(back.areas[0]!.corners)).toBeCloseTo(2, 2);
    expect(back.points).toMatchObject([{ kind: 'well' }]);
    expect(read.value.left).toEqual([]);
    expect(read.value.trees).toMatchObject([{ tag: '12' }]);
    expect(back.slope).toEqual(plan.slope);
  }
});

it('opens in another reader', () => {
  // The test command installs it; a lone `jest` on a machine without it would otherwise pass without having looked.
  expect(existsSync('/usr/bin/ogrinfo')).toBe(true);
  const file = join(mkdtempSync(join(tmpdir(), 'elmhorn-')), 'grounds.geojson');
  writeFileSync(file, writeGeoJson(plan, trees));
  const said = execFileSync('/usr/bin/ogrinfo', ['-al', '-q', file], { encoding: 'utf8' });
  expect(said.match(/OGRFeature/g)).toHaveLength(4);
  expect(said).toMatch(/kind \(String\) = water/);
  expect(said).toMatch(/POINT \(-3\.1999/);
});

it('a fault is named with its place, and nothing is taken', () => {
  expect(readGeoJson('{', id, toDegrees)).toMatchObject({ ok: false, message: 'This file is not JSON.' });
  expect(readGeoJson('{"type":"Topology"}', id, toDegrees)).toMatchObject({ ok: false, path: 'type' });
  const bad = JSON.parse(writeGeoJson(plan, []));
  bad.features[1].geometry.coordinates[0][2] = ['x', 2];
  expect(readGeoJson(JSON.stringify(bad), id, toDegrees)).toMatchObject({
    ok: false,
    path: expect.stringContaining('features.1.geometry'),
  });
  bad.features[1].geometry = {
    type: 'LineString',
    coordinates: [
      [-3.2, 50.7],
      [-3.2001, 50.7],
    ],
  };
  expect(readGeoJson(JSON.stringify(bad), id, toDegrees)).toMatchObject({
    ok: true,
    value: { left: [expect.stringMatching(/features.1/)] },
  });
});

describe('files as others make them', () => {
  const at = (x: number, y: number) => [-3.2 + x / 70_600, 50.7 + y / 111_200];
  const box = (x: number, y: number, w: number) => [at(x, y), at(x + w, y), at(x + w, y + w), at(x, y + w), at(x, y)];
  const one = (geometry: unknown, properties: object, more: object = {}) =>
    readGeoJson(
      JSON.stringify({ type: 'FeatureCollection', features: [{ type: 'Feature', properties, geometry }], ...more }),
      id,
      toDegrees,
    );
  const value = (read: ReturnType<typeof one>) => {
    if (!read.ok) throw new Error(read.message);
    return read.value;
  };

  it('a tree pit in paving stays open ground, there and back', () => {
    const geometry = { type: 'Polygon', coordinates: [box(0, 0, 20), box(8, 8, 4).reverse()] };
    const { plan: read, left } = value(one(geometry, { kind: 'paving' }));
    expect(left).toEqual([]);
    const [a] = read.areas;
    expect(a!.holes).toHaveLength(1);
    const middle = { x: 0, y: 0 };
    expect(covers(a!, middle)).toBe(false);
    expect(distanceToArea(middle, a!)).toBeCloseTo(2, 0);
    expect(covers(a!, { x: 7, y: 0 })).toBe(true);
    expect(value(readGeoJson(writeGeoJson(read, []), id, toDegrees)).plan.areas[0]!.holes).toHaveLength(1);
  });

  it('a ring that is not closed keeps its last corner', () => {
    const read = value(one({ type: 'Polygon', coordinates: [box(0, 0, 10).slice(0, -1)] }, { kind: 'bed' }));
    expect(read.plan.areas[0]!.corners).toHaveLength(4);
  });

  it('of several outlines the largest is the place, and the others are said', () => {
    const coordinates = [[box(0, 0, 10)], [box(50, 0, 30)], [box(90, 0, 5)]];
    const read = value(one({ type: 'MultiPolygon', coordinates }, { kind: 'outline' }));
    expect(areaOf(read.plan.outline!)).toBeCloseTo(900, -1);
    expect(read.left).toHaveLength(2);
  });

  it('a stream drawn as a line is water, as wide as it says', () => {
    const line = { type: 'LineString', coordinates: [at(0, 0), at(100, 0)] };
    const wide = value(one(line, { kind: 'water', width_m: 6 }));
    expect(areaOf(wide.plan.areas[0]!.corners)).toBeCloseTo(600, -1);
    expect(wide.left).toEqual([]);
    expect(value(one(line, { kind: 'water' })).left).toEqual([expect.stringContaining('2 m wide')]);
  });

  it('a feature without a geometry is left, the others are taken; a byte order mark is nothing', () => {
    const text = JSON.stringify({
      type: 'FeatureCollection',
      features: [
        { type: 'Feature', properties: { kind: 'well' }, geometry: null },
        { type: 'Feature', properties: { kind: 'well' }, geometry: { type: 'Point', coordinates: at(0, 0) } },
      ],
    });
    const read = value(readGeoJson(`\ufeff${text}`, id, toDegrees));
    expect(read.plan.points).toHaveLength(1);
    expect(read.left).toEqual(['features.0: it has no geometry']);
  });

  it('a grid of eastings and northings is turned into degrees; one that is not known is refused by name', () => {
    const crs = (name: string) => ({ crs: { type: 'name', properties: { name } } });
    const geometry = { type: 'Point', coordinates: [400000, 300000] };
    const read = value(one(geometry, { kind: 'well' }, crs('urn:ogc:def:crs:EPSG::27700')));
    expect(read.plan.origin!.lat).toBeCloseTo(52.5978, 4);
    expect(read.plan.origin!.lon).toBeCloseTo(-2.0014, 4);
    expect(one(geometry, { kind: 'well' }, crs('EPSG:9999'))).toMatchObject({
      ok: false,
      message: expect.stringContaining('9999'),
    });
    expect(one(geometry, { kind: 'well' }, crs('CRS84'))).toMatchObject({ ok: false, path: 'crs' });
  });
});

it('metres survive the way to the globe and back', () => {
  const metre = fc.double({ min: -2000, max: 2000, noNaN: true });
  const lat = fc.double({ min: -70, max: 70, noNaN: true });
  fc.assert(
    fc.property(metre, metre, lat, (x, y, at) => {
      const origin = { lon: 10, lat: at };
      const back = toLocal(toGlobe({ x, y }, origin), origin);
      expect(Math.hypot(back.x - x, back.y - y)).toBeLessThan(1e-6);
    }),
  );
});

it('tells how far water is, nearest first, and whom the wind reaches', () => {
  const near = nearest(plan, { x: 5, y: 5 }, ['water', 'well', 'drain']);
  expect(near.map((f) => [f.kind, Math.round(f.metres * 100) / 100])).toEqual([
    ['well', 5],
    ['water', 9],
  ]);
  const east = driftSector({ trunk: { x: 5, y: 5 }, crownRadiusM: 3, from: 270, wind: 3, height: 8 });
  expect(overlap(east, plan.areas[0]!.corners)).toBe(true);
  expect(
    overlap(
      driftSector({ trunk: { x: 5, y: 5 }, crownRadiusM: 3, from: 90, wind: 3, height: 8 }),
      plan.areas[0]!.corners,
    ),
  ).toBe(false);
});
