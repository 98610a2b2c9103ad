import { expect, findTree, openTree, signIn, test } from './hands';
import { newMark } from './clock';

test.beforeEach(({ page }) => signIn(page));

for (const [text, sentence] of [
  ['-145', 'The girth must be more than 0 cm.'],
  ['3e9', 'must be a plain number'],
  ['thick', 'must be a plain number'],
  ['999999999', 'cannot be more than 3000 cm'],
  ['', 'The girth is missing.'],
] as const)
  test(`a girth of “${text}” gets a sentence and is kept`, async ({ page }) => {
    const id = await findTree(page, '131');
    await page.goto(`/trees/${id}/measure`);
    await page.getByLabel(/^Girth/).fill(text);
    await page.getByRole('button', { name: 'Keep this reading' }).click();
    await expect(page.getByRole('alert').filter({ hasText: sentence })).toBeVisible();
    await expect(page.getByLabel(/^Girth/)).toHaveValue(text);
  });

test('a girth typed as a diameter is doubted at once', async ({ page }) => {
  const id = await findTree(page, '131');
  await page.goto(`/trees/${id}/measure`);
  const tag = page.getByRole('complementary', { name: 'Tag' });
  const girth = (await tag.getByText(/ cm$/).first().innerText()).replace(' cm', '');
  await page.getByRole('radio', { name: 'diameter' }).check({ force: true });
  await page.getByRole('textbox', { name: /^Diameter/ }).fill(girth);
  await expect(page.getByText('was a girth entered as a diameter?')).toBeVisible();
});

test('31 February, unknown trees, broken ids', async ({ page }) => {
  await page.goto('/records?from=2026-02-31&words=%00%25_');
  await expect(page.getByText('“From” must be a day that exists')).toBeVisible();
  for (const path of [
    '/trees/00000000-0000-7000-8000-000000000000',
    '/trees/nonsense',
    '/trees/1%27%3B--/measure',
    '/records/00000000-0000-7000-8000-000000000000',
    '/sites/x',
    '/stock/labels/x',
    '/no-such-page',
  ]) {
    const answer = await page.goto(path);
    expect([path, answer!.status()]).toEqual([path, 404]);
    await expect(page.getByRole('heading', { name: 'Nothing hangs here' })).toBeVisible();
  }
  for (const path of [
    '/trees?find=%F0%9F%8C%B3%00',
    '/trees?tag=%00&id=x',
    '/trees?find=' + 'x'.repeat(3000),
    '/records?after=2026-99-99_x',
    '/sites/new?client=x',
  ])
    expect([path, (await page.goto(path))!.status()]).toEqual([path, 200]);
});

test('a photo of 60 MB, a file that is no photo, and a good one without its place', async ({ page }) => {
  const id = await findTree(page, '131');
  const uuid = () => '0192' + crypto.randomUUID().slice(4);
  const send = (data: Buffer, tree = id) =>
    page.request.post(`/api/photos?id=${uuid()}&tree=${tree}`, { data, headers: { 'content-type': 'image/jpeg' } });
  const huge = await send(Buffer.alloc(60_000_000, 1));
  expect(huge.status()).toBe(413);
  expect((await huge.json()).issues[0].message).toContain('25 MB');
  expect((await send(Buffer.from('MZ this is not a photo'))).status()).toBe(415);
  expect((await send(Buffer.alloc(0))).status()).toBe(400);
  await page.goto(`/trees/${id}/inspect`);
  await page
    .getByLabel('Add a photo')
    .setInputFiles({ name: 'huge.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(30_000_000) });
  await expect(page.getByText('a photo may have 25 MB at most')).toBeVisible();
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAFklEQVR4nGP8z8DAwMDAxMDAwMDAAAANHQEDasKb6QAAAABJRU5ErkJggg==',
    'base64',
  );
  await page.getByLabel('Add a photo').setInputFiles({ name: 'bark.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByText('Photo kept.')).toBeVisible();
});

test('lists: binary noise, faults line by line, then ten thousand rows at once', async ({ page }) => {
  test.setTimeout(300_000);
  await page.goto('/sites/new');
  await page.getByLabel('Client').selectOption({ label: 'Quayside School' });
  const name = `Nursery ${newMark()}`;
  await page.getByLabel('Name of the place').fill(name);
  await page.getByLabel(/^Area/).fill('many');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'must be a plain number' })).toBeVisible();
  await page.getByLabel(/^Area/).fill('900');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await page.getByRole('link', { name: 'Bring trees in' }).click();
  await expect(page.getByRole('heading', { name: 'Trees from a list' })).toBeVisible();
  const choose = (text: Buffer | string, file = 'trees.csv') =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name: file, mimeType: 'text/csv', buffer: Buffer.from(text as string) });
  await choose(Buffer.from(Array.from({ length: 5000 }, (_, i) => (i * 7919) % 256)), 'noise.csv');
  await expect(page.getByText('noise.csv is not a text file')).toBeVisible();
  await choose('Tree No,Species,Girth cm\n1,Wych elm,-4\n2,Triffid,90\n2,Silver birch,3e9\n');
  await page.getByLabel('Trunks were measured on').fill('2026-05-04');
  await expect(page.getByText('3 faults: nothing comes in before they are mended')).toBeVisible();
  await expect(page.getByText('1 row waits for its species, above.')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Bring/ })).toBeDisabled();
  await choose(
    'Tree No,Species,Girth cm\n' +
      Array.from(
        { length: 10_000 },
        (_, i) => `N${i},${i % 2 ? 'Silver birch' : 'Betula pendula'},${40 + (i % 50)}`,
      ).join('\n'),
  );
  await page.getByLabel('Trunks were measured on').fill('2026-05-04');
  await page.getByRole('button', { name: 'Bring 10000 trees in' }).click();
  await expect(page.getByText('10000 trees hang now.')).toBeVisible({ timeout: 120_000 });
  // The same file again: every tag hangs already, so nothing comes in twice.
  await page.getByRole('link', { name: 'Look at the place' }).click();
  await page.getByRole('link', { name: 'Bring trees in' }).click();
  await choose('Tree No,Species\nN1,Silver birch\n');
  await page.getByRole('button', { name: 'Bring 1 tree in' }).click();
  await expect(page.getByText('Tag N1 hangs at this place already.')).toBeVisible();
  const place = new URL(page.url()).searchParams.get('place');
  const csv = await (await page.request.get(`/api/trees.csv?place=${place}`)).text();
  expect(csv.trim().split('\r\n')).toHaveLength(10_001);
  const geo = await (await page.request.get(`/api/trees.geojson?place=${place}`)).json();
  expect(geo.features).toHaveLength(10_000);
});

test('a workbook with titles, German names, an unknown species and a missing day comes in whole', async ({ page }) => {
  const mark = newMark();
  await page.goto('/sites/new');
  await page.getByLabel('Client').selectOption({ label: 'Quayside School' });
  await page.getByLabel('Name of the place').fill(`Survey ${mark}`);
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await page.getByRole('link', { name: 'Bring trees in' }).click();
  await page.locator('input[type=file]').setInputFiles('e2e/files/survey.xlsx');
  await expect(page.getByText('The names of the columns stand in line 3.')).toBeVisible();
  await expect(page.getByText('2 faults: nothing comes in before they are mended')).toBeVisible();
  const bring = page.getByRole('button', { name: /^Bring/ });
  await expect(bring).toBeDisabled();
  await page.getByLabel('“Paulownia tomentosa”, 2 rows').selectOption({ label: 'Other broadleaf' });
  await page.getByLabel('“Wich elm”, 1 row').selectOption({ index: 1 });
  await page.getByLabel('Trunks were measured on').fill('2025-06-02');
  await bring.click();
  await expect(page.getByText('4 trees hang now.')).toBeVisible();
  // The tree without an entry can be measured and examined, under its own name.
  const id = await openTree(page, 'X2', mark);
  await expect(page.getByRole('complementary', { name: 'Tag' }).getByText('Paulownia tomentosa')).toBeVisible();
  await page.goto(`/trees/${id}/measure`);
  await page.getByLabel(/^Girth/).fill('84');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await page.waitForURL(/inspect/);
  await expect(page.getByRole('heading', { name: 'What do you see?' })).toBeVisible();
});

test('bodies that are no answers: a sentence, never a crash', async ({ page }) => {
  for (const data of [
    '',
    '{',
    '[]',
    '{"placeId":1}',
    '{"placeId":"00000000-0000-7000-8000-000000000000","mapping":{},"units":{},"csv":""}',
    'null',
    '"\u0000"',
  ]) {
    const answer = await page.request.post('/api/import', { data, headers: { 'content-type': 'application/json' } });
    expect(answer.status()).toBe(400);
    expect((await answer.json()).issues[0].message.length).toBeGreaterThan(3);
  }
  expect((await page.request.post('/api/photos?id=1&tree=2', { data: 'x' })).status()).toBe(400);
  expect((await page.request.get('/api/photos/nonsense')).status()).toBe(404);
  expect((await page.request.get('/api/trees.csv?place=nonsense')).status()).toBe(400);
  expect((await page.request.get('/api/calendar/guess.ics')).status()).toBe(404);
  const foreign = await page.request.post('/api/import', {
    data: '{}',
    headers: { 'sec-fetch-site': 'cross-site', 'content-type': 'application/json' },
  });
  expect(foreign.status()).toBe(403);
});

test('an answer that is lost: what was written waits on this device, goes on, and lands once', async ({ page }) => {
  const id = await openTree(page, '133', 'quay');
  /** Points in the history of this trunk. */
  const readings = async () => {
    await page.goto(`/trees/${id}`);
    const trunk = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Trunk', exact: true }) });
    await expect(trunk.locator('circle').first()).toBeVisible();
    return trunk.locator('circle').count();
  };
  const before = await readings();
  await page.goto(`/trees/${id}/measure`);
  await expect(page.getByLabel(/^Girth/)).toBeFocused();
  // The server gets it, and its answer never comes back; nor does it hear of what waits.
  const deaf = async (on: boolean) => {
    await page.unroute('**/measure');
    await page.unroute('**/api/phone/sends');
    if (!on) return;
    await page.route('**/measure', async (route) => {
      if (route.request().method() !== 'POST') return route.continue();
      await route.fetch();
      await route.abort();
    });
    await page.route('**/api/phone/sends', (route) => route.abort());
  };
  await deaf(true);
  await page.getByLabel(/^Girth/).fill('152.3');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await page.waitForURL(/(examine|decide|prescribe)$/);
  await expect(page.getByRole('link', { name: /^This phone: .*1 waits since/ })).toBeVisible();
  // Killed before it could send: what waits is on the device, not in the page.
  await page.reload();
  await expect(page.getByRole('link', { name: /1 waits since/ })).toBeVisible();
  await deaf(false);
  await page.goto('/phone');
  await expect(page.getByText('Nothing waits on this phone')).toBeVisible();
  expect(await readings()).toBe(before + 1);
  await expect(page.getByText('152.3 cm').first()).toBeVisible();
});
