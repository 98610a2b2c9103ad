import sharp from 'sharp';
import { v7 } from 'uuid';
import { guessWeather } from '@/core/exchange/weather-csv';
import { LIST_DOUBTS } from '@/core/exchange/list-doubts';
import { wallClock } from '@/lib/calendar/zone';
import { SAMPLE_PASSWORD } from '@/stand-ins/sample-people';
import { shipped } from '@/knowledge';
import { connect, type Sql } from '@/store/db';
import { sessionFor } from './session';
import type { Table } from './table';

/**
 * How long one request can hold everybody else up: the worst request of each kind is sent, and while it runs the slowest answer to
 * “are you well?” is told. The server has one thread for all; who works long in it gives others their turn.
 */
const url = process.env.ELMHORN_BENCH_URL!;
/** A telephone call is not waited through, and neither is this: ms. */
const MOST_MS = 250;
/** Pause between two questions, ms. */
const EVERY_MS = 5;

const LIST_ROWS = 50_000;
/** A list of trees; every call has tags of its own. */
const list = (species: (i: number) => string, mark: string) =>
  [
    'Tag,Species,Trunk cm,Lat,Lon,Height m,Note',
    ...Array.from(
      { length: LIST_ROWS },
      (_, i) =>
        `${mark}-${i},"${species(i)}",${20 + (i % 60)},${(50.3 + i / 1e6).toFixed(6)},-4.1,${8 + (i % 12)},"Beside the ""old"" wall, ${i}"`,
    ),
  ].join('\n');
const mapping = { tag: 'Tag', host: 'Species', diameter: 'Trunk cm', lat: 'Lat', lon: 'Lon', height: 'Height m' };

/** As many own entries as the shape takes, each read against the whole base. */
const customFile = (mark: string) => {
  const like = shipped.conditions.find((c) => c.id === 'apple-scab')!;
  const entries = Array.from({ length: 180 }, (_, i) => ({
    kind: 'condition',
    note: '',
    data: { ...like, id: `own-bench-${i}`, name: `Bench ${i} ${mark}`, drivers: [], followers: [], lookalikes: [] },
  }));
  return JSON.stringify({ format: 'elmhorn-knowledge', version: 1, from: 'Bench', entries });
};
/** A plan with as many corners as its file may hold. */
const siteMap = () => {
  const ring = (i: number) => {
    const corners = Array.from({ length: 110 }, (_, k) => [
      -4.1 + i / 1e4 + Math.cos(k / 38.2) / 2e4,
      50.3 + Math.sin(k / 38.2) / 2e4,
    ]);
    return [...corners, corners[0]!];
  };
  const feature = (i: number) => ({
    type: 'Feature',
    properties: { kind: 'water', name: `Pond ${i}` },
    geometry: { type: 'Polygon', coordinates: [ring(i)] },
  });
  return JSON.stringify({ type: 'FeatureCollection', features: Array.from({ length: 190 }, (_, i) => feature(i)) });
};
const READING_COLUMNS = ['time', 'temperature', 'humidity', 'wind', 'rain'];
const readings = () =>
  [
    READING_COLUMNS.join(','),
    ...Array.from({ length: 30_000 }, (_, i) => {
      const at = wallClock(new Date(Date.UTC(2021, 0, 1) + i * 3_600_000).toISOString(), 'UTC');
      return `${at},${(8 + (i % 20)).toFixed(1)},70,2.1,0`;
    }),
  ].join('\n');

/** Asks whether the server is well, again and again, until told to stop; the slowest answer, ms. */
async function slowestWhile(work: () => Promise<unknown>): Promise<number> {
  let [running, slowest] = [true, 0];
  const asking = (async () => {
    while (running) {
      const began = performance.now();
      await fetch(`${url}/api/health`).then((r) => r.text());
      slowest = Math.max(slowest, performance.now() - began);
      await new Promise((on) => setTimeout(on, EVERY_MS));
    }
  })();
  await new Promise((on) => setTimeout(on, 50));
  await work();
  running = false;
  await asking;
  return slowest;
}

export async function held({ report }: Table): Promise<void> {
  const owner = connect(process.env.DATABASE_OWNER_URL!, 1);
  const cookie = await sessionFor(owner, 'maren@oxmere.example');
  const { siteId, treeId } = await subjects(owner);
  const city = await sessionFor(owner, 'city@scale.example').catch(() => null);
  const post = (path: string, body: string | Uint8Array<ArrayBuffer>, type = 'application/json') =>
    fetch(url + path, { method: 'POST', headers: { cookie, 'content-type': type }, body }).then((r) => r.text());
  const verb = (name: string, input: object) =>
    post(`/api/v1/commands/${name}`, JSON.stringify({ id: v7(), ...input }));
  /** The end of what came: a million records are no string that a process could hold. */
  const get = async (path: string, as = cookie) => {
    const { body } = await fetch(url + path, { headers: { cookie: as } });
    const reader = body!.getReader();
    let end = Buffer.alloc(0);
    for (let part = await reader.read(); !part.done; part = await reader.read())
      end = Buffer.concat([end, part.value]).subarray(-150);
    return end.toString();
  };
  const picture = await sharp({ create: { width: 6000, height: 4000, channels: 3, background: '#456' } })
    .jpeg({ quality: 95 })
    .toBuffer();
  /** Tags and names that were never there before. */
  const mark = () => v7().slice(-8);
  const units = { trunk: 'cm', height: 'm' };
  const brought = (csv: string) =>
    post(
      '/api/import',
      JSON.stringify({ id: v7(), siteId, mapping, units, measuredOn: '2026-05-01', sure: LIST_DOUBTS, csv }),
    );
  const worst: [what: string, work: () => Promise<string>][] = [
    [
      `a list of ${LIST_ROWS} trees of 3,000 unknown species`,
      () => brought(list((i) => `Kind ${i % 3000}, as somebody wrote it`, mark())),
    ],
    [`a list of ${LIST_ROWS} trees that comes in`, () => brought(list(() => 'Wych elm', mark()))],
    ['a file of 180 own entries', () => verb('import-custom-entries', { text: customFile(mark()) })],
    ['a plan of the grounds', () => verb('import-site-map', { siteId, text: siteMap() })],
    [
      'three years of readings',
      () =>
        verb('import-readings', {
          siteId,
          reading: { ...guessWeather(READING_COLUMNS), clock: 'utc', order: 'day' },
          csv: readings(),
        }),
    ],
    ['a password', () => verb('change-password', { was: SAMPLE_PASSWORD, next: 'correct '.repeat(24) })],
    ['a wrong password', () => verb('change-password', { was: 'no', next: 'correct '.repeat(24) })],
    [
      'a picture of 24 megapixels',
      () => post(`/api/photos?tree=${treeId}&id=${v7()}`, new Uint8Array(picture), 'image/jpeg'),
    ],
    ['the days of a fortnight', () => get('/jobs/fortnight')],
    ['a season', () => get('/schedule')],
    ['the book as CSV', () => get('/api/records.csv', city ?? cookie)],
    ['the works as CSV', () => get('/api/works.csv', city ?? cookie)],
    ['the trees as CSV', () => get('/api/trees.csv', city ?? cookie)],
    ['the trees as GeoJSON', () => get('/api/trees.geojson', city ?? cookie)],
  ];
  for (const [what, work] of worst) {
    // Once unheard: code that is read for the first time is not what is asked.
    await work();
    let said = '';
    const ms = await slowestWhile(async () => (said = await work()));
    if (process.env.ELMHORN_BENCH_SAY) console.log(what, ms.toFixed(0), said.slice(-150));
    report(`slowest answer of the server beside ${what}`, ms, 'ms', MOST_MS);
  }
  await owner.end();
}

async function subjects(owner: Sql) {
  const [row] = await owner<{ siteId: string; treeId: string }[]>`
    select t.site_id as "siteId", t.id as "treeId"
    from tree t
    join person p on p.company_id = t.company_id
    where p.email = 'maren@oxmere.example' and t.archived_at is null
    order by t.id
    limit 1`;
  if (!row) throw new Error('the sample company is not there');
  return row;
}
