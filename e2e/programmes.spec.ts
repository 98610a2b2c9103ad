import { dayAfter } from '@/lib/calendar/days';
import { expect, phone, signIn, TECHNICIAN, test } from './hands';

const ORCHARD = 'Apples and pears through the year';

test('a programme over chosen trees: slips are told, the preview says what it takes, one press plans it, and it ends with a reason', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/schedule');
  await page.getByRole('link', { name: 'all programmes' }).click();
  await page.getByRole('link', { name: ORCHARD }).first().click();
  const main = page.getByRole('main');
  await expect(main).toContainText('from green tip to fruit set');
  await main.getByLabel('Place').selectOption({ label: 'Ferry orchard' });
  await main.getByRole('button', { name: 'Choose its trees' }).click();

  // A range that runs backwards is told, and nothing is worked out.
  await main.getByLabel(/^Only these tags/).fill('9-1');
  await main.getByRole('button', { name: 'Show what it would mean' }).click();
  await expect(main.getByRole('alert')).toContainText('“9-1” runs backwards.');
  await expect(main.getByRole('heading', { name: /What it would mean/ })).toHaveCount(0);

  await main.getByLabel(/^Only these tags/).fill('1-3');
  await main.getByLabel('Without these tags').fill('2');
  await main.getByRole('button', { name: 'Show what it would mean' }).click();
  await expect(main.getByRole('heading', { name: 'What it would mean for 2 trees' })).toBeVisible();
  const visits = main.getByRole('region', { name: 'Visits of the programme' });
  await expect(visits.getByRole('row').filter({ hasText: 'Scab cover' }).first()).toContainText(/label/i);
  await expect(visits.getByRole('row').filter({ hasText: 'Summer cover' }).first()).toContainText('waits for a look');
  await main.getByText('Tree by tree').click();
  await expect(main.getByRole('region', { name: 'Visits tree by tree' }).getByRole('rowheader')).toHaveText([
    /^001/,
    /^003/,
  ]);
  const assigning = page.url();

  await main.getByRole('button', { name: 'Lay it over these 2 trees' }).click();
  await expect(page.getByText(/^Laid: \d+ visits are planned/)).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(`${ORCHARD}, Ferry orchard`);
  const assignment = page.url();

  // Laid once is laid: the same again is told before anybody presses.
  await page.goto(assigning);
  await expect(main.getByRole('alert')).toContainText('2 of them have this programme already');
  await expect(main.getByRole('button', { name: /Lay it over/ })).toHaveCount(0);

  // It stands with its tree, and on the year of its place.
  await page.goto(assignment);
  const cover = main
    .getByRole('row')
    .filter({ hasText: /^Scab cover, planned/ })
    .first();
  await cover.getByText(/trees?$/).click();
  await cover.getByRole('link').first().click();
  await expect(page).toHaveURL(/\/treat\?plan=/);
  await page.goto(assignment);

  // Moved by hand: what that breaks is told, and a day that is free takes it with its reason.
  await cover.getByText(/trees?$/).click();
  const to = cover.getByLabel('Move to');
  const day = await to.inputValue();
  await to.fill('2020-01-01');
  await cover.getByLabel('Why').fill('A wedding in the orchard.');
  await cover.getByRole('button', { name: /^Move/ }).click();
  await expect(cover.getByText('This day has passed; give today or a day to come.')).toBeVisible();
  await to.fill(dayAfter(day, 2, 'days'));
  await cover.getByRole('button', { name: /^Move/ }).click();
  await expect(page.getByText(/^Moved/)).toBeVisible();
  await expect(
    main.getByRole('row').filter({ hasText: 'moved by hand: A wedding in the orchard.' }).first(),
  ).toBeVisible();

  await page.getByText('End it early').click();
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await expect(page.getByText('Say why it ends.')).toBeVisible();
  await page.getByLabel('Why it ends').fill('Laid to try it.');
  await page.getByRole('button', { name: 'End it', exact: true }).click();
  await expect(main.getByText(/Ended on .*Laid to try it\./)).toBeVisible();
  await page.goto(assigning);
  await expect(main.getByRole('button', { name: 'Lay it over these 2 trees' })).toBeVisible();
});

test('a programme of one’s own: copied, a fault told at its step, kept, and laid no more', async ({ page }) => {
  await signIn(page);
  await page.goto('/schedule/programmes/winter-guards');
  await page.getByRole('link', { name: 'Copy and change it' }).click();
  const main = page.getByRole('main');
  await main.getByLabel('Name', { exact: true }).first().fill('Guards of the harbour');
  const walk = main.getByRole('listitem').filter({ hasText: 'Walk the guards' }).first();
  await walk.getByText('Walk the guards').click();
  await walk.getByLabel('Name', { exact: true }).fill('x');
  await main.getByRole('button', { name: 'Keep this programme' }).click();
  await expect(main.getByText('Say it in three characters at least.')).toBeVisible();
  await main.getByRole('listitem').nth(1).getByLabel('Name', { exact: true }).fill('Walk them after snow');
  await main.getByRole('button', { name: 'Keep this programme' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Guards of the harbour');
  await expect(main).toContainText('Walk them after snow');
  await page.goto('/schedule/programmes');
  await expect(main.getByRole('link', { name: /Guards of the harbour/ })).toBeVisible();
  await main.getByRole('link', { name: /Guards of the harbour/ }).click();
  await page.getByRole('link', { name: 'Change it' }).click();
  await main.getByRole('button', { name: 'Lay it no more' }).click();
  await expect(page).toHaveURL(/\/schedule\/programmes$/);
  await expect(main.getByRole('link', { name: /Guards of the harbour/ })).toHaveCount(0);
});

test('on a phone, one who may not prescribe reads a programme and is told who lays it', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL, TECHNICIAN);
  await page.goto('/schedule/programmes/caterpillars');
  const main = page.getByRole('main');
  await expect(main).toContainText('only if young larvae feed');
  await expect(main.getByRole('button', { name: /Choose its trees|Lay it/ })).toHaveCount(0);
  const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(wide).toBeLessThanOrEqual(0);
});
