import { chromium, type Browser } from '@playwright/test';
import { cpus, totalmem } from 'node:os';
import { gzipSync } from 'node:zlib';
import { prescribe } from '@/core/prescribe/prescribe';
import { type TreatmentContext } from '@/core/gates/context';
import { UNSAID } from '@/core/prescribe/unsaid';
import { dose } from '@/core/dose/dose';
import { choose } from '@/core/cost/choose';
import { placeRing } from '@/core/ring/ring';
import { compile } from '@/core/diagnose/model';
import { nextInspections } from '@/core/diagnose/next-look';
import { evidenceOf, posterior } from '@/core/diagnose/rank';
import { drawCase } from '@/core/practice/draw-case';
import { findCondition, findHost, regionOf, shipped, trainingLabels } from '@/knowledge';
import { crews } from './crews';
import { schedule } from './schedule';
import { pages } from './pages';
import { hanging } from './hanging';
import { held } from './locks';
import { phone } from './phone';
import { ribbon } from './ribbon';
import { sessionFor } from './session';
import { simulation, told } from './simulate';
import { table } from './table';
import { connect } from '@/store/db';

/** Measures what docs/quality asks for, in one run; prints a table. The server and the large company stand already. */
const url = process.env.ELMHORN_BENCH_URL!;
const figures = table();
const { report, row } = figures;
const quantile = (xs: number[], q: number) =>
  [...xs].sort((a, b) => a - b)[Math.min(xs.length - 1, Math.floor(xs.length * q))]!;

function core() {
  const label = trainingLabels[0]!;
  const vessels = [{ id: 'a', name: 'syringe', dimension: 'volume' as const, capacity: 60, graduation: 1 }];
  const time = (n: number, work: (i: number) => unknown) => {
    for (let i = 0; i < n; i++) work(i);
    const t = performance.now();
    for (let i = 0; i < n; i++) work(i);
    return (performance.now() - t) / n;
  };
  report(
    'dose of one tree',
    time(2000, (i) => dose({ label, useKey: 'drench', diameters: [20 + (i % 80)], vessels, siteAreaM2: 6200 })),
    'ms',
    1,
  );
  const treatmentContext: TreatmentContext = {
    ...UNSAID,
    on: '2026-06-01',
    host: findHost('wych-elm')!,
    hostConfirmed: true,
    condition: findCondition('elm-leaf-beetle'),
    certainty: 'likely',
    decision: 'treat now',
    crownLoss: 5,
    vigour: 'good',
    reading: { day: '2026-05-01', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
    earlier: [],
    treeYearProduct: {},
    siteAreaM2: 6200,
    siteYearActive: {},
    water: 40,
    harvest: null,
    soilTexture: 'loam',
    oldSites: [],
    vessels,
    region: regionOf('estuary'),
    licence: null,
    checked: {},
  };
  report(
    'dose and gates of one plan',
    time(2000, () =>
      prescribe(treatmentContext, label, label.uses[0]!, {
        soil: 'moist',
        leaf: 'full',
        temperatureC: 15,
        windMs: 1,
        rainNext24Mm: 0,
      }),
    ),
    'ms',
    1,
  );
  const ring = (count: number, girthCm: number, more: object = {}) =>
    placeRing({
      girthCm,
      count,
      heightCm: 20,
      year: 2026,
      minSpacingCm: 4,
      arcClearanceCm: 5,
      oldSiteClearanceCm: 5,
      oldSiteVerticalCm: 30,
      oldSiteYears: 5,
      arcs: [{ kind: 'wound', from: 10, to: 40 }],
      oldSites: [100, 200, 310].map((bearing) => ({ bearing, heightCm: 20, year: 2025 })),
      ...more,
    });
  report(
    'ring of 12 sites, with a wound and old holes',
    time(10, () => ring(12, 170)),
    'ms',
    20,
  );
  report(
    'ring of 40 sites, with a wound and old holes',
    time(10, () => ring(40, 420)),
    'ms',
    60,
  );
  const drawn = {
    flares: [10, 60, 120, 190, 250, 320].map((bearing) => ({ bearing, strength: 1 })),
    sectors: [{ from: 90, to: 200, severity: 3 }],
  };
  for (const [n, girth, budget] of [
    [12, 170, 20],
    [40, 420, 60],
  ] as const)
    report(
      `ring of ${n} sites, with flares and a suffering side besides`,
      time(10, () => ring(n, girth, drawn)),
      'ms',
      budget,
    );
  const stand = Array.from({ length: 500 }, (_, i) => ({
    id: String(i),
    takes: 5 + ((i * 37) % 97) / 3,
    worth: 10 + ((i * 53) % 89) / 2,
  }));
  report(
    'choice among 500 trees under a cap',
    time(3, () => choose(stand, 3000)),
    'ms',
    200,
  );
  report('its proven gap', 100 * choose(stand, 3000).gap, '%', 0.5);
}

/** An examination as it grows: ranking alone, and with the next look, after every fifth observation on every host. */
function examining() {
  const rank: number[] = [];
  const whole: number[] = [];
  for (const round of [0, 1])
    for (const host of shipped.hosts) {
      const model = compile(shipped, host, { month: 7 });
      const drawn = drawCase({ knowledge: shipped, seed: 77, options: {}, fixed: { host, month: 7 } });
      const signs = model.observables.filter((o) => o.kind === 'sign');
      for (let n = 0; n <= Math.min(40, signs.length); n += 5) {
        const observed = {
          findings: signs
            .slice(0, n)
            .map((s) =>
              drawn.shows.get(`sign:${s.id}`) === 'seen'
                ? { sign: s.id, state: 'seen' as const, grade: 3 }
                : { sign: s.id, state: 'absent' as const },
            ),
          tests: [],
        };
        const t = performance.now();
        const post = posterior(model, evidenceOf(model, observed));
        const ranked = performance.now();
        nextInspections({ model, post, observed });
        if (round) {
          rank.push(ranked - t);
          whole.push(performance.now() - t);
        }
      }
    }
  report('ranking after an observation, p95 over every host', quantile(rank, 0.95), 'ms', 8);
  report('ranking and next look, p95 over every host', quantile(whole, 0.95), 'ms', 16);
}

async function lists(cookie: string) {
  const sql = connect(process.env.DATABASE_OWNER_URL!, 2);
  const [{ company, person, place, tree } = { company: '', person: '', place: '', tree: '' }] = await sql<
    { company: string; person: string; place: string; tree: string }[]
  >`
    select p.company_id as company, p.id as person, (select id from site where company_id = p.company_id order by name limit 1) as place, (select id from tree where company_id = p.company_id and tag = 'S77742') as tree from person p where email = 'city@scale.example'`;
  const [{ n } = { n: 0 }] = await sql<
    { n: number }[]
  >`select count(*)::int as n from tree where company_id = ${company}`;
  row(`trees in the company`, `${n}`, '200000', n >= 200_000);
  const app = connect(process.env.DATABASE_URL!, 2);
  const bare = (work: (tx: Parameters<Parameters<typeof app.begin>[1]>[0]) => Promise<unknown>) =>
    app.begin(async (tx) => {
      await tx`select set_config('elmhorn.company', ${company}, true), set_config('elmhorn.person', ${person}, true)`;
      const t = performance.now();
      await work(tx);
      return performance.now() - t;
    }) as Promise<number>;
  const ask = async (path: string) => {
    const t = performance.now();
    const r = await fetch(url + path, { headers: { cookie } });
    await r.text();
    if (!r.ok) throw new Error(`${path}: ${r.status}`);
    return performance.now() - t;
  };
  const listSql = (tx: Parameters<Parameters<typeof app.begin>[1]>[0], where = tx``) =>
    tx`select t.id, t.tag, t.host_id, p.name from (select * from tree t where t.company_id = ${company} and t.archived_at is null ${where} order by t.tag collate natural_order, t.id limit 61) t join site p on p.id = t.site_id order by t.tag collate natural_order, t.id`;
  const pages: [string, string, (tx: Parameters<Parameters<typeof app.begin>[1]>[0]) => Promise<unknown>][] = [
    ['list of trees, first page', '/trees', (tx) => listSql(tx)],
    [
      'list of trees, deep page',
      `/trees?tag=S150000&id=${tree}`,
      (tx) => listSql(tx, tx`and (t.tag collate natural_order, t.id) > ('S150000', ${tree})`),
    ],
    ['search: one letter that every tag has', '/trees?find=S', (tx) => listSql(tx, tx`and t.tag ilike 'S%'`)],
    [
      'search: tag',
      '/trees?find=S777',
      (tx) =>
        listSql(
          tx,
          tx`and t.id = any(array(select id from tree where company_id = ${company} and tag collate "C" >= 'S777' and tag collate "C" < 'S778'))`,
        ),
    ],
    [
      'search: host and street',
      '/trees?find=plane+77+long',
      (tx) =>
        listSql(
          tx,
          tx`and t.host_id = 'london-plane' and t.site_id = any(array(select id from site where company_id = ${company} and address ilike '%77 long%' limit 400))`,
        ),
    ],
    [
      'one place in walking order',
      `/sites/${place}`,
      (tx) =>
        tx`select id, tag, host_id from tree where company_id = ${company} and site_id = ${place} and archived_at is null order by walk_order, id limit 81`,
    ],
    [
      'one tree',
      `/trees/${tree}`,
      (tx) =>
        tx`select * from tree t left join measurement r on r.company_id = t.company_id and r.tree_id = t.id where t.company_id = ${company} and t.id = ${tree}`,
    ],
    [
      'book, first page',
      '/records',
      (tx) => tx`select * from record where company_id = ${company} and latest order by done_on desc, id desc limit 41`,
    ],
    [
      'Today',
      '/',
      (tx) =>
        tx`select * from follow_up where company_id = ${company} and state = 'open' and due <= current_date order by due, id limit 25`,
    ],
  ];
  // A page of this framework that asks the database for nothing but who is signed in, in the same run.
  const empty: number[] = [];
  for (let i = 0; i < 40; i++) empty.push(await ask('/settings'));
  const bareFramework = quantile(empty.slice(15), 0.95);
  row('a bare page of the framework, p95', `${bareFramework.toFixed(0)} ms`, 'reported', true);
  for (const [what, path, query] of pages) {
    const bareTimes: number[] = [];
    const pageTimes: number[] = [];
    // The first ones make the plans of the statements and warm the code; they are not what a day is like.
    for (let i = 0; i < 40; i++) {
      bareTimes.push(await bare(query));
      pageTimes.push(await ask(path));
    }
    const b = quantile(bareTimes.slice(15), 0.95);
    const p = quantile(pageTimes.slice(15), 0.95);
    const ratio = p / (b + bareFramework);
    row(
      `${what}: page p95, beside its bare SQL and a bare page`,
      `${p.toFixed(0)} ms, SQL ${b.toFixed(1)} ms, ratio ${ratio.toFixed(1)}`,
      '≤ 80 ms and ratio ≤ 3',
      p <= 80 && ratio <= 3,
    );
  }
  await sql.end();
  await app.end();
}

const launch = () =>
  chromium.launch({
    executablePath: process.env.ELMHORN_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });

async function paint(cookie: string) {
  const browser = await launch();
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const [name, value] = cookie.split('=') as [string, string];
  await context.addCookies([{ name, value, url }]);
  const page = await context.newPage();
  const probe = await page.request.get(`${url}/trees?find=S77742`);
  const tree = /\/trees\/[0-9a-f-]{36}/.exec(await probe.text())![0];
  for (const path of [
    '/',
    '/trees',
    '/guide',
    `${tree}/measure`,
    `${tree}/inspect`,
    `${tree}/diagnose`,
    `${tree}/prescribe`,
  ]) {
    const cdp = await context.newCDPSession(page);
    await cdp.send('Network.enable');
    await cdp.send('Network.clearBrowserCache');
    const scripts = new Map<string, Promise<number>>();
    const onResponse = (r: { url(): string; request(): { resourceType(): string }; body(): Promise<Buffer> }) => {
      if (r.request().resourceType() === 'script')
        scripts.set(
          r.url(),
          // What a page fetched just before it was left has no body to be read any more: it was not asked for by this one.
          r.body().then(
            (b) => gzipSync(b).length,
            () => 0,
          ),
        );
    };
    page.on('response', onResponse);
    await page.goto(url + path, { waitUntil: 'networkidle' });
    page.off('response', onResponse);
    const kB = async (of: (path: string) => boolean) =>
      (await Promise.all([...scripts].filter(([src]) => of(src)).map(([, bytes]) => bytes))).reduce(
        (a, b) => a + b,
        0,
      ) / 1024;
    const name = path.replace(/\/trees\/[^/]+/, '/trees/…');
    // What the page itself names is there before anything can be used; the rest comes once it has settled.
    const html = await (await page.request.get(url + path)).text();
    const named = (src: string) => html.includes(new URL(src).pathname);
    report(`script of ${name}, gzip`, await kB(named), 'kB', name.endsWith('/prescribe') ? 150 : 140);
    row(`script of ${name} once it has settled, gzip`, `${(await kB(() => true)).toFixed(0)} kB`, 'reported', true);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    const paints: number[] = [];
    const shifts: number[] = [];
    for (let i = 0; i < 5; i++) {
      await page.goto('about:blank');
      await page.goto(url + path, { waitUntil: 'networkidle' });
      const [lcp, shift] = await page.evaluate(
        () =>
          new Promise<[number, number]>((done) => {
            let last = 0;
            let moved = 0;
            new PerformanceObserver((l) => l.getEntries().forEach((e) => (last = Math.max(last, e.startTime)))).observe(
              { type: 'largest-contentful-paint', buffered: true },
            );
            new PerformanceObserver((l) =>
              l.getEntries().forEach((e) => (moved += (e as unknown as { value: number }).value)),
            ).observe({ type: 'layout-shift', buffered: true });
            setTimeout(() => done([last, moved]), 300);
          }),
      );
      paints.push(lcp);
      shifts.push(shift);
    }
    report(`largest paint of ${name}, CPU 4 × slower`, quantile(paints, 0.5), 'ms', 1000);
    report(`layout shift of ${name}`, quantile(shifts, 0.9), '', 0.02);
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await cdp.detach();
  }
  await browser.close();
}

/** What is measured, in order; the last brings a list of trees in. `npm run bench -- --only pages,paint` takes some of them. */
const ONLY = process.env.ELMHORN_BENCH_ONLY?.split(',') ?? null;

async function main() {
  const owner = connect(process.env.DATABASE_OWNER_URL!, 1);
  const email = 'city@scale.example';
  const cookie = await sessionFor(owner, email);
  let browser: Browser | null = null;
  const inBrowser = async () => (browser ??= await launch());
  const steps: [string, () => unknown][] = [
    ['core', () => core()],
    ['inspection', () => examining()],
    ['simulation', simulated],
    ['pages', () => pages(figures)],
    ['schedule', () => schedule(figures)],
    ['devices', () => hanging(figures)],
    ['crews', () => crews(figures)],
    ['lists', () => lists(cookie)],
    ['paint', () => paint(cookie)],
    ['ribbon', async () => ribbon(figures, { browser: await inBrowser(), url, cookie, owner, email })],
    ['phone', async () => phone(figures, await inBrowser(), url, owner)],
    ['held', () => held(figures)],
  ];
  try {
    for (const [name, measure] of steps) if (!ONLY || ONLY.includes(name)) await measure();
  } finally {
    // What was measured before something failed is told all the same.
    console.log(
      `\n${cpus().length} × ${cpus()[0]!.model}, ${(totalmem() / 2 ** 30).toFixed(0)} GiB, Node ${process.version}\n`,
    );
    figures.print();
    await (browser as Browser | null)?.close();
    await owner.end();
  }
}

async function simulated() {
  const cases = await simulation();
  row(
    'truth ranked first, in the first three',
    `${((100 * cases.first) / cases.cases).toFixed(1)} %, ${((100 * cases.firstThree) / cases.cases).toFixed(1)} %`,
    'reported',
    true,
  );
  report(
    'looks following the next look, per look of the checklist',
    cases.guided.looks / cases.checklist.looks,
    '',
    0.5,
  );
  console.log(told(cases).join('\n'));
}
void main();
