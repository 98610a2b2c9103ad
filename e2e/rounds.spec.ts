import { expect, OFFICE, OWNER, phone, signIn, TECHNICIAN, test } from './hands';

/** The search has ended: nothing is looked for any more. */
const settled = (main: import('@playwright/test').Locator) =>
  expect(main.getByText(/^Looking on/)).toHaveCount(0, { timeout: 60_000 });

test('a fortnight: days and crews are found, why not another day is told, one is put by hand, and the rounds are kept', async ({
  page,
}) => {
  await signIn(page, OWNER);
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Days and crews for the fortnight' }).click();
  const main = page.getByRole('main');
  await expect(main.getByRole('heading', { level: 1 })).toContainText(/\d+ jobs? in \d+ rounds?/);
  await settled(main);
  await expect(main).toContainText(/no plan is more than \d+ % better/);

  // The mulch of a sound tree has a day; every other day says what it would cost or what stands against it.
  const job = main.getByRole('button', { name: /^Trunk guard/ }).first();
  await job.click();
  await expect(main).toContainText('stands here');
  const why = main.getByLabel('Why not on');
  const days = await why.locator('option').all();
  const told = new Set<string>();
  for (let i = 0; i < days.length; i++) {
    await why.selectOption({ index: i });
    for (const row of await why.locator('xpath=ancestor::div[contains(@class,"border-l-4")]//li').allInnerTexts())
      told.add(row.replace(/\d+/g, 'n'));
  }
  expect([...told].some((t) => t.includes('does not go out'))).toBe(true);
  expect([...told].some((t) => /costs (n (min|h)|no) ?more|costs n/.test(t))).toBe(true);

  // Put on another day by hand, it stays there while the rest is worked out around it.
  for (let i = 0; i < days.length; i++) {
    await why.selectOption({ index: i });
    const put = main.getByRole('button', { name: 'Put it there' });
    if (!(await put.count())) continue;
    await put.first().click();
    break;
  }
  await settled(main);
  await expect(main.getByRole('heading', { name: /^\d+ jobs? moves?$/ })).toBeVisible();
  await expect(main.getByRole('button', { name: /^stays: ?Trunk guard/ })).toBeVisible();

  await main.getByRole('button', { name: 'Keep these rounds' }).click();
  await expect(page.getByText(/rounds? (is|are) kept/)).toBeVisible();
  await settled(main);
  // What is kept stands again, on its day; what other journeys bring meanwhile may move beside it.
  await page.reload();
  await settled(main);
  await expect(main.getByRole('button', { name: /^stays: ?Trunk guard/ })).toBeVisible();
  await main.getByRole('button', { name: 'client told' }).first().click();
  await expect(main.getByText(', client told').first()).toBeVisible();
});

test('what if one of us is ill, and who is away: rounds move, whoever is not in is not sent', async ({ page }) => {
  await signIn(page, OFFICE);
  await page.goto('/jobs/crews');
  const main = page.getByRole('main');
  await expect(main.getByRole('heading', { level: 1 })).toHaveText('Who goes out together');
  // Slips are told at their fields.
  await main.getByLabel('Name', { exact: true }).last().fill('Spare van');
  await main.getByLabel('When it works, one rule a line').last().fill('whenever');
  await main.getByRole('button', { name: 'Keep this crew' }).last().click();
  await expect(main.getByText(/Line 1: days of the week and hours are needed/)).toBeVisible();
  await main.getByLabel('When it works, one rule a line').last().fill('Mon–Sun 08:00–12:00');
  await main.getByRole('checkbox', { name: OFFICE }).last().check();
  await main.getByRole('button', { name: 'Keep this crew' }).last().click();
  await expect(main.getByRole('heading', { name: 'Spare van' })).toBeVisible();

  await main.getByLabel('Why (may stay empty)').fill('a cold');
  await main.getByLabel('Who').selectOption({ label: OFFICE });
  await main.getByRole('button', { name: 'Note it' }).click();
  await expect(main.getByText(`${OFFICE}, `)).toBeVisible();
  await page.goto('/jobs/fortnight');
  await settled(main);
  await expect(page.getByText(`${OFFICE} is away`)).toBeVisible();
  await main.getByLabel('What if').selectOption({ label: 'It rains until …' });
  await settled(main);
  await expect(main.getByLabel('Until')).toBeVisible();
  await main.getByLabel('What if').selectOption({ label: 'Spare van does not go out' });
  await settled(main);
  const first = main.getByRole('region').first();
  await expect(first).toContainText('Spare van');
  await expect(first).toContainText('not out');
  await page.goto('/jobs/crews');
  await main.getByRole('button', { name: 'Works after all' }).click();
  await expect(main.getByText('Nobody is away from today on.')).toBeVisible();
});

test('a crew member looks at the fortnight on the phone and changes nothing of it', async ({ browser, baseURL }) => {
  const page = await phone(browser, baseURL, TECHNICIAN);
  await page.goto('/jobs/fortnight');
  const main = page.getByRole('main');
  await expect(main.getByRole('heading', { level: 1 })).toContainText(/job|Nothing waits/);
  await settled(main);
  await expect(main.getByRole('button', { name: 'Keep these rounds' })).toHaveCount(0);
  const refused = await page.request.post('/api/v1/commands/save-schedule', { data: { rounds: [], locked: [] } });
  expect(JSON.stringify(await refused.json())).toContain('To plan rounds takes');
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBe(0);
});
