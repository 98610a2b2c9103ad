import { ALL_WELL, expect, OWNER, signIn, signInByHand, test } from './hands';
import { crewOfOne, plantDrenches } from './planting';
import { newMark } from './clock';

test('a whole day on a phone: put together, loaded, mixed, drenched by strip, rain, a refusal, the rest of the mix, home', async ({
  page,
  browser,
  baseURL,
}) => {
  test.setTimeout(120_000);
  const mark = newMark();
  const place = `Long row ${mark}`;
  await signIn(page, OWNER);
  await plantDrenches(page, place, [94, 104, 110, 120, 131]);
  const who = await crewOfOne(page, `Ferrer ${mark}`);

  // The evening before: what goes on which day, by hand.
  await page.goto('/jobs/new');
  await page.getByRole('checkbox', { name: place }).check();
  await page.getByRole('combobox', { name: 'Crew' }).selectOption({ label: `Crew Ferrer ${mark}` });
  await page.getByRole('button', { name: 'Put 5 on this day' }).click();
  const anyway = page.getByRole('button', { name: 'Put it there all the same' });
  await expect(anyway.or(page.getByRole('heading', { level: 1, name: `Crew Ferrer ${mark},` }))).toBeVisible();
  if (await anyway.isVisible()) await anyway.click();
  await expect(page).toHaveURL(/\/jobs\/day\//);
  const round = page.url();

  const context = await browser.newContext({
    serviceWorkers: 'allow',
    baseURL,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
  });
  const phone = await context.newPage();
  await signInByHand(phone, who.email, who.password);
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('today');
  await phone.goto(round);
  const main = phone.getByRole('main');
  const load = main.getByRole('region', { name: 'Load sheet' });
  const product = load.getByRole('checkbox', { name: /^Training label 1/ });
  await product.check();
  await expect(phone.getByRole('button', { name: /^Load sheet, 1 of/ })).toBeVisible();
  await load.getByRole('button', { name: /seen *: Always/ }).click();
  await expect(phone.getByRole('button', { name: /^Load sheet, 8 of/ })).toBeVisible();

  // One mix for all five, read off the figure.
  await main.getByRole('link', { name: /^Mix Training label 1.* for 5 trees/ }).click();
  await main.getByRole('combobox', { name: 'Mixed in' }).selectOption({ label: '200 L barrow sprayer, 200 L' });
  await expect(main.getByRole('img', { name: /water to .*, then the product, then fill up to/ })).toBeVisible();
  await main.getByRole('button', { name: 'Mixed' }).click();
  await expect(main.getByRole('heading', { level: 1 })).toHaveText(/^Mix [2-9A-Z]{5}: Training label 1/);
  const code = /^Mix (\S+):/.exec(await main.getByRole('heading', { level: 1 }).innerText())![1]!;

  await phone.goto(round);
  await main.getByRole('button', { name: 'Set out' }).click();
  await expect(main.getByText('Next', { exact: true })).toBeVisible();
  const stop = main.getByRole('region', { name: place });
  // One tree is refused by its owner: two touches, and back again by Undo.
  const leave = async (tag: string, why: string) => {
    await stop.getByRole('button', { name: `Leave it ${tag}` }).click();
    await stop
      .getByRole('group', { name: `Why ${tag} is left` })
      .getByRole('button', { name: why })
      .click();
  };
  await leave('R5', 'Rain');
  await expect(stop.getByRole('listitem')).toHaveCount(4);
  await phone.getByRole('button', { name: 'Undo' }).click();
  await expect(phone.getByText('Undone.')).toBeVisible();
  await phone.reload();
  await expect(stop.getByRole('listitem')).toHaveCount(5);
  await leave('R5', 'Owner said no');
  await expect(main.getByText(/it was not wanted/)).toBeVisible();

  // The row of the others, from the mix.
  await stop.getByRole('link', { name: /^4 trees in one go/ }).click();
  await expect(main.getByRole('heading', { level: 1 })).toHaveText(/^5 trees in one go/);
  await main.getByRole('button', { name: 'All on: go on' }).click();
  const strip = main.getByRole('list', { name: 'In the row' });
  await strip.getByRole('checkbox', { name: 'R5 is in the row' }).uncheck();
  const start = main.locator('[data-confirm]').filter({ hasNotText: /Asking|Answer|reason/ });
  await expect(async () => {
    const well = main.getByRole('button', { name: ALL_WELL });
    if (await well.count()) await well.click();
    for (const reason of await main.getByRole('textbox', { name: /go on because$/ }).all())
      await reason.fill('Seen at the trees, and agreed.');
    await expect(start).toBeVisible({ timeout: 2500 });
  }).toPass({ timeout: 45_000 });
  await start.click();
  const done = main.getByRole('list', { name: 'Done' });
  for (const tag of ['R1', 'R2', 'R3']) await done.getByRole('checkbox', { name: `${tag} is done` }).check();
  // Rain: the fourth one waits.
  await main.getByRole('button', { name: 'Finished' }).click();
  await expect(main.getByRole('combobox', { name: 'From' }).locator('option:checked')).toHaveText(
    new RegExp(`^Mix ${code}`),
  );
  await main.getByLabel(/^Why, where it went otherwise/).fill('Planned by the count of last summer.');
  await main.getByRole('button', { name: 'Write 3 records' }).click();
  await expect(phone.getByText('3 records are written.')).toBeVisible();

  // Home: nothing is closed over what is still open.
  await phone.goto(round);
  await main.getByRole('link', { name: 'Home: close the day' }).click();
  const open = main.getByRole('region', { name: 'Still open' });
  await expect(open.getByRole('listitem')).toHaveCount(2);
  await expect(open).toContainText('Neither done nor left with a reason: R4.');
  await open.getByRole('listitem').filter({ hasText: 'R4' }).getByRole('link', { name: 'There' }).click();
  // From the sheet of the tree itself, as somebody stands before it.
  await stop.getByRole('link', { name: /^R4/ }).click();
  await main.getByRole('button', { name: 'It cannot be done now' }).click();
  await main.getByRole('group', { name: 'Why R4 is left' }).getByRole('button', { name: 'Rain' }).click();
  await expect(phone.getByText('R4 is left for another day.')).toBeVisible();
  await phone.goto(`${round}/finish`);
  await open.getByRole('link', { name: 'There' }).click();
  await main.getByRole('button', { name: 'It is handed in' }).click();
  await main.getByRole('button', { name: 'Write it' }).click();
  await expect(main.getByText(/Say where it went/)).toBeVisible();
  await main.getByLabel('To whom').fill('the waste drum of the yard');
  await main.getByRole('button', { name: 'Write it' }).click();
  await expect(phone.getByText('What became of it is written.')).toBeVisible();
  await phone.goto(`${round}/finish`);
  const message = main.getByLabel(`Message for ${place}`);
  await expect(message).toHaveValue(/Trees R1–R3: soil drench with Training label 1/);
  await expect(message).toHaveValue(/R4: not done, as it rained/);
  await main.getByRole('button', { name: 'Close the day' }).click();
  await expect(main.getByText('Say where the rinse water went.')).toBeVisible();
  await main.getByText('handed in', { exact: true }).click();
  await main.getByRole('button', { name: 'Close the day' }).click();
  await expect(main.getByText(/Say why the tools are not clean/)).toBeVisible();
  await main.getByRole('checkbox', { name: /disinfected$/ }).check();
  await main.getByRole('checkbox', { name: /counted back/ }).check();
  await main.getByRole('button', { name: 'Close the day' }).click();
  await expect(phone.getByText(/The day is closed, and one client is told/)).toBeVisible();
  await expect(main.getByRole('heading', { level: 1 })).toHaveText(new RegExp(`^Done: Crew Ferrer ${mark}`));
  await expect(main.getByText(/ worked$|Worked/).first()).toBeVisible();
  await context.close();

  // What was left waits with its reason, and goes onto another day in two presses.
  await page.goto(round);
  await page.getByRole('link', { name: 'Put what was left on another day' }).click();
  const left = page.getByRole('group', { name: place });
  await expect(left.getByRole('checkbox', { name: /^R4.*it rained$/ })).toBeChecked();
  await expect(left.getByRole('checkbox', { name: /^R5.*it was not wanted$/ })).toBeChecked();
  await page.goto('/records');
  await expect(page.getByRole('main').getByRole('listitem').filter({ hasText: place }).first()).toBeVisible();
});
