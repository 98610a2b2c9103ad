import { expect, OWNER, signIn, signInByHand, test } from './hands';
import { crewOfOne, plantDrenches, send } from './planting';
test.use({ serviceWorkers: 'allow' });
test('bench', async ({ page, browser, baseURL }) => {
  test.setTimeout(600_000);
  const mark = Date.now().toString(36);
  const place = `Forty ${mark}`;
  await signIn(page, OWNER);
  await plantDrenches(page, place, Array.from({ length: 40 }, (_, i) => 90 + i));
  const who = await crewOfOne(page, `Big ${mark}`);
  await page.goto('/rounds/make');
  await page.getByRole('checkbox', { name: place }).check();
  await page.getByRole('combobox', { name: 'Crew' }).selectOption({ label: `Crew Big ${mark}` });
  await page.getByRole('button', { name: /^Put 40/ }).click();
  const anyway = page.getByRole('button', { name: 'Put it there all the same' });
  await expect(anyway.or(page.getByRole('heading', { level: 1, name: `Crew Big ${mark},` }))).toBeVisible({ timeout: 60000 });
  if (await anyway.isVisible()) await anyway.click();
  await expect(page).toHaveURL(/\/rounds\/day\//, { timeout: 60000 });
  const round = new URL(page.url()).pathname;
  const context = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 }, isMobile: true, hasTouch: true, serviceWorkers: 'allow' });
  const phone = await context.newPage();
  await signInByHand(phone, who.email, who.password);
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('today');
  const t0 = Date.now();
  await phone.goto('/phone');
  await phone.waitForFunction(() => /In touch[^]*pages of/.test(document.body.innerText), null, { timeout: 300000 });
  console.log('hold ms', Date.now() - t0);
  const held = await phone.evaluate(async () => { const db = await new Promise<IDBDatabase>((r) => { const q = indexedDB.open('elmhorn'); q.onsuccess = () => r(q.result); }); return new Promise<[string, number][]>((r) => { const q = db.transaction('held').objectStore('held').getAll(); q.onsuccess = () => r(q.result.map((h: { path: string; bytes: number }) => [h.path, h.bytes])); }); });
  const sum = (f: (p: string) => boolean) => held.filter(([p]) => f(p)).reduce((a, [, b]) => a + b, 0);
  console.log('pages', held.length, 'bytes', sum(() => true), 'trees', sum((p) => p.startsWith('/phone/tree')), 'overviews', sum((p) => p.startsWith('/tree/')), 'row', sum((p) => p.startsWith('/rounds/row')), 'day', sum((p) => p.startsWith('/phone/day')));
  const shell = await phone.evaluate(async () => { const c = await caches.open('elmhorn-shell'); let n = 0; for (const r of await c.keys()) n += (await (await c.match(r))!.arrayBuffer()).byteLength; return n; });
  console.log('shell bytes', shell);
  const cdp = await context.newCDPSession(phone);
  await context.setOffline(true);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 });
  const tree = held.find(([p]) => p.startsWith('/phone/tree'))![0].split('/').pop()!;
  for (const [name, path] of [['day', round], ['close', `${round}/close`], ['apply', `/tree/${tree}/apply`], ['prescribe', `/tree/${tree}/prescribe`], ['examine', `/tree/${tree}/examine`], ['board', '/rounds/hanging'], ['row', held.find(([p]) => p.startsWith('/rounds/row'))![0]]] as const) {
    const times = [];
    for (let i = 0; i < 3; i++) {
      const t = Date.now();
      await phone.goto(path);
      await phone.locator('h1').first().waitFor();
      times.push(Date.now() - t);
    }
    console.log('open', name, times.join(' '));
  }
  await phone.goto(round);
  const box = phone.getByRole('main').getByRole('region', { name: 'Load sheet' }).getByRole('checkbox');
  await box.first().waitFor();
  for (const n of [0, 1, 2, 3]) {
    const ms = await box.nth(n).evaluate(async (el: HTMLInputElement) => { const t = performance.now(); el.click(); await new Promise((r) => requestAnimationFrame(() => setTimeout(r, 0))); return Math.round(performance.now() - t); });
    console.log('touch tick', ms);
    await phone.waitForTimeout(500);
  }
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  // 300 writes on a thin line.
  await phone.goto(`/tree/${tree}/measure`);
  const n = await phone.evaluate(async (treeId) => {
    const db = await new Promise<IDBDatabase>((r) => { const q = indexedDB.open('elmhorn'); q.onsuccess = () => r(q.result); });
    const get = (s: string, k: string) => new Promise<any>((r) => { const q = db.transaction(s).objectStore(s).get(k); q.onsuccess = () => r(q.result); });
    const holder = await get('holder', 'me'); const key = await get('keys', holder.personId);
    const seal = async (x: unknown) => { const iv = crypto.getRandomValues(new Uint8Array(12)); return { iv, data: await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, key, new TextEncoder().encode(JSON.stringify(x))) }; };
    for (let i = 0; i < 300; i++) {
      const id = crypto.randomUUID(); const at = new Date().toISOString();
      const input = { id, treeId, stems: [{ kind: 'girth', value: String(120 + i / 10), unit: 'cm' }], atHeight: '130', atHeightUnit: 'cm', height: '', heightUnit: 'm', crownWidth: '', crownBase: '', flares: [], grain: '', obstacles: 'Ivy up to the first fork, moved aside; the tape lay level on the uphill side of the swelling.', arcs: [], method: 'tape', };
      const s = await seal({ id, verb: 'measure', what: 'A reading: girth', input, at, clockAt: at });
      const b = await seal(null);
      await new Promise<void>((r) => { const t = db.transaction('waiting', 'readwrite'); t.objectStore('waiting').add({ id, personId: holder.personId, phoneId: holder.phoneId, at: Date.now(), bytes: 700, ...s, beside: b }); t.oncomplete = () => r(); });
    }
    return 300;
  }, tree);
  await phone.goto('/phone');
  await phone.getByRole('heading', { name: /things wait/ }).waitFor();
  await context.setOffline(false);
  await cdp.send('Network.enable');
  await cdp.send('Network.emulateNetworkConditions', { offline: false, latency: 80, downloadThroughput: 50_000, uploadThroughput: 50_000 });
  const t1 = Date.now();
  const press = phone.getByRole('button', { name: /Send now|Fetch anew/ });
  if (await press.isVisible()) await press.click({ timeout: 3000 }).catch(() => {});
  await phone.getByRole('heading', { name: 'Nothing waits on this phone' }).waitFor({ timeout: 120000 });
  console.log('sync of', n, 'ms', Date.now() - t1);
  void send;
});
