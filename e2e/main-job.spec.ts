import type { Page } from '@playwright/test';
import { ALL_WELL, choose, counted, expect, findTree, openTree, phone, signIn, test } from './hands';

/** A girth typed for a demo elm leads to a plan, a booked record with its lot, and a due date. */
async function mainJob(page: Page, tag: string) {
  const id = await openTree(page, tag);
  const hand = counted(page);
  await hand.press('Measure', 'link');
  await hand.type(/^Girth/, '145.1');
  await expect(page.getByText('46.2 cm').first()).toBeVisible();
  await hand.press('Keep this reading');

  await page.waitForURL(/prescribe/);
  // In full leaf an injection may stand first; the drench is what this job is about, one press away.
  const drench = page.getByRole('heading', { level: 1, name: 'How much, and where to pour' });
  await page.getByRole('region', { name: 'When' }).waitFor();
  if (!(await drench.isVisible())) await hand.pick(page.getByRole('radio', { name: /Training label 1,/ }));
  await expect(drench).toBeVisible();
  await expect(page.getByText('Product for this tree')).toBeVisible();
  const main = page.getByRole('main');
  // 3 mL for each 10 cm of 145.1 cm is 43.53 mL, to the nearest mark inside the label's range.
  await expect(main.getByText('44', { exact: true })).toBeVisible();
  await expect(main.getByText('7.3', { exact: true })).toBeVisible();
  await expect(main.getByRole('row', { name: /Product.*43\.53 mL/ })).toBeVisible();
  await hand.press(ALL_WELL);
  await hand.press('Make the plan');

  await page.waitForURL(/treat/);
  await hand.press(/All on/);
  await hand.press(ALL_WELL);
  await hand.press('Start pouring');
  await hand.press('Finished');
  await hand.press('Book it');

  await page.waitForURL(/records\/[0-9a-f-]{36}/);
  await expect(page.getByRole('heading', { name: 'Booked. This is what comes next' })).toBeVisible();
  for (const fact of [
    'TR-0001',
    'ED-2207',
    'Elm leaf beetle',
    '44 mL',
    'Quay Avenue',
    'Nitrile gloves, Long sleeves and trousers, Closed boots',
    'moist',
  ])
    await expect(main.getByText(fact).first()).toBeVisible();
  await expect(main.getByText(/^(25-118|26-031), until/)).toBeVisible();
  expect(hand.inputs).toBeLessThanOrEqual(12);
  return id;
}

const unfold = (text: string) => text.replace(/\r?\n[ \t]/g, '');

test('the main job at the desk: plan, record, stock, due date, calendar', async ({ page }) => {
  await signIn(page);
  const id = await mainJob(page, '110');
  // The day after, the basin is looked at: on the tag, on Today (next weeks) and in the calendar.
  await page.goto(`/trees/${id}`);
  await expect(page.getByText('Check that the basin has soaked in and the mulch is back')).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('main').getByRole('link', { name: /^110.*Check that the basin/ })).toBeVisible();
  const calendar = await page.request.get('/api/calendar/mine.ics');
  expect(calendar.headers()['content-type']).toContain('text/calendar');
  expect(unfold(await calendar.text())).toMatch(/SUMMARY:110 Wych elm: Check that the basin/);
  await page.goto('/stock');
  await expect(page.getByText('used on 110, Quay Avenue').first()).toBeVisible();
  // The same tree cannot have it again this year; when it can, stands in its place.
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /Training label 1,/ }).check();
  const when = page.getByRole('region', { name: 'When' });
  await expect(when).toContainText('the label’s interval runs until');
  await when.getByText('today', { exact: true }).click();
  await expect(page.getByText('Too soon').first()).toBeVisible();
  await expect(page.getByRole('button', { name: 'Make the plan' })).toBeDisabled();
});

test('the main job on a 390 px screen with the network slow', async ({ browser, baseURL }) => {
  const page = await phone(browser, baseURL);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Network.emulateNetworkConditions', {
    offline: false,
    latency: 400,
    downloadThroughput: 50_000,
    uploadThroughput: 25_000,
  });
  await mainJob(page, '128');
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  await page.context().close();
});

test('a record is corrected as a new version, and the draft of a form outlives a reload', async ({ page }) => {
  await signIn(page);
  await mainJob(page, '116');
  await page.getByRole('button', { name: 'Correct this record' }).click();
  await page.getByLabel('Amount used, mL').fill('40');
  await page.getByRole('button', { name: 'Write the new version' }).click();
  await expect(page.getByText('Say in a few words why this is corrected.')).toBeVisible();
  await page.getByLabel('Why is this corrected?').fill('misread the syringe');
  await page.getByRole('button', { name: 'Write the new version' }).click();
  await expect(page.getByText('Version 2')).toBeVisible();
  await expect(page.getByRole('main').getByText('40 mL', { exact: true })).toBeVisible();
  await page.goto('/stock');
  await expect(page.getByText(/correction of 116/)).toBeVisible();

  await openTree(page, '122');
  await page.getByRole('link', { name: 'Inspect' }).first().click();
  await page.getByLabel('Anything else').fill('Woodpecker at the second fork');
  await page.reload();
  await expect(page.getByLabel('Anything else')).toHaveValue('Woodpecker at the second fork');
});

test('examine, decide: the key confirms the host, the signs order the candidates, the gate follows', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '109');
  await page.goto(`/trees/${id}/prescribe`);
  // Nothing on the shelf is for what was named, and nothing that happens to be open is put in its place.
  await expect(page.getByRole('heading', { level: 1, name: 'No label for this' })).toBeVisible();
  await page.goto(`/trees/${id}/inspect`);
  await page.getByRole('button', { name: 'All of the key fits' }).click();
  const sign = page.getByRole('group', { name: 'Small dark beetles in twig forks' });
  await sign.getByRole('radio', { name: 'absent' }).focus();
  await page.keyboard.press('3');
  await expect(sign.getByRole('radio', { name: 'much' })).toBeChecked();
  await page.getByLabel(/^Crown loss/).fill('4');
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/diagnose/);
  // The beetle itself was seen: it leads, and what it carries stands behind it.
  await expect(page.getByRole('radio', { name: /^Elm bark beetles/ })).toBeChecked();
  await choose(page.getByRole('radio', { name: /^likely/ }));
  await choose(page.getByRole('radio', { name: 'treat now' }));
  await page.getByLabel(/^Why, in a sentence/).fill('');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await expect(page.getByText(/The ranking would say “.*”\. Say in a sentence why/)).toBeVisible();
  await page.getByLabel(/^Why, in a sentence/).fill('Beetles in every fork, and the council wants them gone.');
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await page.waitForURL(/prescribe/);
  await expect(page.getByRole('complementary', { name: 'Margin' }).getByText('Host not confirmed')).toHaveCount(0);
});
