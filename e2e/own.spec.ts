import { readFile } from 'node:fs/promises';
import { expect, openTree, OWNER, signIn, test } from './hands';

const KEPT = 'Kept. It takes part from now on.';

test('a host, a sign and a work of one’s own are kept, take part, and travel as a file', async ({ page }) => {
  await signIn(page, OWNER);
  await page.goto('/guide/new');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByText('Say what it rests on.')).toBeVisible();
  await page.getByLabel('What it rests on').fill('named by the herbarium of the county');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  // Nothing was said of what it is called or is like: each is told beside its field.
  await expect(page.locator('[aria-invalid=true]').first()).toBeVisible();
  await page.getByLabel('What it is called').fill('Quayside elm');
  await page.getByLabel('Latin name').fill('Ulmus portuensis');
  await page.getByLabel('Which tree it is like').selectOption({ label: 'Wych elm' });
  await page.getByLabel('What confirms it in the field').fill('Cork wings on two-year twigs?');
  await page.getByLabel('And what else').fill('Base lopsided, both sides rough?');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByText(KEPT)).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Quayside elm' })).toContainText('version 1');

  await page.getByRole('link', { name: 'A sign', exact: true }).click();
  await page.getByLabel('How it looks, in the field').fill('Silver crumbs in the cracks');
  await page.getByLabel('What the most of it looks like').fill('In every crack of the trunk');
  await page.getByLabel('Where on the tree').selectOption('bark');
  await page.getByLabel('On which trees it is looked for').selectOption('elm');
  await page.getByLabel('What it rests on').fill('seen on the quay for three years');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Silver crumbs' })).toBeVisible();

  await page.getByRole('link', { name: 'A work', exact: true }).click();
  await page.getByLabel('What it is called').fill('Brush the crumbs out');
  await page.getByLabel('What kind of work').selectOption('wash');
  await page.getByLabel('What is counted on a tree').fill('Cracks');
  await page.getByLabel('What is done').fill('Brush from the top down into a sheet.\nBurn what is in the sheet.');
  await page.getByLabel('What must be so before').fill('Nobody parks below');
  await page.getByLabel('What it rests on').fill('done on the quay for three years');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Brush the crumbs out' })).toBeVisible();

  // It is known in the guide with the leaf and the troubles of an elm, and can be hung.
  await page.goto('/guide/hosts/own-quayside-elm');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Quayside elm');
  await expect(page.getByRole('img', { name: /^Leaf of quayside elm/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /Elm leaf beetle/i })).toBeVisible();
  const elm = await openTree(page, '101');
  await page.goto(`/tree/${elm}/examine`);
  await expect(page.getByText('Silver crumbs in the cracks').first()).toBeAttached();
  await page.goto(`/tree/${elm}/prescribe`);
  await page.getByText(/Other works/).click();
  await page.getByRole('radio', { name: /Brush the crumbs out/ }).click({ force: true });
  await expect(page.getByRole('heading', { level: 1, name: 'Brush the crumbs out' })).toBeVisible();
  await expect(page.getByText('Nobody parks below').first()).toBeVisible();

  // As a file it comes back as it was; what is no such file says so.
  await page.goto('/guide/new');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'All of them as a file' }).click();
  const path = await (await download).path();
  expect(JSON.parse(await readFile(path, 'utf8'))).toMatchObject({ format: 'elmhorn-knowledge', version: 1 });
  await page.getByLabel('Bring in a file').setInputFiles(path);
  await expect(page.getByText(/^0 new, 0 newer, \d+ as they were\.$/)).toBeVisible();
  await page
    .getByLabel('Bring in a file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"x"}') });
  await expect(page.getByText(/This is no file of knowledge/)).toBeVisible();

  const row = page.getByRole('listitem').filter({ hasText: 'Brush the crumbs out' });
  await row.getByRole('button', { name: 'Take it back' }).click();
  await row.getByLabel('Why it is taken back').fill('tried for a journey');
  await row.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('own-brush-the-crumbs-out, taken back')).toBeVisible();
});

test('the guide tells the year of a trouble at a place, what a winter did, and what a wrong treatment would do', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/guide/fire-blight');
  const year = page.getByRole('img', { name: /^can infect: / });
  await expect(year).toBeVisible();
  await expect(page.getByText('After a mild one:')).toBeVisible();
  await page.getByText('What each wrong treatment would do').click();
  await expect(page.getByText('does not reach what is within the bark and breeds resistance')).toBeVisible();
  await page.getByLabel('Place', { exact: true }).selectOption({ index: 1 });
  await page.getByRole('button', { name: 'Show it there' }).click();
  await page.waitForURL(/place=/);
  await expect(year).toBeVisible();
  // What waits for somebody to see it says for what.
  await page.goto('/guide/codling-moth');
  await expect(page.getByText(/is counted from: first steady catch/)).toBeVisible();
  await page.goto('/guide/hosts');
  await page.getByRole('link', { name: 'Common ash' }).click();
  await expect(page.getByText(/Opposite pairs, of leaves as of buds/)).toBeVisible();
  await page.getByRole('complementary', { name: 'Margin' }).getByRole('link', { name: 'Rowan' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Rowan');
});
