import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { ALL_WELL, choose, counted, expect, findTree, openTree, OWNER, phone, signIn, test } from './hands';
import { newMark } from './clock';

const main = (page: Page) => page.getByRole('main');
/** Opens the plan of a place by its name. */
async function openPlan(page: Page, place: string) {
  await page.goto('/trees');
  await main(page)
    .getByRole('link', { name: new RegExp(place) })
    .first()
    .click();
  await page.getByRole('link', { name: 'Plan of the grounds' }).click();
  await page.waitForURL(/\/map$/);
}

test('a site of the ring is stepped; a move that breaks a rule is refused with its reason', async ({ page }) => {
  await signIn(page);
  const id = await findTree(page, '102');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /Training label 2,/ }).check();
  const move = page.getByRole('group', { name: 'Move a site' });
  const before = await move.locator('output').textContent();
  const clockwise = move.getByRole('button', { name: /clockwise$/ }).last();
  for (let i = 0; i < 40 && !(await page.getByText(/Site \d+ cannot go to/).count()); i++) await clockwise.click();
  await expect(page.getByText(/Site \d+ cannot go to \d+°: .+\./)).toBeVisible();
  await expect(move.locator('output')).not.toHaveText(before!);
  await move.getByRole('button', { name: 'As placed' }).click();
  await expect(move.locator('output')).toHaveText(before!);
  // Whether the holes of coming years find room is told without opening anything; the intervals side by side, to who opens it.
  const years = main(page).getByText('Holes over the years');
  await expect(main(page).getByText(/^Every 2 years: room runs out in \d{4}, after \d+ holes\.$/)).toBeVisible();
  await years.click();
  await expect(main(page).getByRole('row', { name: /every 3 years/ })).toBeVisible();
});

test('one plan for a row: each tree by its own trunk, within 15 inputs', async ({ page }) => {
  await signIn(page);
  const id = await findTree(page, '104');
  await page.goto(`/trees/${id}/diagnose`);
  const hand = counted(page);
  await hand.press('Keep this decision');
  await page.waitForURL(/prescribe/);
  // The row is offered whole; here only one more is wanted.
  await expect(page.getByRole('button', { name: /^All \d+ like it$/ })).toBeVisible();
  await page.getByLabel('119', { exact: true }).check();
  await hand.press(ALL_WELL);
  await hand.press('Make the plan');
  await page.waitForURL(/treat/);
  await expect(page.getByText('Planned on 2 trees; they wait on Jobs.')).toBeVisible();
  expect(hand.inputs + 1).toBeLessThanOrEqual(15);
  await page.goto('/jobs');
  const amounts = new Set<string>();
  for (const tag of ['104', '119']) {
    const row = main(page)
      .getByRole('listitem')
      .filter({ hasText: new RegExp(`^${tag}`) })
      .first();
    await expect(row).toBeVisible();
    amounts.add((await row.textContent())!.match(/[\d.]+ mL/)![0]);
  }
  expect(amounts.size).toBeGreaterThan(1);
});

test('a work without a label: asked, worked out, held, planned, done, and its follow-up stands', async ({ page }) => {
  await signIn(page);
  const id = await findTree(page, '201', 'hospital');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /^Sticky band/ }).check();
  await expect(page.getByText('Wrap, cut to')).toBeVisible();
  // Bands have their months; this one is wanted now, whatever the month is.
  await page.getByRole('region', { name: 'When' }).getByText('today', { exact: true }).click();
  const plan = page.getByRole('button', { name: 'Plan this work' });
  await expect(plan).toBeDisabled();
  await page.getByLabel('Overlap of the wrap, cm').fill('much');
  await expect(page.getByText(/Overlap of the wrap must be a plain number/)).toBeVisible();
  await page.getByLabel('Overlap of the wrap, cm').fill('8');
  await page.getByLabel('Plants, walls and wires that bridge it are gone').check();
  await expect(plan).toBeDisabled();
  await page.getByLabel('On a wrap, nothing sticky on bare bark').check();
  await expect(plan).toBeEnabled();
  await plan.click();
  await page.waitForURL(/\/trees\/[0-9a-f-]{36}$/);
  await page.goto('/jobs');
  await expect(page.getByRole('complementary', { name: 'Margin' }).getByText(/Sticky paste/)).toBeVisible();
  await main(page).getByRole('link', { name: /^201/ }).first().click();
  await page.getByRole('button', { name: 'Done: Sticky band on a wrap' }).click();
  await expect(page.getByText(/Done: Sticky band.*Schedule/)).toBeVisible();
  await expect(main(page).getByText('Replace the band').first()).toBeVisible();
});

test('the plan of the grounds: drawn by number and by step, kept, and out again as GeoJSON', async ({ page }) => {
  await signIn(page);
  await openPlan(page, 'Church green');
  await page.getByRole('button', { name: 'Change the plan' }).click();
  await choose(page.getByRole('radio', { name: 'Well', exact: true }));
  await page.getByRole('button', { name: 'Put it down' }).click();
  await page.getByLabel('East, m').fill('-30');
  await page.getByLabel('North, m').fill('12.5');
  await page.getByLabel('Name').fill('Conduit');
  await page.getByRole('button', { name: 'Half a metre east' }).click();
  await page.getByRole('button', { name: 'Keep the plan' }).click();
  await expect(page.getByText('Plan kept.')).toBeVisible();
  await expect(main(page).getByRole('row', { name: /Well Conduit -29\.5 m, 12\.5 m/ })).toBeVisible();
  const href = await page.getByRole('link', { name: 'Plan as GeoJSON' }).getAttribute('href');
  const out = await page.request.get(href!);
  expect(out.headers()['content-type']).toContain('geo+json');
  const text = await out.text();
  expect(
    JSON.parse(text).features.filter((f: { properties: { kind: string } }) => f.properties.kind === 'well'),
  ).toHaveLength(1);
  // Bad input says where; the good file comes back in and is shown before it is kept.
  const file = page.getByLabel('GeoJSON file');
  await file.setInputFiles({
    name: 'x.geojson',
    mimeType: 'application/json',
    buffer: Buffer.from(
      '{"type":"FeatureCollection","features":[{"type":"Feature","geometry":{"type":"Polygon","coordinates":[[[1,2],[1,3]]]}}]}',
    ),
  });
  await expect(page.getByRole('alert').filter({ hasText: /features\.0\.geometry\.coordinates/ })).toBeVisible();
  await file.setInputFiles({ name: 'y.geojson', mimeType: 'application/json', buffer: Buffer.from(text) });
  await expect(page.getByText('Read; look it over and keep it.')).toBeVisible();
});

test('the drawn well stops a drench near it, on a phone, and the sentence says how far', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL);
  const id = await findTree(page, '401', 'ravine');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /Training label 4/ }).check();
  await page
    .getByRole('button', { name: /why|stop|hold/i })
    .first()
    .click();
  await expect(page.getByText('It would run to water').first()).toBeVisible();
  await page.context().close();
});

test('a label is entered from the paper, its issues told while typing, and doses the next tree once it is signed', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/stock/labels/new');
  await page.getByLabel('Name on the label').fill('Estuary test soap');
  await page.getByLabel('Registration number').fill('ET-1');
  await page.getByLabel('Formulation, like SL or WG').fill('SL');
  await page.getByRole('group', { name: 'Signal word' }).getByText('none', { exact: true }).click();
  await page.getByRole('group', { name: 'Harm to bees' }).getByText('none', { exact: true }).click();
  await page.getByRole('textbox', { name: 'Active 1' }).fill('potassium soap');
  await page.getByLabel('Strength').fill('510');
  await page.getByLabel('Use, as the label heads it').fill('Drench against grubs');
  await page.getByLabel('On: type to find', { exact: true }).fill('wych');
  await page.getByRole('button', { name: '+ Wych elm' }).click();
  await page.getByLabel('Against: type to find').fill('leaf beetle');
  await page.getByRole('button', { name: '+ Elm leaf beetle' }).click();
  await page.getByLabel('Rate, or its low end').fill('9');
  await page.getByLabel('For each').first().fill('1');
  await page.getByLabel('High end of the range, empty when there is one value').fill('4');
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin.getByText(/the low end of the range must be below the high end/)).toBeVisible();
  await page.getByLabel('High end of the range, empty when there is one value').fill('');
  await page.getByLabel('The label’s own sentence').fill('9 mL for each cm of diameter.');
  await page.getByLabel('Re-entry, hours').fill('4');
  await page.getByLabel('To wear, one a line').fill('Gloves');
  await expect(margin.getByText('360 mL', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL(/stock$/);
  await expect(main(page).getByRole('link', { name: 'Estuary test soap' })).toBeVisible();
  const id = await findTree(page, '116');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /Estuary test soap/ }).check();
  await expect(page.getByText('Stopped: Label not checked.')).toBeVisible();
});

test('the owner keeps the region profile; a closed season then stops a cut, and a bad line is named', async ({
  page,
}) => {
  await signIn(page, OWNER);
  await page.goto('/settings/rules');
  await expect(main(page).getByRole('row', { name: /The host is on the label’s use/ })).toBeVisible();
  const closed = page.getByLabel('Closed seasons for cutting');
  const before = await closed.inputValue();
  await closed.fill('elm 01-01');
  await page.getByRole('button', { name: 'Keep as a new version' }).click();
  await expect(page.getByText(/Line 1 should read/)).toBeVisible();
  await closed.fill('elm | 01-01 | 12-31 | diseased wood too: For the test.');
  await page.getByRole('button', { name: 'Keep as a new version' }).click();
  await expect(page.getByText(/Profile kept as version/)).toBeVisible();
  const id = await findTree(page, '102');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /^Cut diseased wood/ }).check();
  await expect(page.getByText('Stopped: Closed season.')).toBeVisible();
  await page.goto('/settings/rules');
  await page.getByLabel('Closed seasons for cutting').fill(before);
  await page.getByRole('button', { name: 'Keep as a new version' }).click();
  await expect(page.getByText(/Profile kept as version/)).toBeVisible();
});

test('an offer to the client: opened without a sign-in, answered once, kept as a PDF; another one is taken back', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page);
  const id = await findTree(page, '305', 'school');
  const make = async () => {
    await page.goto(`/trees/${id}/prescribe`);
    await page.getByText('Offer these to the client').click();
    const ways = page.locator('details').filter({ hasText: 'Make the offer' }).getByRole('checkbox');
    await ways.nth(0).check();
    await ways.nth(1).check();
    await page.getByLabel('Open for, days').fill('500');
    await page.getByRole('button', { name: 'Make the offer' }).click();
    await expect(page.getByText('The days cannot be more than 120.')).toBeVisible();
    await page.getByLabel('Open for, days').fill('14');
    await page.getByRole('button', { name: 'Make the offer' }).click();
    return (await page.locator('a[data-offer]').getAttribute('href'))!;
  };
  const first = await make();
  const client = await (await browser.newContext({ baseURL, viewport: { width: 390, height: 844 } })).newPage();
  await client.goto(first);
  await expect(client.getByRole('heading', { level: 1 })).toContainText('Tree 305');
  const send = client.getByRole('button', { name: 'Send this answer' });
  await expect(send).toBeDisabled();
  await client.getByLabel('none of these').check();
  await client.getByRole('checkbox').nth(0).check();
  await client.getByRole('checkbox').nth(1).check();
  await expect(client.getByLabel('none of these')).not.toBeChecked();
  await expect(client.getByText('Together now:')).toBeVisible();
  await send.click();
  await expect(client.getByText('Write your name.')).toBeVisible();
  await client.getByLabel('Your name').fill('Merryn Coad');
  await client.getByRole('button', { name: 'Send this answer' }).click();
  await expect(client.getByText(/Merryn Coad answered: .+, .+\. Thank you/)).toBeVisible();
  await expect(client.getByRole('button', { name: 'Send this answer' })).toHaveCount(0);
  const pdf = await client.request.get(`${new URL(first).pathname}/pdf`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-');
  await page.goto(`/trees/${id}`);
  await expect(page.getByText(/Merryn Coad took/)).toBeVisible();
  const second = await make();
  await page.goto(`/trees/${id}`);
  await page.locator('#offers').getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/Taken back; its address/)).toBeVisible();
  expect((await client.goto(second))!.status()).toBe(404);
  expect((await client.goto('/share/AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA'))!.status()).toBe(404);
});

test('the plan of a tree is one thing: steps with their price, a programme, the visits to come; taken back by Undo', async ({
  page,
}) => {
  await signIn(page);
  const id = await findTree(page, '209', 'hospital');
  await page.goto(`/trees/${id}/prescribe`);
  await page.getByRole('radio', { name: /^Sticky band/ }).check();
  await page.getByLabel('Plants, walls and wires that bridge it are gone').check();
  await page.getByLabel('On a wrap, nothing sticky on bare bark').check();
  await page.getByRole('button', { name: 'Plan this work' }).click();
  await page.waitForURL(/\/trees\/[0-9a-f-]{36}$/);
  await expect(main(page).getByText(/all methods; injections as the label has it; planned for 10 years/)).toBeVisible();
  await main(page).getByRole('link', { name: 'Its programme and its visits to come' }).click();
  await page.waitForURL(/prescribe#plan$/);
  const plan = page.locator('#plan');
  await expect(plan.getByRole('row', { name: /1\. Sticky band/ })).toBeVisible();
  await plan.getByLabel('Planned for').selectOption('3 years');
  await expect(page.getByText('Programme set; what is booked from now on follows it.')).toBeVisible();
  await expect(plan.getByRole('columnheader', { name: '3 years' })).toBeVisible();
  await plan.getByLabel('School').selectOption('organic only');
  await expect(page.getByText('Programme set; what is booked from now on follows it.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(plan.getByLabel('School')).toHaveValue('');
  await expect(plan.getByText(/All \d+ visits in 3 years/)).toBeVisible();
  // Where the ways against a trouble are not all organic-listed, it says how many the school leaves out.
  const elm = await findTree(page, '125');
  await page.goto(`/trees/${elm}/prescribe`);
  await plan.getByLabel('School').selectOption('organic only');
  await expect(page.getByText(/\d of \d+ ways are left out: their labels are not organic-listed/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByText(/ways are left out/)).toHaveCount(0);
});

test('the next version of a label: a class table, a further use, what is wrong while typing, the difference after', async ({
  page,
}) => {
  await signIn(page);
  await page.goto('/stock');
  await main(page)
    .getByRole('link', { name: /^Training label 29/ })
    .click();
  await page.getByRole('link', { name: 'Enter its next version' }).click();
  await page.waitForURL(/labels\/new/);
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await choose(page.getByRole('radio', { name: 'a table of sizes' }));
  await page.getByLabel('Rate, class 1: value, or its low end').fill('10');
  await page.getByLabel('Rate, class 1: up to, empty for no end').fill('20');
  await page.getByRole('button', { name: 'Another class of Rate' }).click();
  await page.getByLabel('Rate, class 2: value, or its low end').fill('15');
  await page.getByLabel('Rate, class 2: over').fill('12');
  await expect(margin.getByText(/classes must not overlap/)).toBeVisible();
  await page.getByLabel('Rate, class 2: over').fill('20');
  await expect(margin.getByText(/classes must not overlap/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Another use' }).click();
  await page.getByLabel('Use, as the label heads it').fill('Painted on young trunks');
  await expect(margin.getByRole('button', { name: 'use 2' })).toBeVisible();
  await page.getByLabel('The label’s own sentence').fill('As in the table.');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL(/stock$/);
  await main(page)
    .getByRole('link', { name: /^Training label 29/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Changed since version 1' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /Painted on young trunks/ })).toBeVisible();
});

test('an avenue of 41 like trees as one plan, each dosed by its own trunk: at most 25 inputs from the decision on', async ({
  page,
}) => {
  await signIn(page);
  const mark = newMark();
  await page.goto('/sites/new');
  await page.getByLabel('Client').selectOption({ index: 1 });
  await page.getByLabel('Name of the place').fill(`Avenue ${mark}`);
  await page.getByLabel(/^Area/).fill('60000');
  await page.getByLabel(/^Nearest well/).fill('90');
  await page.getByRole('button', { name: 'Keep this place' }).click();
  await expect(page.getByRole('heading', { level: 1, name: `Avenue ${mark}` })).toBeVisible();
  const siteId = /sites\/([0-9a-f-]{36})/.exec(page.url())![1];
  const rest = { diameter: null, height: null, lat: null, lon: null, order: null, note: null };
  const csv = Array.from({ length: 41 }, (_, i) => `A${i + 1},wych-elm,${90 + 3 * i}`);
  const answer = await page.request.post('/api/import', {
    data: {
      id: randomUUID(),
      siteId,
      measuredOn: '2026-05-04',
      mapping: { tag: 'tag', host: 'host', girth: 'girth', ...rest },
      units: { trunk: 'cm', height: 'm' },
      csv: ['tag,host,girth', ...csv].join('\n'),
    },
  });
  expect(await answer.text()).toContain('41');
  const id = await openTree(page, 'A1', mark);

  let inputs = 0;
  const one = <T>(done: Promise<T>) => (inputs++, done);
  await one(page.goto(`/trees/${id}/diagnose?name=elm-leaf-beetle`));
  await one(choose(page.getByRole('radio', { name: /^likely/ })));
  await one(choose(page.getByRole('radio', { name: 'treat now', exact: true })));
  await one(page.getByLabel('Why, in a sentence').fill('Third summer of skeletonised leaves along the whole avenue.'));
  await one(page.getByRole('button', { name: 'Keep this decision' }).click());
  await page.waitForURL(/prescribe/);
  await one(page.getByRole('radio', { name: /Training label 1,/ }).check());
  await expect(page.getByRole('heading', { name: 'How much, and where to pour' })).toBeVisible();
  await one(page.getByRole('button', { name: ALL_WELL }).click());
  const reasons = page.getByPlaceholder('Go on because …');
  for (let i = 0; i < (await reasons.count()); i++)
    await one(reasons.nth(i).fill('One row of one planting, walked today'));
  await one(page.getByRole('button', { name: 'All 40 like it' }).click());
  await one(page.getByPlaceholder('because …', { exact: true }).fill('One row of one planting, walked today'));
  await one(page.getByRole('button', { name: 'Make the plan' }).click());
  await page.waitForURL(/treat/);
  await expect(page.getByText('Planned on 41 trees; they wait on Jobs.')).toBeVisible();
  expect(inputs).toBeLessThanOrEqual(25);
  const other = await openTree(page, 'A41', mark);
  await expect(
    main(page)
      .getByText(/As A1 in the same row/)
      .first(),
  ).toBeVisible();
  await page.goto(`/trees/${other}/prescribe`);
  await expect(page.getByRole('link', { name: 'Planned: start the sheet' })).toBeVisible();
});
