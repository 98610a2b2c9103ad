import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, OWNER, setAside, signIn, signInByHand, test } from './hands';
import { openLine, openPhone } from './line';
import { arborist, crewOf, plantDrenches, plantInfusion } from './planting';
import { newMark } from './clock';

const freePort = () =>
  new Promise<number>((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => done(port));
    });
  });

/** A server of its own beside that of the other journeys, on the same database, that may be killed and started anew. */
async function ownServer() {
  const database = process.env.ELMHORN_E2E_DATABASE;
  if (!database) throw new Error('ELMHORN_E2E_DATABASE says no database for a server of its own');
  const port = await freePort();
  let running: ChildProcess | null = null;
  const address = `http://127.0.0.1:${port}`;
  const up = async () => {
    running = spawn(process.execPath, ['--import', 'tsx', 'bin/start.ts'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        DATABASE_URL: database,
        PORT: String(port),
        HOST: '127.0.0.1',
        // The clock of the journeys is set, and only a demo may have that.
        ELMHORN_DEMO: '1',
        ELMHORN_LOG: 'error',
        ELMHORN_CLIMATE: 'settled',
      },
    });
    await expect(async () => expect((await fetch(`${address}/api/health`)).ok).toBe(true)).toPass({ timeout: 60_000 });
  };
  const kill = async () => {
    const ended = new Promise((done) => running!.once('exit', done));
    running!.kill('SIGKILL');
    await ended;
  };
  await up();
  return { address, up, kill };
}

test('two phones on one round without signal, bottles hung and pulled, the server killed in the middle of what they send: each thing once, and what they disagree on is shown', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const mark = newMark();
  const place = `Two of them ${mark}`;
  await signIn(page, OWNER);
  const { trees } = await plantDrenches(page, place, [94, 104, 110, 120]);
  const infusion = await plantInfusion(page, trees.R1!);
  const [ada, bede] = [await arborist(page, `Ada ${mark}`), await arborist(page, `Bede ${mark}`)];
  const crew = await crewOf(page, `Two ${mark}`, [ada.personId, bede.personId]);
  await page.goto('/jobs/new');
  await page.getByRole('checkbox', { name: place }).check();
  await page.getByRole('combobox', { name: 'Crew' }).selectOption(crew);
  await page.getByRole('button', { name: 'Put 5 on this day' }).click();
  const anyway = page.getByRole('button', { name: 'Put it there all the same' });
  await expect(anyway.or(page.getByRole('heading', { level: 1, name: `Crew Two ${mark},` }))).toBeVisible();
  if (await anyway.isVisible()) await anyway.click();
  await expect(page).toHaveURL(/\/jobs\/day\//);
  const round = new URL(page.url()).pathname;

  const server = await ownServer();
  const folders = [0, 1].map(() => mkdtempSync(join(tmpdir(), 'elmhorn-two-')));
  const lines = [await openLine(server.address), await openLine(server.address)] as const;
  const phones = [
    await openPhone(folders[0]!, lines[0].address),
    await openPhone(folders[1]!, lines[1].address),
  ] as const;
  for (const [i, who] of [ada, bede].entries()) {
    const { phone } = phones[i]!;
    await signInByHand(phone, who.email, who.password);
    await expect(phone.getByRole('heading', { level: 1 })).toContainText('today');
    await phone.goto('/phone');
    await expect(phone.getByText(/pages of a round/)).toBeVisible({ timeout: 60_000 });
    await phone.getByRole('button', { name: 'Fetch anew' }).click();
    await expect(phone.getByText('In touch with the server.')).toBeVisible({ timeout: 60_000 });
    lines[i]!.cut();
  }
  const [a, b] = [phones[0].phone, phones[1].phone];
  const mainOf = (phone: typeof page) => phone.getByRole('main');
  const leave = async (phone: typeof page, title: string, tag: string, why: string) => {
    const stop = mainOf(phone).getByRole('region', { name: place });
    const line = stop.getByRole('listitem').filter({ hasText: tag }).filter({ hasText: title });
    await line.getByRole('button', { name: /^Leave it/ }).click();
    await stop
      .getByRole('group', { name: `Why ${tag} is left` })
      .getByRole('button', { name: why })
      .click();
    await expect(line).toHaveCount(0);
  };

  // Both set out; neither can know of the other.
  for (const phone of [a, b]) {
    await phone.goto(round);
    await mainOf(phone).getByRole('button', { name: 'Set out' }).click();
    await expect(mainOf(phone).getByText('Next', { exact: true })).toBeVisible();
  }

  // One hangs the bottles, found by two figures of the tag, looks at them one by one, pulls them with half left, and writes it.
  await a.getByRole('button', { name: 'Find a tag' }).click();
  const found = a.getByRole('dialog', { name: 'Find a tag' });
  await found.getByRole('textbox').fill('R1');
  await found.getByRole('list', { name: 'On this phone' }).getByRole('link', { name: /^R1/ }).click();
  await expect(a.getByRole('navigation', { name: 'At this tree' })).toContainText('2 things at this tree');
  await a.goto(`/trees/${trees.R1}/treat?plan=${infusion}&round=${round.split('/').pop()}`);
  await a.getByRole('navigation', { name: 'Sheet' }).getByRole('button', { name: '3 Apply' }).click();
  await mainOf(a).getByText('signs are up').click();
  await mainOf(a)
    .getByRole('button', { name: /hangs?: on to the next tree/ })
    .click();
  await expect(mainOf(a).getByRole('heading', { level: 1 })).toHaveText(/trunk/);
  const installed = mainOf(a)
    .getByRole('listitem')
    .filter({ hasText: place, has: a.getByRole('button', { name: 'Runs' }) });
  await installed.getByRole('button', { name: 'Read off' }).click();
  const put = Number(/Put in: ([\d.]+) mL/.exec(await installed.innerText())![1]);
  await installed.getByLabel(/^Left in/).fill(String(put * 2));
  await installed.getByRole('button', { name: 'So much is left' }).click();
  await expect(installed).toContainText(/at most|up to|between|more than/i);
  await installed.getByLabel(/^Left in/).fill(String(put * 0.75));
  await installed.getByRole('button', { name: 'So much is left' }).click();
  await expect(installed).toContainText(/mL left/);
  await installed.getByRole('button', { name: 'Pull', exact: true }).click();
  const all = Number(/Put in: ([\d.]+) mL/.exec(await installed.innerText())![1]);
  await installed.getByLabel(/^Left in/).fill(String(all / 2));
  await installed.getByRole('button', { name: 'Pulled, with that left' }).click();
  await expect(installed).toHaveCount(0);
  await mainOf(a).getByRole('listitem').filter({ hasText: place }).getByRole('link', { name: 'Write it' }).click();
  await a.getByRole('navigation', { name: 'Sheet' }).getByRole('button', { name: '3 Apply' }).click();
  await mainOf(a).getByRole('button', { name: 'Write what went in' }).click();
  await mainOf(a)
    .getByRole('checkbox', { name: `Bede ${mark}` })
    .check();
  await mainOf(a)
    .getByLabel('Why', { exact: true })
    .fill('Half of it would not go in; worn and asked as on the paper.');
  await mainOf(a).getByRole('button', { name: 'Book it' }).click();
  await expect(a.getByText('Kept on this phone; it is booked when there is signal.')).toBeVisible();
  await a.goto(round);
  await leave(a, 'soil drench', 'R2', 'Rain');
  await leave(a, 'soil drench', 'R3', 'Wind');

  // The other leaves one of the same trees for another reason, and measures one.
  await leave(b, 'soil drench', 'R2', 'Owner said no');
  await leave(b, 'soil drench', 'R4', 'No way in');
  // What the first has carried out meanwhile, the second has left.
  await leave(b, 'Training label 2', 'R1', 'People about');
  await b.goto(`/trees/${trees.R4}/measure`);
  await mainOf(b)
    .getByLabel(/^Girth/)
    .fill('151');
  await mainOf(b).getByRole('button', { name: 'Keep this reading' }).click();
  await expect(b.locator('body')).toContainText('girth 151.0 cm');

  // The server dies while the first of them sends, at another moment each time, and comes back.
  await a.goto('/phone');
  await expect(mainOf(a).getByRole('heading', { level: 1 })).toHaveText(/^[67] things wait/);
  for (const ms of [20, 90, 250]) {
    lines[0].mend();
    await mainOf(a).getByRole('button', { name: 'Send now' }).click();
    await new Promise((done) => setTimeout(done, ms));
    await server.kill();
    lines[0].cut();
    await server.up();
  }
  for (const [i, phone] of [a, b].entries()) {
    lines[i]!.mend();
    await phone.goto('/phone');
    const none = mainOf(phone).getByRole('heading', { level: 1, name: 'Nothing waits on this phone' });
    const now = mainOf(phone).getByRole('button', { name: 'Send now' });
    await expect(async () => {
      if (await now.isVisible()) await now.click();
      await expect(none).toBeVisible({ timeout: 8000 });
    }).toPass({ timeout: 60_000 });
  }

  // What both did is told to whoever came second, and nothing is written of it twice.
  await b.reload();
  const look = mainOf(b).getByRole('listitem').filter({ hasText: 'R1' });
  await expect(look).toHaveCount(1);
  await setAside(b, look, 'Ada had done it before.');

  // The server has each of it once: the record with half, who worked together, what was left and why, the reading.
  await page.goto(round);
  const day = page.getByRole('main');
  const lefts = day
    .locator('section')
    .filter({ has: page.getByRole('heading', { name: 'Left undone' }) })
    .getByRole('listitem');
  await expect(lefts).toHaveCount(4);
  await expect(lefts.filter({ hasText: 'R2' }).filter({ hasText: /rain/i })).toHaveCount(1);
  await expect(lefts.filter({ hasText: 'R2' }).filter({ hasText: /not wanted/i })).toHaveCount(1);
  await expect(lefts.filter({ hasText: 'R4' })).toContainText(/no way in/i);
  await day.getByRole('link', { name: /^R1/ }).and(day.locator('[href^="/records/"]')).click();
  await expect(day.getByText(`Bede ${mark}, licence T-1`)).toBeVisible();
  const figures = await day.innerText();
  const read = (name: string) => Number(new RegExp(`${name}\\s+([\\d.]+)`).exec(figures)![1]);
  expect(read('Amount used') / read('Planned')).toBeCloseTo(0.5, 2);
  await page.goto('/jobs/devices');
  await expect(day).not.toContainText(place);
  await page.goto(`/records?words=${encodeURIComponent(place)}`);
  await expect(day.getByRole('link', { name: /R1/ })).toHaveCount(1);
  await page.goto(`/trees/${trees.R4}`);
  await expect(
    page
      .getByText(/151\.0 cm/)
      .filter({ visible: true })
      .first(),
  ).toBeVisible();

  for (const { context } of phones) await context.close();
  for (const line of lines) line.close();
  await server.kill();
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});
