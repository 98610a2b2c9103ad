import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { hosts, programmes } from '@/knowledge';
import {
  expect,
  findTree,
  OFFICE,
  openQuayDay,
  openTree,
  OWNER,
  sessionEnded,
  signIn,
  signInByHand,
  TECHNICIAN,
  test,
} from './hands';
import { newMark } from './clock';

/** Every address that the application answers, from its own folders: a new one is tried without anybody thinking of it. */
const ROUTES = readdirSync(join(__dirname, '..', 'app'), { recursive: true, encoding: 'utf8' })
  .filter((file) => /(^|\/)(page\.tsx|route\.tsx?)$/.test(file))
  .map((file) => `/${file.replace(/(^|\/)(page|route)\.tsx?$/, '').replace(/\(in\)\/?/, '')}`)
  .sort();
/** For everybody, by a secret in the address or by nature. */
const OPEN = [
  '/sign-in',
  '/reset/[token]',
  '/share/[token]',
  '/share/[token]/pdf',
  '/api/calendar/[token]',
  '/api/calendar/place/[token]',
  '/share/place/[token]',
  '/api/health',
  '/sw.js',
];
/** The same for every company. */
const SHARED = ['/guide/[id]', '/api/v1/commands/[name]'];

test('another company’s ids give nothing on any route', async ({ page, browser, baseURL }) => {
  await signIn(page);
  const tree = await openTree(page, '107');
  const record = (await page
    .getByRole('main')
    .getByRole('link', { name: /\d{4}$/ })
    .first()
    .getAttribute('href'))!;
  const place = (await page.getByRole('link', { name: 'Quay Avenue' }).first().getAttribute('href'))!;
  await page.goto('/stock');
  const label = (await page.getByRole('link', { name: 'Training label 1, soil systemic 240' }).getAttribute('href'))!;

  const assignment = await page
    .goto('/schedule/programmes')
    .then(() => page.locator('main [href*="/programmes/assigned/"]').first().getAttribute('href'));
  // What ships is the same for every company; what one keeps of its own is its own.
  const own = { ...programmes.find((p) => p.key === 'winter-guards')!, key: 'own-walled', name: 'Behind the wall' };
  const kept = await page.request.post('/api/v1/commands/save-programme', {
    data: { id: crypto.randomUUID(), programme: own },
  });
  expect(await kept.json()).toMatchObject({ ok: true });
  expect((await page.request.get(`/schedule/programmes/${own.key}`)).status()).toBe(200);

  const elm = { ...hosts.find((h) => h.id === 'wych-elm')!, id: 'own-walled-elm', name: 'Elm behind the wall' };
  const host = await page.request.post('/api/v1/commands/save-custom-entry', {
    data: { id: crypto.randomUUID(), kind: 'host', text: JSON.stringify(elm), note: 'for this journey' },
  });
  expect(await host.json()).toMatchObject({ ok: true });
  expect((await page.request.get(`/guide/hosts/${elm.id}`)).status()).toBe(200);

  const { round, mix: toMix } = await openQuayDay(page);
  await page.goto(toMix);
  await page.getByRole('button', { name: 'Mixed' }).click();
  await expect(page).toHaveURL(/\/jobs\/mixes\/[0-9a-f-]{36}$/);
  const mix = page.url();

  const other = await (await browser.newContext({ baseURL })).newPage();
  await signInByHand(other, 'idris@fellside.example');
  await expect(other.getByRole('heading', { level: 1 })).toContainText('today');
  const last = (path: string) => path.split('/').pop()!;
  const ids: Record<string, string> = {
    '/trees/[id]': tree,
    '/sites/[id]': last(place),
    '/records/[id]': last(record),
    '/schedule/programmes/assigned/[id]': last(assignment!),
    '/schedule/programmes/[key]': own.key,
    '/guide/hosts/[id]': elm.id,
    '/stock/labels/[id]': last(label),
    '/api/labels/[id]': last(label),
    '/api/sites/[id]/map': last(place),
    '/api/photos/[id]': crypto.randomUUID(),
    '/jobs/day/[id]': last(round),
    '/jobs/mixes/[id]': last(mix),
    '/phone/tree/[id]': tree,
    '/phone/day/[id]': last(round),
  };
  const tried = ROUTES.filter((r) => r.includes('[') && !OPEN.includes(r) && !SHARED.includes(r));
  expect(tried.length).toBeGreaterThan(14);
  for (const route of tried) {
    const known = Object.keys(ids).find((k) => route === k || route.startsWith(`${k}/`));
    expect([route, known !== undefined]).toEqual([route, true]);
    const path = route.replace(/\[(id|key)\]/, ids[known!]!);
    expect([path, (await other.request.get(path)).status()]).toEqual([path, 404]);
  }
  // As a file nobody takes along what is another’s.
  expect(await (await other.request.get('/api/knowledge')).text()).not.toContain(elm.name);
  const csv = await (await other.request.get(`/api/trees.csv?place=${place.split('/').pop()}`)).text();
  expect(csv.trim().split('\r\n')).toHaveLength(1);
  const photo = await other.request.post(`/api/photos?id=${crypto.randomUUID()}&tree=${tree}`, {
    data: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAFklEQVR4nGP8z8DAwMDAxMDAwMDAAAANHQEDasKb6QAAAABJRU5ErkJggg==',
      'base64',
    ),
  });
  expect(photo.status()).toBe(404);
  await other.goto(`/records?place=${place.split('/').pop()}`);
  await expect(other.getByText('Nothing matches.')).toBeVisible();
  await other.goto('/trees?find=107 quay');
  await expect(other.getByText('No tree answers to that.')).toBeVisible();
  // What another company's form would send, sent with one's own session: the action itself refuses.
  const mine = await findTree(other, '101', 'beck');
  await other.route('**/measure', async (route) => {
    const body = route.request().postData();
    await route.continue(body ? { postData: body.replaceAll(mine, tree) } : {});
  });
  await other.goto(`/trees/${mine}/measure`);
  await other.getByLabel(/^Girth/).fill('150');
  await other.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(other.getByText('There is no such tree in this company.')).toBeVisible();
});

test('who is not signed in sees the sign-in page, and no file', async ({ page }) => {
  for (const route of ROUTES.filter((r) => !OPEN.includes(r))) {
    const path = route.replace('[id]', crypto.randomUUID()).replace('[name]', 'measure');
    if (!route.startsWith('/api/')) {
      const answer = await page.request.get(path, { maxRedirects: 0 });
      expect([path, answer.status()]).toEqual([path, 307]);
      expect(answer.headers().location).toMatch(/\/sign-in(\?|$)/);
      continue;
    }
    // What is only posted says so to whoever asks for it; posted without a session it is refused like the rest.
    const asked = (await page.request.get(path)).status();
    const answer = asked === 405 ? (await page.request.post(path, { data: {} })).status() : asked;
    expect([path, answer]).toEqual([path, 401]);
  }
});

test('roles: the technician applies and does not prescribe; the office sees no gate code', async ({ page }) => {
  await signIn(page, TECHNICIAN);
  const id = await findTree(page, '134');
  await page.goto(`/trees/${id}/prescribe`);
  await expect(
    page.getByText('To prescribe takes an owner or an arborist; you are signed in as technician.'),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: 'Make the plan' })).toBeDisabled();
  // US units all through for this person.
  await expect(page.getByText(/fl oz$/).first()).toBeVisible();
  await page.goto('/trees?find=school');
  await page.goto('/trees');
  await page.getByRole('link', { name: /School grounds/ }).click();
  await expect(page.getByText('1908#')).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(page).toHaveURL(/sign-in/);
  sessionEnded(TECHNICIAN);
  await signIn(page, OFFICE);
  await page.goto('/trees');
  await page.getByRole('link', { name: /School grounds/ }).click();
  await expect(page.getByText('Gate codes are shown to those who go there.')).toBeVisible();
  expect(await page.content()).not.toContain('1908#');
});

test('a wrong password is one sentence; the calendar address works without signing in until a new one is made', async ({
  page,
  browser,
  baseURL,
}) => {
  await signInByHand(page, 'nobody@oxmere.example', 'wrong');
  await expect(page.getByText('E-mail and password do not match.')).toBeVisible();
  await signIn(page, OWNER);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Make a calendar address' }).click();
  const address = await page.getByLabel('Subscribe to').inputValue();
  const stranger = await (await browser.newContext({ baseURL })).newPage();
  expect(await (await stranger.request.get(address)).text()).toContain('BEGIN:VEVENT');
  await page.reload();
  await page.getByRole('button', { name: 'Make a calendar address' }).click();
  await expect(page.getByLabel('Subscribe to')).not.toHaveValue(address);
  expect((await stranger.request.get(address)).status()).toBe(404);
});

test('security headers, and cookies that scripts cannot read', async ({ page, context }) => {
  await signIn(page);
  const answer = (await page.goto('/'))!;
  const h = answer.headers();
  expect(h['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(h['x-content-type-options']).toBe('nosniff');
  expect(h['x-powered-by']).toBeUndefined();
  const [cookie] = await context.cookies();
  expect(cookie).toMatchObject({ name: 'elmhorn', httpOnly: true, sameSite: 'Lax' });
});

test('a password: changed by oneself, or by a link that the owner hands over; what is quickly guessed is refused', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, OWNER);
  await page.goto('/settings/team');
  const email = `rowan-${newMark()}@oxmere.example`;
  await page.getByLabel('Name', { exact: true }).fill('Rowan Thatch');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('First password').fill('rowanthatch');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText(/quickly guessed/)).toBeVisible();
  await page.getByLabel('First password').fill('walnut harbour seventeen');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('Rowan Thatch can sign in now.')).toBeVisible();

  await page.getByRole('button', { name: 'Change Rowan Thatch' }).first().click();
  await page.getByRole('button', { name: 'Make a link for a new password' }).click();
  const link = await page.getByLabel(/^For Rowan Thatch/).inputValue();
  const other = await (await browser.newContext({ baseURL })).newPage();
  await other.goto(link);
  await other.getByLabel('New password for Rowan Thatch').fill('aaaaaaaaaaaa');
  await other.getByRole('button', { name: 'Set it' }).click();
  await expect(other.getByText(/quickly guessed/)).toBeVisible();
  await other.getByLabel('New password for Rowan Thatch').fill('larch gravel ninety spoons');
  await other.getByRole('button', { name: 'Set it' }).click();
  await other.waitForURL(/sign-in/);
  await signInByHand(other, email, 'walnut harbour seventeen');
  await expect(other.getByText('E-mail and password do not match.')).toBeVisible();
  await signInByHand(other, email, 'larch gravel ninety spoons');
  await expect(other.getByRole('heading', { level: 1 })).toContainText('today');
  await other.goto(link);
  await expect(other.getByText(/does not work/)).toBeVisible();

  await other.goto('/settings');
  await other.getByLabel('The password you have now').fill('wrong');
  await other.getByLabel('A new one').fill('otter ledger violin march');
  await other.getByRole('button', { name: 'Change the password' }).click();
  await expect(other.getByText('That is not your password.')).toBeVisible();
  await other.getByLabel('The password you have now').fill('larch gravel ninety spoons');
  await other.getByRole('button', { name: 'Change the password' }).click();
  await other.waitForURL(/sign-in/);
  await signInByHand(other, email, 'otter ledger violin march');
  await expect(other.getByRole('heading', { level: 1 })).toContainText('today');
});

test('every verb over plain HTTP: listed with its schema, told by its content, refused from other sites and other roles', async ({
  page,
  browser,
  baseURL,
}) => {
  const path = '/api/v1/commands';
  expect((await page.request.get(path)).status()).toBe(401);
  await signIn(page, TECHNICIAN);
  const list = (await (await page.request.get(path)).json()) as { name: string; address: string; input: object }[];
  expect(list.map((c) => c.name)).toEqual(
    expect.arrayContaining(['measure-tree', 'save-inspection', 'plan-treatment', 'record-treatment', 'amend-record']),
  );
  expect(list.every((c) => Object.keys(c.input).length > 0)).toBe(true);
  const id = await findTree(page, '131');
  const reading = {
    id: crypto.randomUUID(),
    treeId: id,
    stems: [{ kind: 'girth', value: '141', unit: 'cm' }],
    atHeight: '130',
    height: '',
    heightUnit: 'm',
    crownWidth: '',
    crownBase: '',
    flares: [],
    atHeightUnit: 'cm',
    grain: '',
    obstacles: '',
    arcs: [],
    method: 'tape',
  };
  const post = (name: string, data: unknown, headers = {}) => page.request.post(`${path}/${name}`, { data, headers });
  const first = await post('measure-tree', reading);
  expect([first.status(), (await first.json()).ok]).toEqual([200, true]);
  expect((await post('measure-tree', reading)).status()).toBe(200);
  const other = await post('measure-tree', { ...reading, stems: [{ kind: 'girth', value: '171', unit: 'cm' }] });
  expect([other.status(), (await other.json()).issues[0].path]).toEqual([422, 'id']);
  await page.goto(`/trees/${id}`);
  await expect(page.getByText('141.0 cm').or(page.getByText('55.5 in')).first()).toBeVisible();
  expect((await post('prescribe', {})).status()).toBe(404);
  expect((await post('plan-treatment', {})).status()).toBe(422);
  expect((await post('measure-tree', reading, { 'sec-fetch-site': 'cross-site' })).status()).toBe(403);
  expect((await post('measure-tree', { ...reading, obstacles: 'x'.repeat(3_000_000) })).status()).toBe(413);
  const stranger = await (await browser.newContext({ baseURL })).newPage();
  expect((await stranger.request.post(`${path}/measure`, { data: reading })).status()).toBe(401);
});

test('where somebody was going is where they are after the sign-in; no address of another site is', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '107');
  await page.context().clearCookies();
  await page.goto(`/trees/${id}/diagnose`);
  await expect(page).toHaveURL(/sign-in\?to=/);
  await page.getByRole('button', { name: OWNER }).click();
  await page.waitForURL(`**/trees/${id}/diagnose`);
  for (const to of ['//evil.example', '/\\evil.example', 'https://evil.example']) {
    await page.context().clearCookies();
    await page.goto(`/sign-in?to=${encodeURIComponent(to)}`);
    await page.getByRole('button', { name: OWNER }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('today');
    expect(new URL(page.url()).host).toBe(new URL(test.info().project.use.baseURL!).host);
  }
  // The first tab stop leads past the bar to the work.
  await page.goto('/stock');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'To the work' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#work')).toBeFocused();
});
