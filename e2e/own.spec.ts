import { readFile } from 'node:fs/promises';
import { expect, findTree, OWNER, signIn, test } from './hands';

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
  await expect(page.getByRole('heading', { name: 'A sign of our own' })).toBeVisible();
  await page.getByLabel('How it looks, in the field').fill('Silver crumbs in the cracks');
  await page.getByLabel('What the most of it looks like').fill('In every crack of the trunk');
  await page.getByLabel('Where on the tree').selectOption('bark');
  await page.getByLabel('On which trees it is looked for').selectOption('elm');
  await page.getByLabel('What it rests on').fill('seen on the quay for three years');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Silver crumbs' })).toBeVisible();

  await page.getByRole('link', { name: 'A work', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'A work of our own' })).toBeVisible();
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
  const elm = await findTree(page, '101');
  await page.goto(`/trees/${elm}/inspect`);
  await expect(page.getByText('Silver crumbs in the cracks').first()).toBeAttached();
  await page.goto(`/trees/${elm}/prescribe`);
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

test('a condition and a test of one’s own are written in fields, told what is missing, and take part', async ({
  page,
}) => {
  await signIn(page, OWNER);
  await page.goto('/guide/new?what=condition');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByText('Say what it rests on.')).toBeVisible();
  await page.getByLabel('What it rests on').fill('four summers at the harbour');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByLabel('What it is called')).toHaveAttribute('aria-invalid', 'true');
  const pick = async (label: string, what: string) => {
    await page.getByLabel(`${label}: type to find`).fill(what);
    await page
      .getByRole('button', { name: new RegExp(`^\\+ ${what}`, 'i') })
      .first()
      .click();
  };
  await page.getByLabel('What it is called').fill('Harbour leaf roller');
  await page.getByLabel('What it is', { exact: true }).selectOption('chewer');
  await pick('On which trees', 'all elm');
  await page.getByLabel('What it is and does, in a sentence or two').fill('A small caterpillar that rolls elm leaves.');
  await page.getByLabel('What happens if nothing is done').fill('Ugly for a summer.');
  await pick('A sign', 'Silk nests in forks');
  await page.getByLabel(/^How often: Silk nests in forks/).selectOption('always');
  await page.getByLabel('What settles it, in words').fill('A green caterpillar in an opened roll.');
  await page.getByLabel('From when on it is worth acting, in words').fill('Half the leaves, on young trees.');
  await page.getByRole('button', { name: 'Another way' }).click();
  await page.getByLabel('What is done').fill('Pick the rolls off every 7 days');
  await page.getByLabel('What opens its time').fill('rolls on the leaf');
  await page.getByLabel('What does not work, and why').fill('Sprays: it sits in its roll.');
  await page.getByLabel('What the client is told').fill('A leaf roller; picked off where it can be reached.');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  // A figure of days stands in a work or a label, and is told where it was written.
  await expect(
    page.getByText(/says every 7 days: days, temperatures and amounts stand in the label or the work/),
  ).toBeVisible();
  await page.getByLabel('What is done').fill('Pick the rolls off');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByText(KEPT)).toBeVisible();
  await page.goto('/guide/own-harbour-leaf-roller');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Harbour leaf roller');
  await expect(page.getByText('Pick the rolls off')).toBeVisible();
  // Begun from its last version, it keeps what was written.
  await page.getByRole('link', { name: 'Change our entry' }).click();
  await expect(page.getByRole('heading', { name: 'Changing Harbour leaf roller' })).toBeVisible();
  await expect(page.getByLabel('What the client is told')).toHaveValue(/picked off/);
  await page.getByLabel('What the client is told').fill('A leaf roller; we pick it off.');
  await page.getByLabel('What it rests on').fill('a fifth summer');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Harbour leaf roller' })).toContainText('a fifth summer');
  await expect(page.getByLabel('What the client is told')).toHaveValue('A leaf roller; we pick it off.');

  await page.getByRole('link', { name: 'A test', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'A test of our own' })).toBeVisible();
  await page.getByLabel('What it is called').fill('Open a roll');
  await page.getByLabel('What is asked at the tree').fill('What sits in a roll?');
  await page.getByLabel('How it is done').fill('Open five rolls by hand.');
  await page.getByLabel('Outcome 1, as it looks').fill('A green caterpillar');
  await page.getByLabel('What it rests on').fill('four summers at the harbour');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByText('say of which condition an outcome speaks')).toBeVisible();
  await page.getByLabel('It speaks of').selectOption({ label: 'Harbour leaf roller' });
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByText(KEPT)).toBeVisible();
  const row = page.getByRole('listitem').filter({ hasText: 'Open a roll' });
  await expect(row).toContainText('version 1');
  await row.getByRole('link', { name: 'Change it' }).click();
  await expect(page.getByRole('heading', { name: 'Changing Open a roll' })).toBeVisible();
  await expect(page.getByLabel('It speaks of')).toHaveValue('own-harbour-leaf-roller');
  await page.getByLabel('How it is done').fill('Open ten rolls by hand.');
  await page.getByLabel('What it rests on').fill('a fifth summer');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(row).toContainText('version 2');
  const elm = await findTree(page, '101');
  await page.goto(`/trees/${elm}/inspect`);
  // Somebody who has opened one says so, though nobody asked.
  await page.getByText('Another test was done').click();
  await page.getByLabel('Which test').selectOption({ label: 'What sits in a roll?' });
  await page.getByRole('button', { name: 'A green caterpillar' }).click();
  await expect(page.getByRole('list', { name: 'Tests done' })).toContainText('A green caterpillar');
  await expect(page.getByRole('region', { name: 'The balance' })).toContainText('Harbour leaf roller');
});

test('a way of the guide says by which label and which work, with their days and warmth', async ({ page }) => {
  await signIn(page);
  await page.goto('/guide/spongy-moth');
  const spray = page.getByRole('listitem').filter({ hasText: 'Btk on small caterpillars' });
  await expect(
    spray.getByText(/again after 14 days, if .*; never within 10 days; at most 2 times a year; air 12 °C to 32 °C/),
  ).toBeVisible();
  await page.goto('/guide/fire-blight');
  await expect(page.getByText('below the last sign: 20 to 30 cm')).toBeVisible();
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
