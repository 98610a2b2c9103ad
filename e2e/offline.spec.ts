import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BrowserContext, Page } from '@playwright/test';
import { openLine, openPhone } from './line';
import { ALL_WELL, expect, OWNER, setAside, signIn, signInByHand, test } from './hands';
import { crewOfOne, plantDrenches, send } from './planting';
import { journeyNow, newMark } from './clock';

/** A clock that is so far ahead of the true time. */
const AHEAD_MIN = 40;
/** Minutes between an hour of the day as it stands on a page and now, whichever way round. */
function minutesOff(hour: string, timeZone: string): number {
  const now = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(journeyNow());
  const of = (t: string) => Number(t.slice(0, 2)) * 60 + Number(t.slice(3, 5));
  const off = Math.abs(of(hour) - of(now));
  return Math.min(off, 1440 - off);
}

test('a day from the yard gate on without signal, the browser killed twice, a clock that is wrong, an answer lost, a change meanwhile: nothing is lost, nothing doubled', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(240_000);
  const mark = newMark();
  const place = `Deaf valley ${mark}`;
  await signIn(page, OWNER);
  const { trees } = await plantDrenches(page, place, [94, 104, 110, 120]);
  const who = await crewOfOne(page, `Muted ${mark}`);
  await page.goto('/jobs/new');
  await page.getByRole('checkbox', { name: place }).check();
  await page.getByRole('combobox', { name: 'Crew' }).selectOption({ label: `Crew Muted ${mark}` });
  await page.getByRole('button', { name: 'Put 4 on this day' }).click();
  const anyway = page.getByRole('button', { name: 'Put it there all the same' });
  await expect(anyway.or(page.getByRole('heading', { level: 1, name: `Crew Muted ${mark},` }))).toBeVisible();
  if (await anyway.isVisible()) await anyway.click();
  await expect(page).toHaveURL(/\/jobs\/day\//);
  const round = new URL(page.url()).pathname;

  const folder = mkdtempSync(join(tmpdir(), 'elmhorn-phone-'));
  /** The same phone again, whatever became of it before. */
  const line = await openLine(baseURL!);
  const open = async (): Promise<{ context: BrowserContext; phone: Page }> => {
    const { context, phone } = await openPhone(folder, line.address);
    await context.addInitScript((ahead) => {
      const True = Date;
      const off = ahead * 60_000;
      globalThis.Date = class extends True {
        constructor(...given: [] | [number]) {
          if (given.length) super(...given);
          else super(True.now() + off);
        }
        static override now = () => True.now() + off;
      } as DateConstructor;
    }, AHEAD_MIN);
    return { context, phone };
  };

  // In the yard: signed in, and told that the clock is wrong; the round goes along.
  let { context, phone } = await open();
  await signInByHand(phone, who.email, who.password);
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('today');
  await phone.goto('/phone');
  await expect(phone.getByText(/clock of this phone is 40 minutes ahead/)).toBeVisible();
  await expect(phone.getByText(/pages of a round/)).toBeVisible({ timeout: 60_000 });
  await phone.getByRole('button', { name: 'Fetch anew' }).click();
  await expect(phone.getByText('In touch with the server.')).toBeVisible({ timeout: 60_000 });

  // Out of the gate.
  line.cut();
  await phone.goto(round);
  const at = () => phone.getByRole('main');
  await expect(at().getByRole('heading', { level: 1 })).toHaveText(new RegExp(`^Crew Muted ${mark}`));
  await expect(phone.getByRole('link', { name: /^This phone: No signal/ })).toBeVisible();
  await at()
    .getByRole('region', { name: 'Load sheet' })
    .getByRole('checkbox', { name: /^Training label 1/ })
    .check();
  await expect(phone.getByRole('button', { name: /^Load sheet, 1 of/ })).toBeVisible();
  await at().getByRole('button', { name: 'Set out' }).click();
  await expect(at().getByText('Next', { exact: true })).toBeVisible();
  await at()
    .getByRole('link', { name: /^Mix Training label 1.* for 4 trees/ })
    .click();
  await at().getByRole('combobox', { name: 'Mixed in' }).selectOption({ label: '200 L barrow sprayer, 200 L' });
  await at().getByRole('button', { name: 'Mixed' }).click();
  await expect(at().getByRole('heading', { level: 1 })).toHaveText(/^Mix [2-9A-Z]{5}: Training label 1/);
  const code = /^Mix (\S+):/.exec(await at().getByRole('heading', { level: 1 }).innerText())![1]!;
  // The battery is out.
  await context.close();

  ({ context, phone } = await open());
  await phone.goto(round);
  await expect(phone.getByRole('button', { name: /^Load sheet, 1 of/ })).toBeVisible();
  await expect(phone.getByRole('link', { name: /3 wait since/ })).toBeVisible();
  const stop = () => at().getByRole('region', { name: place });
  const leave = async (tag: string, why: string) => {
    await stop()
      .getByRole('button', { name: `Leave it ${tag}` })
      .click();
    await stop()
      .getByRole('group', { name: `Why ${tag} is left` })
      .getByRole('button', { name: why })
      .click();
  };
  // A slip is taken back before it was sent.
  await leave('R4', 'Wind');
  await expect(stop().getByRole('listitem')).toHaveCount(3);
  await phone.getByRole('button', { name: 'Undo' }).click();
  await expect(stop().getByRole('listitem')).toHaveCount(4);
  await leave('R4', 'Owner said no');
  await expect(at().getByText(/it was not wanted/)).toBeVisible();

  // A girth that was wrong: the sheet doses by the one that was read just now.
  await phone.goto(`/trees/${trees.R3}/prescribe`);
  await expect(at().getByRole('heading', { level: 1 })).toHaveText(/^How much/);
  await phone.goto(`/trees/${trees.R3}/measure`);
  await at()
    .getByLabel(/^Girth/)
    .fill('thick');
  await at().getByRole('button', { name: 'Keep this reading' }).click();
  await expect(
    at()
      .getByRole('alert')
      .or(at().getByText(/is not a number|must be a number|cannot be read/i))
      .first(),
  ).toBeVisible();
  await at()
    .getByLabel(/^Girth/)
    .fill('151');
  await at().getByRole('button', { name: 'Keep this reading' }).click();

  await expect(at().getByText(/The open plan says .*; the tree has been/)).toBeVisible();
  await expect(phone.locator('body')).toContainText('girth 151.0 cm');
  await phone.goto(round);
  await leave('R3', 'No time left');

  // The row of the two others, from the mix that nobody but this phone knows of.
  await stop()
    .getByRole('link', { name: /trees in one go/ })
    .click();
  await at().getByRole('button', { name: 'All on: go on' }).click();
  const start = at()
    .locator('[data-confirm]')
    .filter({ hasNotText: /Answer|reason/ });
  await expect(async () => {
    const well = at().getByRole('button', { name: ALL_WELL });
    if (await well.count()) await well.click();
    for (const reason of await at()
      .getByRole('textbox', { name: /go on because$/ })
      .all())
      await reason.fill('Seen at the trees, and agreed.');
    await expect(start).toBeVisible({ timeout: 2500 });
  }).toPass({ timeout: 45_000 });
  await start.click();
  const done = at().getByRole('list', { name: 'Done' });
  for (const tag of ['R1', 'R2']) await done.getByRole('checkbox', { name: `${tag} is done` }).check();
  // Killed once more, in the middle of the row: what was ticked is ticked.
  await context.close();
  ({ context, phone } = await open());
  await phone.goto(round);
  await stop()
    .getByRole('link', { name: /trees in one go/ })
    .click();
  for (const tag of ['R1', 'R2'])
    await expect(
      at()
        .getByRole('list', { name: 'Done' })
        .getByRole('checkbox', { name: `${tag} is done` }),
    ).toBeChecked();
  await at().getByRole('button', { name: 'Finished' }).click();
  await expect(at().getByRole('combobox', { name: 'From' }).locator('option:checked')).toHaveText(
    new RegExp(`^Mix ${code}`),
  );
  await at()
    .getByLabel(/^Why, where it went otherwise/)
    .fill('Planned by the count of last summer.');
  await at().getByRole('button', { name: 'Write 2 records' }).click();
  await expect(phone.getByText('Kept on this phone: 2 records.')).toBeVisible();

  // Meanwhile the office drops what is left of the refused tree.
  const day = await (await page.request.get(round)).text();
  const planOf = (treeId: string) => new RegExp(`/trees/${treeId}/treat\\?plan=([0-9a-f-]{36})`).exec(day)![1]!;
  await send(page, 'cancel-plan', { id: planOf(trees.R4!), drop: true });

  // Home, still without signal: the rest of the mix, then the day.
  await phone.goto(`${round}/finish`);
  const still = at().getByRole('region', { name: 'Still open' });
  await expect(still.getByRole('listitem')).toHaveCount(1);
  await still.getByRole('link', { name: 'There' }).click();
  await at().getByRole('button', { name: 'It is handed in' }).click();
  await at().getByLabel('To whom').fill('the waste drum of the yard');
  await at().getByRole('button', { name: 'Write it' }).click();
  await expect(phone.getByText('What became of it is written.')).toBeVisible();
  await phone.goto(`${round}/finish`);
  await expect(at().getByLabel(`Message for ${place}`)).toHaveValue(/Trees R1–R2: soil drench with Training label 1/);
  await at()
    .getByRole('checkbox', { name: /disinfected$/ })
    .check();
  await at()
    .getByRole('checkbox', { name: /counted back/ })
    .check();
  await at().getByText('on trees that the label allows').click();
  await at().getByRole('button', { name: 'Close the day' }).click();
  await expect(at().getByRole('heading', { level: 1 })).toHaveText(new RegExp(`^Done: Crew Muted ${mark}`));
  await phone.goto('/phone');
  await expect(at().getByRole('heading', { level: 1 })).toHaveText(/^9 things wait/);

  // The next morning: the server hears it all and falls silent before it has answered; then it answers.
  line.deafen();
  await phone.getByRole('button', { name: 'Send now' }).click();
  await expect(at().getByText(/^No signal\. What you write/)).toBeVisible();
  await expect(at().getByRole('heading', { level: 1 })).toHaveText(/things wait/);
  line.mend();
  await phone.getByRole('button', { name: 'Send now' }).click();
  await expect(at().getByRole('heading', { level: 1 })).toHaveText('Nothing waits on this phone', { timeout: 60_000 });

  // What the office had dropped is told, is nobody's loss, and is settled with a word.
  await phone.reload();
  const look = at().getByRole('listitem').filter({ hasText: 'Left undone: it was not wanted' });
  await expect(look).toContainText(/done or dropped meanwhile/);
  await setAside(phone, look, 'The office had dropped it already.');

  // The server has it once, of the hour in which it was done, and the mix gave what was drawn.
  await page.goto(round);
  const head = page.getByRole('main');
  await expect(head.getByText(/Closed by/)).toBeVisible();
  await page.goto(`${round}/finish`);
  const records = head.getByRole('listitem').filter({ has: page.locator('[href^="/records/"]') });
  await expect(records).toHaveCount(2);
  const setOut = await head
    .getByText(/^\d\d:\d\d, Muted/)
    .first()
    .innerText();
  expect(minutesOff(setOut.slice(0, 5), 'Europe/London')).toBeLessThan(20);
  await head.getByRole('link', { name: code }).click();
  await expect(head.getByRole('listitem').filter({ hasText: place })).toHaveCount(2);
  await expect(head.getByText(/handed in/)).toBeVisible();
  await page.goto(`/trees/${trees.R3}`);
  await expect(
    page
      .getByText(/151\.0 cm/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();

  // Signed out, the phone gives nothing away.
  await phone.goto('/settings');
  await phone.getByRole('button', { name: 'Sign out', exact: true }).click();
  await expect(phone).toHaveURL(/sign-in/);
  // The address comes before the page: a line that is cut between them would load it anew, over the step that follows.
  await expect(phone.getByLabel('E-mail')).toBeVisible();
  await phone.waitForLoadState('networkidle');
  line.cut();
  await phone.goto(round);
  await expect(phone.locator('body')).toContainText('This phone shows nothing without signal');
  await expect(phone.locator('body')).not.toContainText(place);
  await context.close();
  line.close();
  rmSync(folder, { recursive: true, force: true });
});
