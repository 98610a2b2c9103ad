import type { Issue } from '../lib/result';
import { expect, test as base, type Browser, type BrowserContext, type Locator, type Page } from '@playwright/test';

/** What went wrong on any page of the journey that is under way. */
const broken: string[] = [];
/** An answer that says no, and a line that is cut, are part of many journeys; what the server gets wrong is told by its status. */
const EXPECTED = /^Failed to load resource: (net::|the server responded with a status of 4)/;
/** Hears what goes wrong on a page: of its server, its scripts, its workers and whatever they write to the console. */
export function watch(page: Page): Page {
  page.on('response', (r) => r.status() >= 500 && broken.push(`${r.status()} ${r.url()}`));
  page.on('pageerror', (e) => broken.push(e.message));
  page.on('console', (m) => m.type() === 'error' && !EXPECTED.test(m.text()) && broken.push(m.text()));
  page.on('worker', (w) => w.on('console', (m) => m.type() === 'error' && broken.push(m.text())));
  return page;
}

/** How much of a page is printed when its journey fails, characters. */
const PRINTED = 6000;
/** What a failed journey saw last, as a screen reader has it: a log is often all that is left of a run. */
const lastSeen = async (page: Page) =>
  `Last page: ${page.url()}\n${await page
    .locator('body')
    .ariaSnapshot({ timeout: 5000 })
    .then(
      (page) => page.slice(0, PRINTED),
      (error: Error) => error.message,
    )}`;

/** Every journey fails on a server error or an error in the console, whatever else it looks at. */
export const test = base.extend<{ watched: void }>({
  watched: [
    async ({ page }, use) => {
      broken.length = 0;
      watch(page);
      await use();
      const info = test.info();
      if (info.status !== info.expectedStatus) console.log(await lastSeen(page));
      expect(broken).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** What a command answers over plain HTTP. */
export type Sent<T> = { ok: true; value: T } | { ok: false; issues: Issue[] };

export const ARBORIST = 'Idris Pellow';
export const OWNER = 'Maren Tolgarth';
export const TECHNICIAN = 'Wren Askew';
export const OFFICE = 'Oona Varley';

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>;
/** The sessions that this worker has opened, by the name of the person. */
const sessions = new Map<string, Promise<Cookies>>();

/** Opens a session through the sign-in page, in a browser profile that nothing else uses. */
async function openSession(page: Page, who: string): Promise<Cookies> {
  const context = await page.context().browser()!.newContext({ baseURL: test.info().project.use.baseURL });
  try {
    const own = await context.newPage();
    await own.goto('/sign-in');
    await own.getByRole('button', { name: who }).click();
    await expect(own.getByRole('heading', { level: 1 })).toContainText('today');
    return await context.cookies();
  } finally {
    await context.close();
  }
}

/** Signs somebody in without opening a page: each worker goes through the sign-in page once for each person. */
export async function signIn(page: Page, who = ARBORIST) {
  if (!sessions.has(who)) sessions.set(who, openSession(page, who));
  await page.context().addCookies(await sessions.get(who)!);
}

/** Signs somebody in and opens Today. */
export async function openToday(page: Page, who = ARBORIST) {
  await signIn(page, who);
  await page.goto('/');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('today');
}

/** Forgets the session of somebody whom a journey signs out, so that the next journey opens one of its own. */
export const sessionEnded = (who: string) => void sessions.delete(who);

export async function signInByHand(page: Page, email: string, password = 'estuary-and-elms') {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
}

/** The id of a tree, by its tag and place. */
export async function findTree(page: Page, tag: string, place = 'quay'): Promise<string> {
  const list = await (await page.request.get(`/trees?find=${encodeURIComponent(`${tag} ${place}`)}`)).text();
  const id = new RegExp(`href="/trees/([0-9a-f-]{36})"[^>]*>(?:<[^>]*>)*${tag}\\b`).exec(list)?.[1];
  expect(id, `No tree ${tag} at ${place}`).toBeDefined();
  return id!;
}

/** Opens a tree by its tag and place, and gives its id. */
export async function openTree(page: Page, tag: string, place = 'quay'): Promise<string> {
  const id = await findTree(page, tag, place);
  await page.goto(`/trees/${id}`);
  return id;
}

/** Opens the year of a place by its name, and gives the place's id. */
export async function openYear(page: Page, place: string): Promise<string> {
  await page.goto('/schedule');
  await page.getByRole('combobox', { name: /^Place/ }).selectOption({ label: place });
  await page.getByRole('button', { name: 'Show' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(`The year at ${place}`);
  return new URL(page.url()).searchParams.get('place')!;
}

/** One press that says every open question has its usual answer. */
export const ALL_WELL = 'All of these are as they should be';

/** Counts what a person does: every press and every field filled is one input. */
export function counted(page: Page) {
  let n = 0;
  return {
    press: async (name: string | RegExp, role: 'button' | 'link' = 'button') => {
      n++;
      await page.getByRole(role, { name }).filter({ visible: true }).first().click();
    },
    type: async (label: string | RegExp, text: string) => {
      n++;
      await page.getByLabel(label).first().fill(text);
    },
    pick: async (radio: Locator) => {
      n++;
      await radio.check();
    },
    get inputs() {
      return n;
    },
  };
}

/** A phone with a touch screen, signed in. */
export async function phone(browser: Browser, baseURL: string | undefined, who = ARBORIST): Promise<Page> {
  const context = await browser.newContext({
    baseURL,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
    serviceWorkers: 'allow',
  });
  const page = watch(await context.newPage());
  await signIn(page, who);
  return page;
}

/** Chooses a radio as the keyboard does; a click would have to find it wherever it scrolled to. */
export async function choose(radio: Locator) {
  await radio.focus();
  await radio.press('Space');
  await expect(radio).toBeChecked();
}

/** Opens the round of the crew of the quay that the demo has, and gives its path and that of its mix. */
export async function openQuayDay(page: Page): Promise<{ round: string; mix: string }> {
  await page.goto('/jobs');
  const quay = page.getByRole('main').locator('section, li').filter({ hasText: 'Quay crew' });
  const round = (await quay.locator('[href*="/jobs/day/"]').first().getAttribute('href'))!;
  const waiting = await page
    .locator('main [href*="/treat"]')
    .evaluateAll((all) => all.map((a) => new URL((a as HTMLAnchorElement).href).searchParams.get('plan')));
  await page.goto(round);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  const own = page.locator('main [href*="/jobs/mixes?"]').first();
  if (await own.count()) return { round, mix: (await own.getAttribute('href'))! };
  // What the round mixes depends on the day that it was put together for; for what else waits, it is mixed as well.
  for (const plan of waiting.filter(Boolean)) {
    const mix = `/jobs/mixes?plan=${plan}`;
    await page.goto(mix);
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    if (await page.getByRole('button', { name: 'Mixed' }).count()) return { round, mix };
  }
  throw new Error(`Nothing that waits is mixed: ${waiting.length} looked at.`);
}

/** Settles something that a phone sent and the server refused, with a word. */
export async function setAside(page: Page, look: Locator, why: string) {
  await look.getByRole('button', { name: 'Set it aside' }).click();
  await look.getByLabel('Why it is not written').fill(why);
  await look.getByRole('button', { name: 'Set aside', exact: true }).click();
  await expect(page.getByText(/Set aside; it stays kept/)).toBeVisible();
}

/** Presses a single key until what it opens is there: keys are heard once the page's scripts have come. */
export const pressUntil = (page: Page, key: string, opened: Locator) =>
  expect(async () => {
    if (!(await opened.isVisible())) await page.keyboard.press(key);
    await expect(opened).toBeVisible({ timeout: 1000 });
  }).toPass();
