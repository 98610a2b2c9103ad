import { expect, findTree, openToday, openTree, pressUntil, signIn, test } from './hands';

test('by keyboard alone: find, go, walk, help', async ({ page }) => {
  await openToday(page);
  const search = page.getByRole('dialog').getByRole('textbox');
  await pressUntil(page, '/', search);
  await search.fill('113 quay');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Trees with “113 quay”' })).toBeVisible();
  await openTree(page, '113');
  await page.keyboard.press('n');
  await expect(page.getByRole('complementary', { name: 'Tag' }).getByText('114', { exact: true })).toBeVisible();
  await page.keyboard.press('p');
  await expect(page.getByRole('complementary', { name: 'Tag' }).getByText('113', { exact: true })).toBeVisible();
  await page.keyboard.press('m');
  await expect(page.getByLabel(/^Girth/)).toBeFocused();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { level: 1, name: /^The year at / })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: /Help: Schedule/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a visit marked done can be undone', async ({ page }) => {
  await openToday(page);
  const done = page
    .getByRole('button', { name: 'Done: Check that the basin has soaked in and the mulch is back' })
    .first();
  const row = page.getByRole('listitem').filter({ has: page.getByText('125', { exact: true }) });
  await row.getByRole('button', { name: /^Done/ }).click();
  await expect(row).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row.first()).toBeVisible();
  await expect(done).toBeVisible();
});

test('what is on the shelf: a label from its file, a delivery, a vessel that is a mug', async ({ page }) => {
  await signIn(page);
  await page.goto('/stock');
  const file = (text: string) =>
    page
      .locator('input[type=file]')
      .setInputFiles({ name: 'label.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  await file('not json');
  await expect(page.getByText('This file is not JSON.')).toBeVisible();
  const id = (await page.getByRole('link', { name: 'Training label 8, fatty-acid soap' }).getAttribute('href'))!
    .split('/')
    .pop();
  const label = await (await page.request.get(`/api/labels/${id}`)).json();
  await file(JSON.stringify({ ...label, uses: [{ ...label.uses[0], protection: [] }] }));
  await expect(page.getByText(/uses\.0\.protection/)).toBeVisible();
  // The same file is the same version; what says anything else is the next.
  await file(JSON.stringify(label));
  await expect(page.getByText(/stands on the shelf as version \d/)).toBeVisible();
  await file(JSON.stringify({ ...label, signalWord: 'Danger' }));
  await expect(page.getByText(/stands on the shelf as version 2/)).toBeVisible();
  await page.getByRole('button', { name: 'count, take out of lot B-203' }).click();
  await page.getByLabel('There is, mL').fill('lots');
  await page.getByLabel('Why').fill('spilt a little');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('What you counted must be a plain number')).toBeVisible();
  await page.getByLabel('There is, mL').fill('990');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('count: spilt a little')).toBeVisible();
  await page.getByRole('button', { name: 'count, take out of lot B-203' }).click();
  await page.getByLabel('What happened').selectOption('Spilled or thrown away');
  await page.getByLabel('What went, mL').fill('5000');
  await page.getByLabel('Why').fill('bottle burst');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('There is not so much in this lot.')).toBeVisible();
  await page.getByLabel('What went, mL').fill('40');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('bottle burst')).toBeVisible();
  const went = page.getByRole('row', { name: /^Training label 3, borer injection 40 1 L/ });
  await expect(went).toContainText('40 mL');
  await expect(went).toContainText('950 mL');
  // What is to be ordered, and what lies in the van.
  await page
    .getByLabel('Warn below, mL: Training label 20, wettable sulphur')
    .or(page.getByLabel(/^Warn below, g: Training label 20/))
    .fill('6000');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByText(/^Order: 5 kg is left, below 6 kg\.$/)).toBeVisible();
  const van = page.locator('#bits-devices-tools');
  await van.getByLabel('Another, by its name').fill('Bit 7 mm');
  await van.getByLabel('Diameter, mm').fill('7');
  await van.getByLabel('How many').fill('some');
  await van.getByRole('button', { name: 'Add this equipment' }).click();
  await expect(page.getByText('The number must be a plain number', { exact: false })).toBeVisible();
  await van.getByLabel('How many').fill('4');
  await van.getByRole('button', { name: 'Add this equipment' }).click();
  await expect(van.getByRole('button', { name: 'change Bit 7 mm' })).toBeVisible();
  await page.getByLabel('Another vessel').fill('coffee mug');
  await page.getByLabel('Holds, mL').fill('300');
  await page.getByLabel('A mark every, mL').fill('10');
  await page.getByRole('button', { name: 'Add this vessel' }).click();
  await expect(page.getByText('Never a food or drink container.')).toBeVisible();
  await page.getByLabel('Lot number').fill('X-1');
  await page.getByLabel('Amount, mL').fill('250');
  await page.getByLabel('Expires').fill('2020-01-01');
  await page.getByRole('button', { name: 'Take it in' }).click();
  await expect(page.getByText('This lot has expired already')).toBeVisible();
});

test('single keys can be switched off on this device, and back on', async ({ page }) => {
  await openToday(page);
  const help = page.getByRole('dialog', { name: /^Help/ });
  await pressUntil(page, '?', help);
  await help.getByRole('checkbox', { name: /^Single keys lead somewhere/ }).uncheck();
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page).toHaveURL(/\/$/);
  await page.reload();
  await page.getByRole('button', { name: 'Help and keys' }).click();
  await help.getByRole('checkbox', { name: /^Single keys lead somewhere/ }).check();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await page.keyboard.press('s');
  await expect(page.getByRole('heading', { level: 1, name: /^The year at / })).toBeVisible();
});

test('without a network help, search and menu open, and what was typed stays', async ({ page, context }) => {
  await signIn(page);
  const id = await findTree(page, '113');
  await page.goto(`/trees/${id}/measure`);
  await page.getByLabel(/^Girth/).fill('151');
  // The page has settled when its parts have come.
  await page.waitForTimeout(3000);
  await context.setOffline(true);
  for (const [button, dialog] of [
    ['Help and keys', /^Help/],
    ['Find a tag', 'Find a tag'],
  ] as const) {
    await page.getByRole('button', { name: button }).click();
    await expect(page.getByRole('dialog', { name: dialog })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  }
  await expect(page.getByLabel(/^Girth/)).toHaveValue('151');
});
