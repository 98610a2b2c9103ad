import type { Locator } from '@playwright/test';
import { expect, findTree, openToday, openTree, openYear, OWNER, signIn, test } from './hands';
import { journeyNow } from './clock';

/** The day after tomorrow, as a date field takes it. */
const soon = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/London' }).format(journeyNow().getTime() + 2 * 864e5);

const nextJune = `${Number(soon.slice(0, 4)) + 1}-06-01`;
const dayOf = async (when: Locator, day: string) => {
  await when.getByText('a day', { exact: true }).click();
  await when.getByLabel('The day').fill(day);
};

/** Infused last season: its next window is ahead, on whatever day this runs. */
const SOUND_ELM = '120';

test('a sound elm is planned for its window: the dose now, the gates of the day on the day, and it waits on Schedule until then', async ({
  page,
}) => {
  await signIn(page, OWNER);
  const id = await findTree(page, SOUND_ELM);
  await page.goto(`/trees/${id}/prescribe`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('How much to infuse, and where');
  const when = page.getByRole('region', { name: 'When' });
  // For a month in early summer its window is open, and the next one is a day of one's own.
  const ahead = (await when.innerText()).includes('Opens');
  if (ahead) await expect(when).toContainText(/Opens .*the label’s interval runs until/);
  else await dayOf(when, nextJune);
  await expect(when).toContainText('On the day: full leaf');
  const gates = page.getByRole('complementary', { name: 'Margin' }).getByRole('region', { name: 'Gates' });
  await expect(gates).not.toContainText('Not in full leaf');

  // Today it is stopped by its interval; a day within it too, and says so beside what it stops.
  if (ahead) {
    await when.getByText('today', { exact: true }).click();
    await expect(page.getByText(/^Stopped: /)).toBeVisible();
    await dayOf(when, soon);
    await expect(when).toContainText('is outside this window');
    await expect(gates).toContainText('Too soon');
    await when.getByText(/^from /).click();
  }
  await page.getByRole('button', { name: /^Plan it for / }).click();
  await expect(page.getByText(/^Planned for .*it waits on Schedule until then\./)).toBeVisible();
  await expect(page.getByRole('link', { name: /^Planned for .*see the sheet/ })).toBeVisible();

  await page.goto('/jobs');
  const later = page.getByRole('main').locator('section').filter({ hasText: 'Planned for later' });
  await expect(later.getByRole('link', { name: new RegExp(`^${SOUND_ELM}`) })).toBeVisible();
  await page.goto('/schedule');
  const row = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Planned: Trunk injection' });
  await expect(row.filter({ hasText: SOUND_ELM })).toBeVisible();
  await page.goto('/');
  const crew = page.getByRole('main').locator('section').filter({ hasText: 'Waiting for a crew' });
  await expect(crew.getByRole('link', { name: new RegExp(`^${SOUND_ELM}`) })).toHaveCount(0);

  // Opened before its time, the sheet answers for today, and asks for the leaf that nobody has seen yet.
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('link', { name: /^Planned for .*see the sheet/ }).click();
  await page.waitForURL(/treat\?plan=/);
  await expect(page.getByText(/Planned for .*The gates here answer for today\./)).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Margin' })).toContainText('Leaf state?');

  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('button', { name: 'Drop this plan' }).click();
  await expect(page.getByText('Plan dropped.')).toBeVisible();
  await page.goto('/schedule');
  await expect(row.filter({ hasText: SOUND_ELM })).toHaveCount(0);
});

test('a day of one’s own: asked for what it is, kept on Schedule and on the tree, and done like any visit', async ({
  page,
}) => {
  await signIn(page);
  await openTree(page, '306', 'school');
  await page.getByText('Come back on a day of your own').click();
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('Say what for.')).toBeVisible();
  await page.getByLabel('For', { exact: true }).fill('Loosen the tie');
  await page.getByLabel('On', { exact: true }).fill(soon);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('It stands on Schedule: Loosen the tie.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Done: Loosen the tie' })).toBeVisible();
  await page.goto('/schedule');
  const row = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Loosen the tie' });
  await row.getByRole('link').click();
  await page.getByRole('button', { name: 'Done: Loosen the tie' }).click();
  await expect(page.getByText('Done: Loosen the tie.')).toBeVisible();
  await page.goto('/schedule');
  await expect(row).toHaveCount(0);
});

test('a treatment that is due is left out with a reason, and stands on its next day', async ({ page }) => {
  await openToday(page);
  const row = page
    .getByRole('main')
    .getByRole('listitem')
    .filter({ hasText: '104' })
    .filter({ hasText: 'Decide on the next drench' });
  await row.getByRole('button', { name: /^Leave out/ }).click();
  await row.getByRole('button', { name: 'Leave it out' }).click();
  await expect(row.getByText('Say why it is left out.')).toBeVisible();
  await row.getByRole('button', { name: /^Looked at, and not so/ }).click();
  await expect(page.getByText(/^Left out; it comes again on /)).toBeVisible();
  await expect(row).toHaveCount(0);
  await page.goto('/schedule');
  await expect(row.first()).toBeVisible();
});

test('a property is offered as one thing: lines with their months, coming out once a day; the client takes some, and they are sold', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, OWNER);
  await page.goto(`/sites/${await openYear(page, 'School grounds')}`);
  await page.getByRole('link', { name: 'Offer it to the client' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('An offer for School grounds');
  const lines = page.getByRole('main').getByRole('checkbox');
  const count = await lines.count();
  expect(count).toBeGreaterThan(3);
  await page.getByLabel('Open for, days').fill('400');
  await page.getByRole('button', { name: 'Make the offer' }).click();
  await expect(page.getByText(/The days .*120/)).toBeVisible();
  await page.getByLabel('Open for, days').fill('30');
  await page.getByLabel('A word to the client').fill('For the birches in the dry corner.');
  await page.getByRole('button', { name: 'Make the offer' }).click();
  const address = await page.locator('[data-offer]').getAttribute('href');

  // The client opens it without signing in, on a phone, and takes one line away.
  const context = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 }, isMobile: true });
  const client = await context.newPage();
  await client.goto(address!);
  await expect(client.getByRole('heading', { level: 1 })).toHaveText('School grounds');
  await expect(client.getByText('For the birches in the dry corner.')).toBeVisible();
  const together = client.locator('dl').getByText(/^£/).nth(2);
  const all = await together.innerText();
  await client.getByRole('checkbox').first().uncheck();
  await expect(together).not.toHaveText(all);
  expect(await client.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await client.getByRole('button', { name: 'Send this answer' }).click();
  await expect(client.getByText('Write your name.')).toBeVisible();
  await client.getByLabel('Your name').fill('J. Harbottle');
  await client.getByRole('button', { name: 'Send this answer' }).click();
  await expect(client.getByRole('status')).toContainText(`J. Harbottle answered: ${count - 1} of ${count}`);
  await client.goto(address!);
  await expect(client.getByText('Not taken')).toHaveCount(1);
  const pdf = await client.request.get(`${address}/pdf`);
  expect([pdf.status(), pdf.headers()['content-type']]).toEqual([200, 'application/pdf']);
  await context.close();

  await page.reload();
  const before = page.getByRole('main').locator('section').filter({ hasText: 'Offered before' });
  await expect(before).toContainText(/J\. Harbottle answered/);
  await expect(before).toContainText(/Taken: /);
});

test('what is left to a client stands on their own page with how it is done; their “done” comes back, and Undo opens a task again', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page, OWNER);
  await page.goto(`/sites/${await openYear(page, 'Church green')}`);
  const tasks = page.getByRole('main').locator('section').filter({ hasText: 'To come back for' });
  await tasks.getByText('Come back for something, or leave it to the client').click();
  await tasks.getByText('the client does it', { exact: true }).click();
  await tasks.getByLabel('What', { exact: true }).fill('Water the young tree');
  await tasks.getByLabel('On', { exact: true }).fill(soon);
  await tasks.getByRole('button', { name: 'Set it' }).click();
  await expect(tasks.getByText(/^Say how it is done/)).toBeVisible();
  await tasks.getByLabel('How it is done').fill('Two cans at its foot, slowly, in the evening.');
  await tasks.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText(/^Left to the client: Water the young tree/)).toBeVisible();
  const row = tasks.getByRole('listitem').filter({ hasText: 'Water the young tree' });
  await expect(row).toContainText('left to the client');

  await page.getByRole('button', { name: 'Make an address' }).click();
  const address = await page.getByLabel('The client opens').inputValue();
  const context = await browser.newContext({ baseURL, viewport: { width: 390, height: 844 }, isMobile: true });
  const client = await context.newPage();
  await client.goto(address);
  await expect(client.getByRole('heading', { level: 1 })).toHaveText('Church green');
  await expect(client.getByText('Two cans at its foot, slowly, in the evening.')).toBeVisible();
  await client.getByRole('button', { name: 'It is done: Water the young tree' }).click();
  await client.getByRole('button', { name: 'Say that it is done' }).click();
  await expect(client.getByText('Write your name.')).toBeVisible();
  await client.getByLabel('Your name').fill('J. Harbottle');
  await client.getByRole('button', { name: 'Say that it is done' }).click();
  await expect(client.getByText('Water the young tree, says J. Harbottle')).toBeVisible();
  expect(await client.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  const feed = await client.request.get(
    (await client.getByRole('link', { name: 'Follow it in a calendar' }).getAttribute('href'))!,
  );
  expect(await feed.text()).toContain('Water the young tree');
  await context.close();

  await page.reload();
  await expect(row).toContainText('done, says J. Harbottle');
  await row.getByRole('button', { name: 'Open again: Water the young tree' }).click();
  await expect(page.getByText('Open again: Water the young tree.')).toBeVisible();
  await page.goto('/');
  const today = page.getByRole('main').locator('section').filter({ hasText: 'At places, without a plan' });
  await today.getByRole('button', { name: 'Leave out: Water the young tree' }).click();
  await expect(today.getByText('Water the young tree')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(today.getByText('Water the young tree')).toBeVisible();
  await today.getByRole('button', { name: 'Done: Water the young tree' }).click();
  await expect(page.getByText('Done: Water the young tree.')).toBeVisible();
});
