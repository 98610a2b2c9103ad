import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { readGeoJson, writeGeoJson } from './geojson';
import { areaOf, driftSector, nearest, overlap, toGlobe, toLocal, type GroundsPlan } from './plan';

let n = 0;
const id = () => `f${++n}`;
const square = [
  { x: 0, y: 0 },
  { x: 20, y: 0 },
  { x: 20, y: 10 },
  { x: 0, y: 10 },
];
const plan: GroundsPlan = {
  origin: { lon: -3.2, lat: 50.7 },
  outline: square,
  areas: [
    { id: 'pond', kind: 'water', name: 'Pond', corners: square.map((p) => ({ x: p.x / 10 + 14, y: p.y / 10 + 4 })) },
  ],
  points: [{ id: 'well', kind: 'well', name: 'Well', at: { x: 2, y: 9 } }],
  slope: null,
};
const trees = [{ id: 't1', tag: '12', host: 'lime', at: { x: 5, y: 5 }, crownRadiusM: 4, diameterCm: 46.2 }];

it('what is written is read back, on the globe and in local metres', () => {
  for (const origin of [plan.origin, null]) {
    const read = readGeoJson(writeGeoJson({ ...plan, origin }, trees), id);
    if (!read.ok) throw new Error(read.sentence);
    const back = read.value.plan;
    // Read back, the origin is the middle of what was drawn.
    expect(areaOf(back.outline!)).toBeCloseTo(200, 1);
    expect(back.areas).toMatchObject([{ id: 'pond', kind: 'water', name: 'Pond' }]);
    expect(areaOf(back.areas[0]!.corners)).toBeCloseTo(2, 2);
    expect(back.points).toMatchObject([{ kind: 'well' }]);
    expect(read.value.left).toEqual([]);
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
  expect(readGeoJson('{', id)).toMatchObject({ ok: false, sentence: 'This file is not JSON.' });
  expect(readGeoJson('{"type":"Topology"}', id)).toMatchObject({ ok: false, path: 'type' });
  const bad = JSON.parse(writeGeoJson(plan, []));
  bad.features[1].geometry.coordinates[0][2] = ['x', 2];
  expect(readGeoJson(JSON.stringify(bad), id)).toMatchObject({
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
  expect(readGeoJson(JSON.stringify(bad), id)).toMatchObject({
    ok: true,
    value: { left: [expect.stringMatching(/features.1/)] },
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
  const east = driftSector({ x: 5, y: 5 }, 3, 270, 3, 8);
  expect(overlap(east, plan.areas[0]!.corners)).toBe(true);
  expect(overlap(driftSector({ x: 5, y: 5 }, 3, 90, 3, 8), plan.areas[0]!.corners)).toBe(false);
});
