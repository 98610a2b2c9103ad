import type { Page } from '@playwright/test';
import { choose, expect, findTree, OFFICE, openTree, phone, signIn, TECHNICIAN, test } from './hands';

/** Every touch and key of a practised hand, counted. */
function touches(page: Page) {
  let n = 0;
  return {
    tap: async (name: string | RegExp, within = page.getByRole('main')) => {
      n++;
      await within.getByRole('button', { name }).filter({ visible: true }).first().click();
    },
    radio: async (name: string) => {
      n++;
      await choose(page.getByRole('radio', { name, exact: true }).first());
    },
    get count() {
      return n;
    },
  };
}

/** Grades a sign in the list at the desk, by its key. */
async function grade(page: Page, words: string, key: string) {
  await page.getByRole('group', { name: words }).getByRole('radio', { name: 'not looked' }).focus();
  await page.keyboard.press(key);
}

test('one tree on a phone: under two minutes and 25 touches, from the key to the kept look', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL);
  const id = await findTree(page, '409', 'well');
  await page.goto(`/trees/${id}/inspect`);
  const began = performance.now();
  const hand = touches(page);
  const walk = page.getByRole('region', { name: 'Walk' });
  // From the ground up: nothing at the ground, the collar, the trunk, the bark, the branches, the crown; wool on the shoots.
  for (const place of ['ground', 'collar', 'trunk', 'bark', 'branches', 'crown']) {
    await expect(walk.locator('[aria-current=step]')).toContainText(new RegExp(place, 'i'));
    await hand.tap(/^Nothing else here/, walk);
  }
  // Hooked tips are asked first, and are not there.
  await hand.tap('absent', walk);
  await expect(walk.getByText('White wool at the base of needles, underside')).toBeVisible();
  await hand.tap('much', walk);
  await hand.tap(/^Nothing else here/, walk);
  // The next look is answered with one touch, and the balance follows.
  const next = page.getByRole('region', { name: 'Next look' });
  if (await next.getByRole('button', { name: 'Wax, soft bodies below' }).isVisible())
    await hand.tap('Wax, soft bodies below', next);
  await expect(
    page.getByRole('figure', { name: 'The balance of evidence' }).getByText(/Hemlock woolly adelgid/),
  ).toBeVisible();
  await hand.tap(/five more/);
  await hand.radio('fair');
  await hand.radio('moist');
  await hand.tap('Keep this look');
  await page.waitForURL(/diagnose/);
  expect(performance.now() - began).toBeLessThan(120_000);
  expect(hand.count).toBeLessThanOrEqual(25);
  await expect(page.getByText(/Hemlock woolly adelgid/).first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await page.context().close();
});

test('the phone sleeps: what was graded is there when it wakes; the next tree is one thumb away', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL);
  const id = await findTree(page, '408', 'well');
  await page.goto(`/trees/${id}/inspect`);
  const walk = page.getByRole('region', { name: 'Walk' });
  await walk.getByRole('button', { name: '2: some' }).click();
  await expect(walk.getByRole('button', { name: /^Take back/ })).toBeVisible();
  await page.reload();
  await expect(walk.getByRole('button', { name: /^Take back/ })).toBeVisible();
  await page.getByRole('link', { name: 'Next tree' }).filter({ visible: true }).click();
  await page.waitForURL((u) => u.pathname.endsWith('/inspect') && !u.pathname.includes(id));
  await page.context().close();
});

test('one tree by keyboard: under two minutes and 25 keys', async ({ page }) => {
  await signIn(page);
  const id = await openTree(page, '413', 'well');
  const began = performance.now();
  let keys = 0;
  const press = async (key: string) => {
    keys++;
    await page.keyboard.press(key);
  };
  await press('i');
  await page.waitForURL(/inspect/);
  await page.getByRole('region', { name: 'Next look' }).waitFor();
  await press('s');
  const focused = () =>
    page.evaluate(() => document.activeElement?.closest<HTMLElement>('fieldset[data-sign]')?.dataset);
  await expect.poll(async () => (await focused())?.place).toBe('ground');
  // Nothing at six places, hooked tips absent, wool plain to see, nothing else on the shoots.
  for (const next of ['collar', 'trunk', 'bark', 'branches', 'crown', 'shoots']) {
    await press('x');
    await expect.poll(async () => (await focused())?.place).toBe(next);
  }
  await press('0');
  await expect.poll(async () => (await focused())?.sign).toBe('wool-needle-base');
  await press('4');
  await press('x');
  await press('Alt+1');
  await press('Control+Enter');
  await page.waitForURL(/diagnose/);
  expect(performance.now() - began).toBeLessThan(120_000);
  expect(keys).toBeLessThanOrEqual(25);
  await expect(
    page.getByRole('region', { name: 'The decision' }).getByText('Hemlock woolly adelgid').first(),
  ).toBeVisible();
  expect(id).toHaveLength(36);
});

test('by keyboard at the desk: grades go down the list, the next look is answered, the row is examined as a batch', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '203', 'hospital');
  await page.goto(`/trees/${id}/inspect`);
  const row = (words: string) => page.getByRole('group', { name: words });
  await row('Soil dry a finger deep').getByRole('radio', { name: 'not looked' }).focus();
  await page.keyboard.press('2');
  await page.keyboard.press('0');
  await expect(row('Soil dry a finger deep').getByRole('radio', { name: 'some' })).toBeChecked();
  await expect(row('Soil hard as a road; a probe will not go in').getByRole('radio', { name: 'absent' })).toBeChecked();
  const question = page.getByRole('region', { name: 'Next look' }).locator('p').nth(1);
  const asked = await question.textContent();
  await page.keyboard.press('Alt+1');
  await expect(question).not.toHaveText(asked!);
  // The next limes of the row look the same, but one of them is not dry.
  await page.getByText('The same look for trees further down the row').click();
  await page.getByLabel('205 looks the same').check();
  await page.getByLabel('207 looks the same').check();
  await page.getByLabel('What differs on 207').selectOption({ label: 'Soil dry a finger deep: absent' });
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+Enter');
  await page.waitForURL(/diagnose/);
  for (const [tag, grade] of [
    ['205', '2'],
    ['207', 'absent'],
  ] as const) {
    const other = await findTree(page, tag, 'hospital');
    await page.goto(`/trees/${other}/inspect`);
    const dry = page.getByRole('group', { name: 'Soil dry a finger deep' });
    await expect(dry.getByText(grade === '2' ? 'last some' : 'last absent')).toBeVisible();
  }
});

test('what digging finds waits for the client; bad numbers are told in place and lose nothing', async ({ page }) => {
  await signIn(page);
  const id = await findTree(page, '310', 'school');
  await page.goto(`/trees/${id}/inspect`);
  await grade(page, 'Root lying across the trunk', '3');
  await page.getByLabel('What changes').fill('Cut one root now, the second in autumn');
  await page.getByLabel('Price of it').fill('a lot');
  await page.getByLabel(/^Crown loss/).fill('140');
  await page.getByRole('button', { name: 'Keep this look' }).click();
  await expect(page.getByText('Crown loss cannot be more than 100 %')).toBeVisible();
  await expect(page.getByText('The price must be a plain number')).toBeVisible();
  await expect(page.getByLabel('What changes')).toHaveValue('Cut one root now, the second in autumn');
  await page.getByText('Bark loss, main roots, and what stands within its reach').click();
  await page.getByRole('button', { name: 'Add an arc of bare bark' }).click();
  await page.getByRole('button', { name: 'Arc 1, to: 15 degrees on' }).click();
  await expect(page.getByText('17 %')).toBeVisible();
  await page.getByRole('button', { name: 'Add a main root' }).click();
  await page.getByRole('button', { name: 'decayed' }).click();
  await page.getByLabel('Price of it').fill('185');
  await page.getByLabel(/^Crown loss/).fill('20');
  await page.getByRole('button', { name: 'Keep this look' }).click();
  await page.waitForURL(/diagnose/);
  await expect(page.getByText(/1 of 1 main roots are decayed.*qualified risk assessor/)).toBeVisible();
  await page.goto(`/trees/${id}`);
  await expect(page.getByText('Cut one root now, the second in autumn')).toBeVisible();
  await page.getByRole('button', { name: 'The client agrees' }).first().click();
  await expect(page.getByText('Say who agreed, and how.')).toBeVisible();
  await page.getByLabel('Who answered, and how').first().fill('Caretaker, by phone');
  await page.getByRole('button', { name: 'The client agrees' }).first().click();
  await expect(page.getByText('approved, Caretaker, by phone')).toBeVisible();
});

test('a decision: proposed with reasons, printed for the client, overturned later and kept in the chain', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '425', 'well');
  await page.goto(`/trees/${id}/diagnose`);
  const sheet = page.getByRole('region', { name: 'The decision' });
  await expect(sheet.getByText('Hemlock woolly adelgid').first()).toBeVisible();
  await expect(sheet.getByText('What does not work:')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Look-alikes side by side' }).getByRole('row')).not.toHaveCount(0);
  await page.getByRole('link', { name: 'One page for the client' }).click();
  // The letter speaks from what was decided: sure in words, and no list of what might be done.
  await expect(
    page.getByRole('heading', { name: /What it is, and how sure we are|What we saw/ }).first(),
  ).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What can be done' })).toHaveCount(0);
  await page.goto(`/trees/${id}/diagnose`);
  await page.getByLabel('or one of the others:').selectOption('spruce-mite');
  await page.waitForURL(/name=spruce-mite/);
  await choose(page.getByRole('radio', { name: /^possible/ }));
  await choose(page.getByRole('radio', { name: 'test first' }));
  await page.getByLabel(/^Why, in a sentence/).fill('Second opinion wants a beat test.');
  // The earlier name stays open beside the new one unless somebody says that it was wrong.
  await page.getByLabel(/^Hemlock woolly adelgid .*was wrong$/).check();
  await page.getByRole('button', { name: 'Keep this decision' }).click();
  await page.waitForURL(new RegExp(`/trees/${id}$`));
  await expect(page.getByText(/It was wrong: spruce spider mite took its place/)).toBeVisible();
  await page.goto('/records/overturned');
  await expect(page.getByText('Hemlock woolly adelgid → Spruce spider mite')).toBeVisible();
});

test('doubt: no effect is asked about, too early is said to be too early, and the answer stands on the tree', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '401', 'well');
  await page.goto(`/trees/${id}/inspect`);
  await page.getByText('This look checks an earlier treatment').click();
  await page.getByLabel('Which one').selectOption({ index: 1 });
  await choose(page.getByRole('radio', { name: 'no effect' }));
  for (const ask of [/both leaf sides/, /in its window/, /rain-free hours/, /Did the tree drink/])
    await choose(page.getByRole('group', { name: ask }).getByRole('radio', { name: 'yes' }));
  await grade(page, 'White wool at the base of needles, underside', '4');
  await page.getByRole('button', { name: 'Keep this look' }).click();
  await page.waitForURL(/diagnose/);
  const checked = page.getByRole('complementary', { name: 'Margin' });
  await expect(checked.getByText(/Properly applied, looked at in time|Too early to tell/)).toBeVisible();
  await page.goto(`/trees/${id}`);
  await expect(page.getByText(/Check of .*:/)).toBeVisible();
});

test('the guide: searched, corrected by an arborist, and refused what would leave a gap', async ({ page }) => {
  await signIn(page);
  await page.goto('/guide');
  await page.getByLabel('A word: a sign, a pest, a host').fill('black film');
  await page.getByRole('button', { name: 'Find', exact: true }).click();
  await page.getByRole('link', { name: /^Black \(sooty\) mould/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Black (sooty) mould' })).toBeVisible();
  await page.getByLabel('Sign', { exact: true }).selectOption({ label: 'Dead twigs through the crown (branches)' });
  await page.getByLabel('How often here').selectOption('rare');
  await page.getByRole('button', { name: 'Keep our word on it' }).click();
  await expect(page.getByText('Say what it rests on.')).toBeVisible();
  await page.getByLabel('From what we saw').fill('Forty limes at the hospital');
  await page.getByRole('button', { name: 'Keep our word on it' }).click();
  await expect(page.getByText('Kept. The ranking uses it from now on.')).toBeVisible();
  await page.goto('/guide/new?what=condition');
  await expect(page.getByText('Black (sooty) mould: Dead twigs through the crown, rare')).toBeVisible();
  // An entry as somebody sent it: what is no JSON says so, what has a fault says where.
  await page.getByText('The whole entry, as JSON').click();
  const json = page.getByLabel('With its life, enemies and winters under “beside”');
  await json.fill('{');
  await page.getByRole('button', { name: 'Take it over into the fields' }).click();
  await expect(page.getByText('This is not JSON.')).toBeVisible();
  await json.fill('{"name": "Hunch", "actFrom": 9, "policy": "pray"}');
  await page.getByRole('button', { name: 'Take it over into the fields' }).click();
  await expect(page.getByLabel('What it is called')).toHaveValue('Hunch');
  await page.getByLabel('What it rests on').fill('A hunch');
  await page.getByRole('button', { name: 'Check and keep it' }).click();
  await expect(page.getByLabel('Once it is sure')).toHaveAttribute('aria-invalid', 'true');
  await expect(page.getByLabel('What the client is told')).toHaveAttribute('aria-invalid', 'true');
  await page.goto('/guide?table=black-on-pear');
  await expect(page.getByRole('cell', { name: 'Wipes off, green below' })).toBeVisible();
  await page.goto('/guide/no-such-thing');
  await expect(page.getByText(/not here|no such|nothing/i).first()).toBeVisible();
});

test('a practice round by a technician: looks cost minutes, the score comes from the server, the way is shown', async ({
  page,
}) => {
  await signIn(page, TECHNICIAN);
  await page.goto('/practice?level=1&seed=3');
  await page.getByRole('button', { name: 'That is my answer' }).click();
  await expect(page.getByText('Name what it is.')).toBeVisible();
  await page.getByRole('button', { name: /^tests$/i }).click();
  await page.getByRole('list', { name: 'Looks to ask for' }).getByRole('button').first().click();
  await expect(page.getByRole('region', { name: 'What you found' }).getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('It is').selectOption({ label: 'Thirst' });
  await choose(page.getByRole('radio', { name: 'leave it alone' }));
  await page.getByRole('button', { name: 'That is my answer' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('of 100');
  await expect(page.getByRole('heading', { name: 'The engine’s way' })).toBeVisible();
  await page.goto('/practice');
  await expect(page.getByRole('complementary', { name: 'Tag' }).getByText('Rounds done').locator('..')).toContainText(
    '1',
  );
});

test('the office sees the spread and may not examine', async ({ page }) => {
  await signIn(page, OFFICE);
  await page.goto('/trees');
  await page
    .getByRole('link', { name: /Quay Avenue/ })
    .first()
    .click();
  await page.getByRole('link', { name: 'How a finding has spread' }).click();
  await page.getByRole('link', { name: /Chewed, holes between veins/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Chewed, holes between veins' })).toBeVisible();
  await expect(page.getByRole('img', { name: /Plan of the place.*grade 3/ })).toBeVisible();
  const id = await findTree(page, '104');
  await page.goto(`/trees/${id}/inspect`);
  await expect(page.getByText(/To examine takes/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep this look' })).toBeDisabled();
});

test('what others put on a tree and a sample sent stand on it; a bad number and a day to come are told', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '417', 'well');
  await page.goto(`/trees/${id}`);
  await page.getByText('Somebody else put something on it').click();
  const others = page.locator('details').filter({ hasText: 'Somebody else put something on it' });
  await others.getByLabel('Active').fill('Imidacloprid');
  await others.getByLabel('Grams of it').fill('a cup');
  await others.getByLabel('By whom').fill('The neighbour');
  await others.getByRole('button', { name: 'Note it' }).click();
  await expect(others.getByText('The grams must be a plain number')).toBeVisible();
  await others.getByLabel('Grams of it').fill('4');
  await others.getByRole('button', { name: 'Note it' }).click();
  // As the place keeps it, so that it counts against the caps of every label that names the active.
  await expect(page.getByRole('main').getByText(/imidacloprid, by The neighbour/)).toBeVisible();
  await page.getByText('A sample or photo was sent').click();
  const sample = page.locator('details').filter({ hasText: 'A sample or photo was sent' });
  await sample.getByLabel('What was sent').fill('Leaves in a bag');
  await sample.getByLabel('To whom').fill('A colleague');
  await sample.getByLabel('Day').fill('2199-01-01');
  await sample.getByRole('button', { name: 'Note it' }).click();
  await expect(sample.getByText('That day has not come yet.')).toBeVisible();
  await sample.getByLabel('Day').fill('2026-06-01');
  await sample.getByRole('button', { name: 'Note it' }).click();
  await expect(page.getByText(/Leaves in a bag, to A colleague/)).toBeVisible();
});
