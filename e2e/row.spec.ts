import { randomUUID } from 'node:crypto';
import { newMark } from './clock';
import { plantDrenches, send } from './planting';
import { ALL_WELL, expect, phone, signIn, test } from './hands';

test('a row is done from one mix: asked once, ticked off tree by tree, written in one go, and what was not done waits on', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL);
  await page.goto('/jobs');
  const main = page.getByRole('main');
  const ravine = main.locator('section').filter({ has: page.getByRole('heading', { name: 'Well field ravine' }) });
  const go = ravine.getByRole('link', { name: /^\d+ trees in one go/ });
  const count = Number(/^(\d+)/.exec(await go.innerText())![1]);
  await go.click();
  await expect(main.getByRole('heading', { level: 1 })).toHaveText(new RegExp(`^${count} trees in one go`));
  await main.getByRole('button', { name: 'All on: go on' }).click();

  // What stands against it is asked of the server once the air is known; nothing starts before it has answered.
  const strip = main.getByRole('list', { name: 'In the row' });
  await expect(strip.getByRole('listitem')).toHaveCount(count);
  const start = main.locator('[data-confirm]').filter({ hasNotText: /Asking|Answer|reason/ });
  // An answer may open another question, and a hold its reason: said until nothing stands open any more.
  await expect(async () => {
    const well = main.getByRole('button', { name: ALL_WELL });
    if (await well.count()) await well.click();
    for (const question of await main.locator('[data-confirm]').filter({ hasText: 'Answer the question' }).all()) {
      await question.click();
      const asked = main.locator('.border-sap').filter({ has: page.getByRole('radio') });
      for (const q of await asked.all()) await q.getByRole('radio').first().check({ force: true });
    }
    for (const reason of await main.getByRole('textbox', { name: /go on because$/ }).all())
      await reason.fill('Seen at the trees, and agreed.');
    await expect(start).toBeVisible({ timeout: 2500 });
  }).toPass({ timeout: 45_000 });
  const before = await strip.getByRole('checkbox').count();
  await start.click();

  const done = main.getByRole('list', { name: 'Done' });
  const first = done.getByRole('checkbox').first();
  const tag = (await first.getAttribute('aria-label'))!.split(' ')[0]!;
  await first.check();
  await main.getByRole('button', { name: 'Finished' }).click();
  // One of them is written; its share is what was planned for it.
  await expect(main.getByRole('heading', { level: 2 }).first()).toHaveText(`1 of ${before} as it was done`);
  const total = main.getByLabel(/^Product used on all of them/);
  const planned = await total.inputValue();
  await total.fill('much');
  await main.getByRole('button', { name: 'Write 1 record' }).click();
  await expect(main.getByText(/The amount used/).first()).toBeVisible();
  await total.fill(planned);
  await main.getByLabel(/^Why, where it went otherwise/).fill('Done as planned; what nobody could say is said here.');
  await main.getByRole('button', { name: 'Write 1 record' }).click();
  await expect(page.getByText('1 record is written.')).toBeVisible();
  await expect(page).toHaveURL(/\/jobs\?place=/);
  await page.goto('/records');
  await expect(main.getByRole('listitem').filter({ hasText: tag }).first()).toBeVisible();
  // The other one waits on; the one that is written does not.
  await page.goto('/jobs');
  const drench = ravine.getByRole('listitem').filter({ hasText: 'Soil drench' });
  await expect(drench.first()).toBeVisible();
  await expect(drench.filter({ hasText: tag })).toHaveCount(0);
  await page.context().close();
});

test('a tree that was measured again asks which dose is given, before any amount is shown', async ({ page }) => {
  await signIn(page);
  const { trees } = await plantDrenches(page, `Dose walk ${newMark()}`, [100, 110]);
  await send(page, 'measure-tree', {
    id: randomUUID(),
    treeId: trees['R1'],
    stems: [{ kind: 'girth', value: '60', unit: 'cm' }],
    atHeight: '130',
    atHeightUnit: 'cm',
    height: '',
    heightUnit: 'm',
    crownWidth: '',
    crownBase: '',
    flares: [],
    grain: '',
    obstacles: '',
    arcs: [],
    method: 'tape',
  });
  await page.goto(`/trees/${trees['R1']}/treat`);
  await page.getByRole('button', { name: /^All on/ }).click();
  const question = page.getByRole('region', { name: 'Dose changed' });
  await expect(question).toContainText(/girth 60\.0 cm, planned at 100\.0 cm/);
  await expect(page.getByText('Fill with water to')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Choose the dose first' })).toBeVisible();
  await question.getByRole('button', { name: 'Keep planned dose' }).click();
  await expect(page.getByRole('button', { name: 'Give the reason first' })).toBeVisible();
  await question.getByRole('button', { name: 'Use newest dose' }).click();
  await expect(page.getByText('Fill with water to')).toBeVisible();
  // The one that was not measured again is asked nothing.
  await page.goto(`/trees/${trees['R2']}/treat`);
  await page.getByRole('button', { name: /^All on/ }).click();
  await expect(page.getByText('Fill with water to')).toBeVisible();
  await expect(question).toHaveCount(0);
});
