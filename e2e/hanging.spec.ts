import { expect, findTree, phone, test } from './hands';

test('bottles are hung from the sheet, watched on the board, pulled with half left, and only what went in is written', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL);
  const tree = await findTree(page, '301', 'school');
  await page.goto(`/trees/${tree}/treat`);
  const main = page.getByRole('main');
  const sheet = page.getByRole('navigation', { name: 'Sheet' });
  await sheet.getByRole('button', { name: '3 Apply' }).click();
  const hang = main.getByRole('button', { name: /hangs?: on to the next tree/ });
  // What keeps people from it is asked, not assumed.
  await hang.click();
  await expect(main.getByText('Say what keeps people from it.')).toBeVisible();
  await main.getByText('signs are up').click();
  await hang.click();

  await expect(page).toHaveURL(/\/jobs\/devices$/);
  await expect(main.getByRole('heading', { level: 1 })).toHaveText(/One trunk|trunks?/);
  const row = main.getByRole('listitem').filter({ hasText: '301', has: page.getByRole('button', { name: 'Runs' }) });
  await expect(row).toContainText(/pressure bottles?/);
  await expect(row).toContainText('signs are up');
  await row.getByRole('button', { name: 'Leaks' }).click();
  await expect(row).toContainText('leaks: go now');
  await row.getByRole('button', { name: 'Runs' }).click();
  await expect(row.getByRole('button', { name: 'Runs' })).toHaveAttribute('aria-pressed', 'true');

  // Another device that opens the sheet is sent to the board: nothing is written of what hangs.
  await page.goto(`/trees/${tree}/treat`);
  await sheet.getByRole('button', { name: '3 Apply' }).click();
  await expect(main).toContainText('Written up when all are pulled.');
  await expect(main.getByRole('button', { name: 'Finished' })).toHaveCount(0);
  await main.getByRole('link', { name: 'The board of what hangs' }).click();

  await row.getByRole('button', { name: 'Pull', exact: true }).click();
  await row.getByLabel('Left in all of them, mL').fill('100000');
  await row.getByRole('button', { name: 'Pulled, with that left' }).click();
  await expect(row).toContainText(/at most|up to|between|more than/i);
  const put = Number(/Put in: ([\d.]+) mL/.exec(await row.innerText())![1]);
  await row.getByLabel('Left in all of them, mL').fill(String(put / 2));
  await row.getByRole('button', { name: 'Pulled, with that left' }).click();
  await expect(page.getByText(/301 is pulled/)).toBeVisible();
  await expect(row).toHaveCount(0);
  // A slip of the thumb is taken back, and pulled again.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(row.getByRole('button', { name: 'Pull', exact: true })).toBeVisible();
  await row.getByRole('button', { name: 'Pull', exact: true }).click();
  await row.getByLabel('Left in all of them, mL').fill(String(put / 2));
  await row.getByRole('button', { name: 'Pulled, with that left' }).click();

  await main.getByRole('link', { name: 'Write it' }).click();
  await sheet.getByRole('button', { name: '3 Apply' }).click();
  await main.getByRole('button', { name: 'Write what went in' }).click();
  const planned = Number(/Planned: ([\d.]+)/.exec(await main.innerText())![1]);
  expect(Number(await main.getByLabel(/^Product used/).inputValue()) / planned).toBeCloseTo(0.5, 2);
  await page.context().close();
});
