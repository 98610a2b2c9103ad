import { expect, openTree, openYear, OWNER, phone, signIn, TECHNICIAN, test } from './hands';
import { journeyNow } from './clock';

const KEEP = 'Keep these readings';
const FIGURE = /^The year as a drawing/;

test('the year of a place: drawn and as a table, a stage said in two touches moves what follows, and Undo takes it back', async ({
  page,
}) => {
  await signIn(page);
  await openYear(page, 'School grounds');
  await expect(page.getByRole('group', { name: FIGURE }).locator('svg').first()).toBeVisible();
  await page.getByText('The same as a table').click();
  const table = page.getByRole('region', { name: 'The year as a table' });
  await expect(table.getByRole('row').filter({ hasText: 'Silver birch' }).first()).toBeVisible();
  const fulls = table.getByRole('row').filter({ hasText: /Silver birch.*full leaf, / });
  await expect(fulls.first()).toContainText(/by the heat|by the forecast/);

  const birch = page.getByRole('main').getByRole('listitem').filter({ hasText: 'Silver birch' }).first();
  await birch.getByRole('button', { name: 'Say the stage: Silver birch' }).click();
  const stages = birch.getByRole('group', { name: 'Stage of Silver birch' });
  const first = stages.getByRole('button').first();
  const name = (await first.innerText()).trim();
  await first.click();
  await expect(page.getByText(`Noted: Silver birch, ${name}.`)).toBeVisible();
  const seen = page
    .getByRole('complementary', { name: 'Margin' })
    .locator('section')
    .filter({ hasText: 'What was seen here' });
  await expect(seen.getByRole('listitem').filter({ hasText: `Silver birch ${name}` })).toHaveCount(1);
  await expect(
    table
      .getByRole('row')
      .filter({ hasText: `${name}, ` })
      .filter({ hasText: 'as it was seen' })
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(seen).toContainText('Nothing yet this year.');

  // A day that has not come is refused beside its field, and nothing is noted.
  await birch.getByRole('button', { name: 'Say the stage: Silver birch' }).click();
  await birch.getByLabel('Seen on').fill(`${journeyNow().getUTCFullYear() + 1}-12-30`);
  await stages.getByRole('button').first().click();
  await expect(birch.getByText('This day has not come yet; say what is seen.')).toBeVisible();
  await expect(seen).toContainText('Nothing yet this year.');
});

test('on a phone: the tree says what it is at, and one who only measures may say what is seen', async ({
  browser,
  baseURL,
}) => {
  const page = await phone(browser, baseURL, TECHNICIAN);
  await openTree(page, '214', 'hospital');
  const season = page
    .getByRole('main')
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Its season' }) });
  await expect(season).toContainText(/Now .*Next .*BBCH/s);
  await season.getByRole('button', { name: /^Say the stage/ }).click();
  await season.getByRole('button', { name: 'another' }).click();
  await expect(season.getByRole('button', { name: 'full bloom' })).toBeVisible();
  await season.getByRole('button', { name: 'Close' }).click();
  await season.getByRole('link', { name: 'The year at this place' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('The year at Hospital car park');
  // The drawing is as wide as the phone, whatever it shows.
  await page.getByRole('button', { name: 'Fortnight' }).click();
  await page.getByText('By tree', { exact: true }).click();
  expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  await page.context().close();
});

test('readings of a station: understood, asked, mended line by line, kept, and told on the page of the year', async ({
  page,
}) => {
  await signIn(page, OWNER);
  await openYear(page, 'Well field ravine');
  await expect(page.getByText('From the simulated weather of the demo.')).toBeVisible();
  await page.getByRole('link', { name: 'Bring readings in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Well field ravine');
  const days = Array.from({ length: 3 }, (_, d) => new Date(journeyNow().getTime() - (d + 4) * 864e5)).reverse();
  const lines = (of: (day: number, hour: number) => string) =>
    days.flatMap((day, d) =>
      Array.from({ length: 24 }, (_, h) => {
        const local = new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/London' }).format(day);
        return `${local} ${String(h).padStart(2, '0')}:00;${of(d, h)}`;
      }),
    );
  const file = (name: string, rows: string[]) => ({
    name,
    mimeType: 'text/csv',
    buffer: Buffer.from(['Station Ravine 2', 'Datum;Lufttemperatur;Regen mm;Feuchte', ...rows].join('\n')),
  });
  const input = page.getByLabel('File of the station (CSV)');
  await input.setInputFiles(
    file(
      'wrong.csv',
      lines((d, h) => (d === 1 && h === 3 ? 'warm;0;80' : '9,5;0,2;80')),
    ),
  );
  // Nobody has said which clock it is: every line asks, and the press waits.
  await expect(page.getByText('Say which clock these times are of.').first()).toBeVisible();
  await expect(page.getByRole('button', { name: KEEP })).toBeDisabled();
  await page.getByText('the clock of the place', { exact: true }).click();
  await expect(page.getByText('The temperature must be a plain number, not “warm”.')).toBeVisible();
  await expect(page.getByText('Line 30')).toBeVisible();
  await expect(page.getByRole('button', { name: KEEP })).toBeDisabled();
  await input.setInputFiles(
    file(
      'right.csv',
      lines(() => '9,5;0,2;80'),
    ),
  );
  await page.getByText('the clock of the place', { exact: true }).click();
  await expect(page.getByRole('status')).toContainText(/^72 hours from/);
  await page.getByRole('button', { name: KEEP }).click();
  await expect(page.getByText('72 hours are kept.')).toBeVisible();
  await page.getByRole('link', { name: 'The year at this place' }).click();
  await expect(page.getByText(/^3 of the last 120 days are readings of its own station/)).toBeVisible();
});

test('ribbons: zoomed by wheel and keys, ordered by tree and trouble; a visit taken in hand, dragged over a day that breaks, and moved', async ({
  page,
}) => {
  await signIn(page);
  await openYear(page, 'School grounds');
  const figure = page.getByRole('group', { name: FIGURE });
  const words = figure.locator('svg text');
  await expect(words.filter({ hasText: /^Mulch ring/ })).toHaveCount(1);

  // Closer, to the days that serve and their hours; Home comes back to today.
  await page.getByRole('button', { name: 'Fortnight' }).click();
  await expect(words.filter({ hasText: /^Spray$/ })).toHaveCount(1);
  const box = (await figure.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 40);
  await page.keyboard.down('Control');
  for (let i = 0; i < 6; i++) await page.mouse.wheel(0, -60);
  await page.keyboard.up('Control');
  await expect(words.filter({ hasText: /^\d\d h$/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Year', exact: true }).click();
  await expect(words.filter({ hasText: /^Jan \d{4}$/ })).toHaveCount(1);

  await page.getByText('By trouble', { exact: true }).click();
  await expect(words.filter({ hasText: /^Bronze birch borer(?!:)/ })).toHaveCount(1);
  await expect(words.filter({ hasText: /^Bronze birch borer: adults fly/ })).toHaveCount(1);
  await page.getByText('By tree', { exact: true }).click();
  await expect(words.filter({ hasText: /^301 / })).toHaveCount(1);

  // By keys: the first visit is taken in hand, and put down again.
  await page.getByText('By programme', { exact: true }).click();
  await figure.focus();
  await page.keyboard.press('ArrowDown');
  const hand = page.getByRole('region', { name: 'The visit in hand' });
  await expect(hand).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(hand).toHaveCount(0);

  // By mouse: an injection that waits is dragged, and the days that break it are told while it is held.
  const row = words.filter({ hasText: /Inject|injection|borer/i }).first();
  await row.scrollIntoViewIfNeeded();
  await figure.focus();
  for (let i = 0; i < 40 && !/Trunk injection/.test((await hand.count()) ? await hand.innerText() : ''); i++)
    await page.keyboard.press('ArrowDown');
  await expect(hand).toContainText('Trunk injection');
  const ring = figure.locator('circle[r="11"]');
  await ring.scrollIntoViewIfNeeded();
  const at = (await ring.boundingBox())!;
  const [x, y] = [at.x + at.width / 2, at.y + at.height / 2];
  const day = hand.getByLabel('Move to');
  const before = await day.inputValue();
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 12; i++) await page.mouse.move(x - i * 8, y);
  await expect(day).not.toHaveValue(before);
  await expect(words.filter({ hasText: '▮' })).toHaveCount(1);
  await page.mouse.up();
  await hand.getByLabel('Why it is moved').fill('The field is wanted for the sports day.');
  await hand.getByRole('button', { name: /^Move / }).click();
  await expect(hand.getByText(/on no day from|not before|Too soon|has passed|Window|leaf/i).first()).toBeVisible();

  // Back within its time, by the steps beside it.
  await day.fill(before);
  await hand.getByRole('button', { name: 'A week later' }).click();
  await expect(hand.getByText(/By book, label and season it may stand/)).toBeVisible();
  await hand.getByLabel('Why it is moved').fill('The field is wanted for the sports day.');
  await hand.getByRole('button', { name: /^Move / }).click();
  await expect(page.getByText(/^Moved to /)).toBeVisible();
});
