import { ALL_WELL, choose, expect, findTree, OWNER, signIn, test } from './hands';
import { newMark } from './clock';

test('measuring: several stems, bark to keep clear of, and the tape that sends its reading', async ({ page }) => {
  await signIn(page);
  const id = await findTree(page, '305', 'school');
  await page.goto(`/trees/${id}/measure`);
  await page.getByRole('button', { name: 'Take from the tape (simulated)' }).click();
  await expect(page.getByRole('textbox', { name: /^Diameter/ })).not.toHaveValue('');
  await page.getByRole('radio', { name: 'diameter' }).first().check({ force: true });
  await page
    .getByRole('textbox', { name: /Diameter/ })
    .first()
    .fill('18.4');
  for (const value of ['22.1', '9.7']) {
    await page.getByRole('button', { name: 'Another stem' }).click();
    await page
      .getByRole('textbox', { name: /Diameter/ })
      .last()
      .fill(value);
  }
  await expect(page.getByText('basal-area equivalent 30.3 cm; sum 50.2 cm')).toBeVisible();
  await page.getByText('Height, crown, ring, obstacles').click();
  await page.getByRole('button', { name: 'An arc, clockwise from north' }).click();
  await page.getByLabel('from, °').last().fill('400');
  await page.getByLabel('to, °').last().fill('40');
  await page.getByLabel('In the way (ivy, swelling, slope, lean)').fill('ivy moved aside');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByText('A bearing cannot be more than 360 °.').first()).toBeVisible();
  await page.getByLabel('from, °').last().fill('10');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await page.waitForURL(/prescribe|diagnose|inspect/);
  await page.goto(`/trees/${id}/measure`);
  await expect(page.getByText('typed as diameter 18.4 cm + diameter 22.1 cm + diameter 9.7 cm')).toBeVisible();
});

test('units and theme are a person’s own: inches in, centimetres kept', async ({ page }) => {
  // Nobody else's journey reads the owner's units.
  await signIn(page, OWNER);
  const units = async (name: RegExp, shown: string) => {
    await page.goto('/settings');
    await page.getByRole('radio', { name }).check({ force: true });
    await expect.poll(() => page.request.get('/calculators').then((r) => r.text())).toContain(shown);
  };
  await units(/^US/, 'Girth, in');
  const id = await findTree(page, '307', 'school');
  await page.goto(`/trees/${id}/measure`);
  await page.getByLabel('Girth, in').fill('57.125');
  await expect(page.getByRole('main').getByText('18.2 in')).toBeVisible();
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await page.waitForURL(/prescribe|diagnose|inspect/);
  await units(/^metric/, 'Girth, cm');
  await page.goto(`/trees/${id}/measure`);
  await expect(page.getByRole('complementary', { name: 'Margin' }).getByText(/girth 145\.1 cm/)).toBeVisible();
  await page.goto('/settings');
  await page.getByRole('radio', { name: /^night/ }).check({ force: true });
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await expect.poll(() => page.request.get('/settings').then((r) => r.text())).toContain('data-theme="night"');
  await page.getByRole('radio', { name: /^light/ }).check({ force: true });
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'light');
});

test('bench tools: the worked figures, and a sentence for nonsense', async ({ page }) => {
  await signIn(page);
  await page.goto('/calculators');
  const tool = (name: string) =>
    page.locator('section').filter({ has: page.getByRole('heading', { name, exact: true }) });
  await tool('Girth and diameter').getByLabel('Girth, cm').fill('96.5');
  await expect(tool('Girth and diameter').getByText('30.7169 cm, 12.0933 in')).toBeVisible();
  await tool('Girth and diameter').getByLabel('Girth, cm').fill('-1');
  await expect(tool('Girth and diameter').getByText('The girth must be more than 0.')).toBeVisible();
  await tool('How hard the air pulls').getByLabel('Air, °C').fill('26');
  await tool('How hard the air pulls').getByLabel('Humidity, %').fill('48');
  await expect(tool('How hard the air pulls').getByText('1.75')).toBeVisible();
  for (const [field, value] of [
    ['Lowest, °C', '4'],
    ['Highest, °C', '17'],
    ['Threshold, °C', '10'],
  ] as const)
    await tool('Degree-days of a day').getByLabel(field).fill(value);
  await expect(tool('Degree-days of a day').getByText('2.325')).toBeVisible();
  await tool('Degree-days of a day').getByLabel('Highest, °C').fill('1');
  await expect(tool('Degree-days of a day').getByText('The highest lies below the lowest.')).toBeVisible();
  await tool('A dose from a label').getByLabel('Girth, cm').fill('145.1');
  await expect(tool('A dose from a label').getByText('43.53 mL')).toBeVisible();
});

test('a client, a place with its outline and water, a first tag; the gate asks until the water is paced', async ({
  page,
}) => {
  await signIn(page);
  const mark = newMark();
  await page.goto('/trees');
  await page.getByLabel('New client').fill(`Client ${mark}`);
  await page.getByRole('button', { name: 'Add this client' }).click();
  await expect(page.getByText(`Client ${mark} is a client now.`)).toBeVisible();
  await page.goto('/sites/new');
  await page.getByLabel('Client').selectOption({ label: `Client ${mark}` });
  await page.getByLabel('Name of the place').fill(`Place ${mark}`);
  await page.getByLabel(/^Area/).fill('1200');
  await page.getByLabel('Outline: one corner a line, latitude, longitude').fill('50.1, -4.1\n50.2, -4.1');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByText('An outline needs at least three corners')).toBeVisible();
  await page.getByLabel('Outline: one corner a line, latitude, longitude').fill('50.1, -4.1\n50.2, -4.1\n50.2, -4.2');
  await page.getByLabel('Gate code (only for those who go there)').fill('4711');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `Place ${mark}` })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Outline with 3 corners, north up' })).toBeVisible();
  await expect(page.getByText('4711')).toBeVisible();
  await page.getByRole('textbox', { name: 'Tag', exact: true }).fill('E1');
  await page.getByLabel('Host').first().selectOption({ label: 'Wych elm (Ulmus glabra)' });
  await page.getByLabel('Girth, cm').fill('120');
  await page.getByRole('button', { name: 'Hang it' }).click();
  await expect(page.getByText('Tag E1 hangs.')).toBeVisible();
  await page.getByRole('textbox', { name: 'Tag', exact: true }).fill('E1');
  await page.getByRole('button', { name: 'Hang it' }).click();
  await expect(page.getByText('Tag E1 hangs at this place already.')).toBeVisible();
  await page.getByRole('main').getByRole('link', { name: /^E1/ }).click();
  await page.waitForURL(/trees/);
  await page.goto(`${page.url()}/prescribe`);
  await page.getByRole('radio', { name: /Training label 1,/ }).check();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  for (const asked of ['Nothing named to treat', 'How far to water?', 'Host not confirmed'])
    await expect(margin.getByText(asked)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Make the plan' })).toBeDisabled();
});

test('the book: filtered by place and words, paged, taken out as CSV', async ({ page }) => {
  await signIn(page);
  await page.goto('/records');
  await page.locator('select[name=place]').selectOption({ label: 'Church green' });
  await page.getByRole('button', { name: 'Show' }).click();
  await expect(page.getByRole('main').getByText('Pedunculate oak, Church green').first()).toBeVisible();
  await expect(page.getByRole('main').getByText('Wych elm, Quay Avenue')).toHaveCount(0);
  const href = await page.getByRole('link', { name: 'CSV of the treatments' }).getAttribute('href');
  const csv = await (await page.request.get(href!)).text();
  const lines = csv.trim().split('\r\n');
  expect(lines[0]).toContain('Registration');
  expect(lines.length).toBeGreaterThan(1);
  for (const line of lines.slice(1)) expect(line).toContain('TR-0006');
  await page.goto('/records?words=no-such-thing');
  await expect(page.getByText('Nothing matches.')).toBeVisible();
});

test('people: an owner adds somebody and ends a licence; nobody else may', async ({ page }) => {
  await signIn(page, OWNER);
  await page.goto('/settings/team');
  const email = `${newMark()}@oxmere.example`;
  await page.getByLabel('Name', { exact: true }).fill('Piran Lusty');
  await page.getByLabel('E-mail').fill('no address');
  await page.getByLabel('First password').fill('short');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('That is no e-mail address.')).toBeVisible();
  await expect(page.getByText('A password has at least ten signs.')).toBeVisible();
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('First password').fill('long-enough-to-keep');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByText('Piran Lusty can sign in now.')).toBeVisible();
  await page.getByRole('button', { name: 'Change Maren Tolgarth' }).click();
  await page.getByLabel('Role').selectOption('office');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText('A company needs at least one owner who can sign in.')).toBeVisible();
  await signInAgain(page);
  await page.goto('/settings/team');
  await expect(page.getByRole('button', { name: /^Change/ })).toHaveCount(0);
});

const signInAgain = async (page: Parameters<typeof signIn>[0]) => {
  await page.context().clearCookies();
  await signIn(page);
};

test('rounds and the load: what is planned appears with product, water and what to wear; a dropped plan can be taken back', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/jobs');
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin.getByText('Training label 1, soil systemic 240')).toBeVisible();
  await expect(margin.getByText('Nitrile gloves')).toBeVisible();
  const id = await findTree(page, '113');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('button', { name: 'Drop this plan' }).click();
  await expect(page.getByText('Plan dropped.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  // Left before the answer is there, the way back would be cut off under way.
  await expect(page.getByText('Undone.')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Planned: start the sheet' })).toBeVisible();
  await page.goto('/jobs');
  await expect(page.getByRole('main').getByRole('link', { name: /^113/ })).toBeVisible();
});

test('a hold is released with a reason only; what goes otherwise than planned is booked with its reason', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '131');
  await page.goto(`/trees/${id}/diagnose`);
  await choose(page.getByRole('radio', { name: /^possible/ }));
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await page.waitForURL(/prescribe/);
  await page.getByRole('radio', { name: /Training label 1,/ }).check();
  await page.getByRole('button', { name: ALL_WELL }).click();
  const make = page.getByRole('button', { name: 'Make the plan' });
  await expect(make).toBeDisabled();
  await page.getByPlaceholder('Go on because …').first().fill('Larvae found on the neighbour');
  await expect(make).toBeEnabled();
  await make.click();
  await page.waitForURL(/treat/);
  await page.getByLabel('Nitrile gloves').check();
  await page.getByRole('button', { name: 'Go on with what is ticked' }).click();
  // The air of the hour is asked before the work, and what is no number is told before it starts.
  await page.getByRole('button', { name: ALL_WELL }).click();
  await page.getByText(/change what you measure here/).click();
  await page.getByLabel(/^Wind/).fill('strong');
  await page.getByRole('button', { name: 'Start pouring' }).click();
  await expect(page.getByText('The wind must be a plain number')).toBeVisible();
  await page.getByLabel(/^Wind/).fill('1');
  await page.getByRole('button', { name: 'Start pouring' }).click();
  await page.getByRole('button', { name: 'Finished' }).click();
  await page.getByRole('button', { name: 'Book it' }).click();
  await expect(
    page.getByRole('alert').filter({ hasText: 'Say why: Not worn: Long sleeves and trousers, Closed boots.' }),
  ).toBeVisible();
  await page.getByLabel('Why').fill('Boots and sleeves soaked through');
  await page.getByRole('button', { name: 'Book it' }).click();
  await page.waitForURL(/records\//);
  await expect(page.getByText(/Not worn: Long sleeves.*Reason: Boots and sleeves soaked through/)).toBeVisible();
  await expect(page.getByText('Released: Larvae found on the neighbour')).toBeVisible();
});

test('the sheet on paper: the tag largest, every step and blank on it, nothing that is pressed', async ({ page }) => {
  await signIn(page);
  await page.goto('/jobs');
  const sheet = await page.locator('main a[href*="/treat?plan="]').first().getAttribute('href');
  await page.goto(sheet!.replace('/treat', '/paper'));
  const paper = page.getByRole('article', { name: 'Paper sheet' });
  const tag = (await paper.getByRole('heading', { level: 1 }).innerText()).trim();
  await expect(page).toHaveTitle(new RegExp(`^${tag} Paper sheet`));
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print this sheet' })).toBeHidden();
  await expect(page.getByRole('link', { name: 'Back to the sheet' })).toBeHidden();
  for (const what of ['Worn, before anything is opened', 'In this order', 'Written at the tree'])
    await expect(paper.getByRole('heading', { name: what })).toBeVisible();
  const ink = await paper.evaluate((e) => getComputedStyle(e).color);
  await page.evaluate(() => (document.documentElement.dataset.theme = 'night'));
  expect(await paper.evaluate((e) => getComputedStyle(e).color)).toBe(ink);
  expect(ink).toBe('rgb(0, 0, 0)');
});

test('a place has its own rules: its profile is kept with it, and can be read and signed by itself', async ({
  page,
}) => {
  await signIn(page, OWNER);
  const mark = newMark();
  await page.goto('/sites/new');
  await page.getByLabel('Client').selectOption({ index: 1 });
  await page.getByLabel('Name of the place').fill(`Border ${mark}`);
  const rules = page.getByLabel('Rules in force here');
  await expect(rules.locator('option').first()).toContainText('as the company');
  await rules.selectOption({ label: 'Upland District' });
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `Border ${mark}` })).toBeVisible();
  await page.getByText('Change this place').click();
  await expect(page.getByLabel('Rules in force here')).toHaveValue('upland');
  await page.goto('/settings/rules');
  await page.getByRole('link', { name: 'Upland District' }).click();
  await expect(page.getByRole('heading', { name: 'The profile of Upland District' })).toBeVisible();
});

test('two who change one person: the second is told what stands, and goes over it only when sent again', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, OWNER);
  await page.goto('/settings/team');
  const email = `${newMark()}@oxmere.example`;
  await page.getByLabel('Name', { exact: true }).fill(`Tegen ${email.slice(0, 6)}`);
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('First password').fill('a gate by the long water');
  await page.getByRole('button', { name: 'Add them' }).click();
  const change = (p: typeof page) => p.getByRole('button', { name: `Change Tegen ${email.slice(0, 6)}` });
  await expect(change(page)).toBeVisible();
  const other = await (await browser.newContext({ baseURL })).newPage();
  await signIn(other, OWNER);
  await other.goto('/settings/team');
  for (const p of [page, other]) await change(p).click();
  await page.getByLabel('Role').first().selectOption('arborist');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(change(page)).toBeVisible();
  await other.getByLabel('Role').first().selectOption('office');
  await other.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(other.getByText(/Somebody changed what stands of Tegen/)).toBeVisible();
  await expect(other.getByText('The role is now: arborist.').first()).toBeVisible();
});
