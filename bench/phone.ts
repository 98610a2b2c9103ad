import type { Browser, BrowserContext, Page } from '@playwright/test';
import type { Sql } from '@/store/db';
import { sessionFor } from './session';
import type { Table } from './table';

/** Trees of a round that a phone takes along, and writes that wait after a week. */
const TREES = 40;
const WRITES = 300;
/** A thin line, bytes a second. */
const THIN = 50_000;

/** Somebody of the sample company who goes out today with a crew. */
async function whoGoesOut(owner: Sql): Promise<string> {
  const [found] = await owner<{ email: string }[]>`
    select p.email
    from crew_day r
    join crew_person x on x.company_id = r.company_id and x.crew_id = r.crew_id
    join person p on p.company_id = x.company_id and p.id = x.person_id
    where r.closed_at is null and r.day >= current_date and p.role = 'arborist'
    order by r.day
    limit 1`;
  if (!found) throw new Error('nobody of the sample company goes out');
  return found.email;
}

interface Held {
  path: string;
  bytes: number;
}
/** What the phone holds, read from its own store. */
const heldOn = (page: Page): Promise<Held[]> =>
  page.evaluate(
    () =>
      new Promise<Held[]>((done, fail) => {
        const open = indexedDB.open('elmhorn');
        open.onerror = () => fail(new Error('no store'));
        open.onsuccess = () => {
          const all = open.result.transaction('held').objectStore('held').getAll();
          all.onsuccess = () => done(all.result as Held[]);
        };
      }),
  );

/** Bytes of the shell and the knowledge: the same for every round, and fetched once a release. */
const shellOn = (page: Page): Promise<number> =>
  page.evaluate(async () => {
    const cache = await caches.open('elmhorn-shell');
    let bytes = 0;
    for (const key of await cache.keys()) bytes += (await (await cache.match(key))!.arrayBuffer()).byteLength;
    return bytes;
  });

/** Seals readings of a tree into the queue of the phone, as its own forms would. */
const fillQueue = (page: Page, treeId: string, many: number) =>
  page.evaluate(
    async ([tree, n]) => {
      const db = await new Promise<IDBDatabase>((done) => {
        const open = indexedDB.open('elmhorn');
        open.onsuccess = () => done(open.result);
      });
      const get = <T>(store: string, key: string) =>
        new Promise<T>((done) => {
          const asked = db.transaction(store).objectStore(store).get(key);
          asked.onsuccess = () => done(asked.result as T);
        });
      const holder = await get<{ personId: string; phoneId: string }>('holder', 'me');
      const key = await get<CryptoKey>('keys', holder.personId);
      const seal = async (x: unknown) => {
        const iv = crypto.getRandomValues(new Uint8Array(12));
        const bytes = new TextEncoder().encode(JSON.stringify(x));
        return { bytes: bytes.length, iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, bytes) };
      };
      for (let i = 0; i < n; i++) {
        const id = crypto.randomUUID();
        const at = new Date().toISOString();
        const input = {
          id,
          treeId: tree,
          stems: [{ kind: 'girth', value: String(120 + i / 10), unit: 'cm' }],
          atHeight: '130',
          atHeightUnit: 'cm',
          height: '',
          heightUnit: 'm',
          crownWidth: '',
          crownBase: '',
          flares: [],
          grain: '',
          obstacles: 'Ivy up to the first fork, moved aside; level on the uphill side of the swelling.',
          arcs: [],
          method: 'tape',
        };
        const sealed = await seal({ id, verb: 'measure-tree', what: 'A reading', input, at, clockAt: at });
        const beside = await seal(null);
        await new Promise<void>((done) => {
          const t = db.transaction('waiting', 'readwrite');
          t.objectStore('waiting').add({ id, ...holder, at: Date.now(), ...sealed, beside });
          t.oncomplete = () => done();
        });
      }
    },
    [treeId, many] as const,
  );

const middle = (of: number[]) => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!;

/** How soon pages stand without signal on a phone four times as slow, ms, by what is opened. */
async function opening(page: Page, url: string, paths: Record<string, string>): Promise<Record<string, number>> {
  const out: Record<string, number> = {};
  for (const [what, path] of Object.entries(paths)) {
    const times: number[] = [];
    for (let i = 0; i < 5; i++) {
      const began = performance.now();
      await page.goto(url + path);
      await page.locator('h1').first().waitFor();
      times.push(performance.now() - began);
    }
    out[what] = middle(times);
  }
  return out;
}

async function measure(figures: Table, context: BrowserContext, url: string) {
  const page = await context.newPage();
  await page.goto(`${url}/phone`);
  await page.getByText(/pages of (a round|rounds)/).waitFor({ timeout: 120_000 });
  await page.getByText('In touch with the server.').waitFor({ timeout: 120_000 });
  const held = await heldOn(page);
  const trees = held.filter((h) => h.path.startsWith('/phone/tree/'));
  const ofTrees = held.filter((h) => /^\/(phone\/tree|trees|api\/photos)\//.test(h.path));
  const each = ofTrees.reduce((sum, h) => sum + h.bytes, 0) / trees.length;
  const rest = held.filter((h) => !ofTrees.includes(h)).reduce((sum, h) => sum + h.bytes, 0);
  figures.report(`a round of ${TREES} trees on a phone, with photos`, (each * TREES + rest) / 1e6, 'MB', 6);
  figures.row('shell and knowledge on a phone', `${((await shellOn(page)) / 1e6).toFixed(1)} MB`, 'reported', true);

  await context.setOffline(true);
  const cdp = await context.newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const day = held.find((h) => h.path.startsWith('/phone/day/'))!.path.replace('/phone', '/jobs');
  const treeId = trees[0]!.path.split('/').pop()!;
  const times = await opening(page, url, {
    'a day': day,
    'its close': `${day}/finish`,
    'a sheet': `/trees/${treeId}/treat`,
    'the board': '/jobs/devices',
  });
  for (const [what, ms] of Object.entries(times))
    figures.report(`${what} opens without signal, CPU 4 × slower`, ms, 'ms', 1000);

  await page.goto(url + day);
  const ticks = page.getByRole('main').getByRole('checkbox');
  await ticks.first().waitFor();
  const touches: number[] = [];
  for (let i = 0; i < Math.min(6, await ticks.count()); i++) {
    touches.push(
      await ticks.nth(i).evaluate(async (box: HTMLInputElement) => {
        const began = performance.now();
        box.click();
        await new Promise((done) => requestAnimationFrame(() => setTimeout(done, 0)));
        return performance.now() - began;
      }),
    );
    await page.waitForTimeout(400);
  }
  figures.report('a touch answers without signal, CPU 4 × slower', middle(touches), 'ms', 100);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });

  await fillQueue(page, treeId, WRITES);
  await page.goto(`${url}/phone`);
  await page.getByRole('heading', { name: /things wait/ }).waitFor();
  await cdp.send('Network.enable');
  await context.setOffline(false);
  await cdp.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 80,
    downloadThroughput: THIN,
    uploadThroughput: THIN,
  });
  const began = performance.now();
  await page.getByRole('button', { name: /Send now|Fetch anew/ }).click();
  await page.getByRole('heading', { name: 'Nothing waits on this phone' }).waitFor({ timeout: 120_000 });
  figures.report(`${WRITES} writes sent on ${THIN / 1000} kB/s`, (performance.now() - began) / 1000, 's', 10);
}

/** A round on a phone: how much room it takes, how soon its pages stand without signal, how long a week of writes takes to send. */
export async function phone(figures: Table, browser: Browser, url: string, owner: Sql) {
  const [name, value] = (await sessionFor(owner, await whoGoesOut(owner))).split('=') as [string, string];
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true });
  await context.addCookies([{ name, value, url }]);
  // What runs this file gives every function its name by a helper that the page has not got.
  await context.addInitScript('globalThis.__name = (f) => f');
  await measure(figures, context, url);
  await context.close();
}
