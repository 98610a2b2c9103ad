import type { Page } from '@playwright/test';
import { violations } from './axe';
import { expect, findTree, openQuayDay, signIn, test } from './hands';

// Every view works with the worker in charge that stands between the pages and the network, as in a user's browser.
test.use({ serviceWorkers: 'allow' });

const WIDE = { width: 1280, height: 800 };
/** The narrowest that a page must reflow to: a phone of 390 at most of its zoom, or an old one. */
const NARROW = { width: 320, height: 844 };
const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa'];
/** Themes change colours and nothing else. */
const BY_COLOUR = ['color-contrast', 'link-in-text-block'];
/** So many walks share the views, that several can go at once. */
const WALKS = 3;

/** Every view that somebody signed in can open, by its path. */
async function everyView(page: Page): Promise<string[]> {
  const id = await findTree(page, '113');
  const record = await page
    .goto('/records')
    .then(() => page.getByRole('main').getByRole('listitem').getByRole('link').first().getAttribute('href'));
  const place = await page.goto('/trees').then(() =>
    page
      .getByRole('link', { name: /Quay Avenue/ })
      .first()
      .getAttribute('href'),
  );
  const sheet = await page
    .goto('/jobs')
    .then(() =>
      page.getByRole('link', { name: /\d/ }).and(page.locator('[href*="/treat"]')).first().getAttribute('href'),
    );
  const row = page.locator('main [href*="/jobs/row"]');
  const inOneGo = (await row.count()) ? [(await row.first().getAttribute('href'))!] : [];
  const { round, mix } = await openQuayDay(page);
  const assignment = await page
    .goto('/schedule/programmes')
    .then(() => page.locator('main [href*="/programmes/assigned/"]').first().getAttribute('href'));
  return [
    '/',
    '/trees',
    '/trees/import',
    '/sites/new',
    place!,
    '/jobs',
    '/jobs/fortnight',
    '/jobs/crews',
    '/jobs/devices',
    ...inOneGo,
    '/jobs/new',
    round,
    `${round}/finish`,
    '/phone',
    '/phone/offline',
    mix,
    '/schedule',
    '/schedule/programmes',
    `/schedule/programmes/elm-protection?place=${place!.split('/').pop()}&tags=101-104&until=2030-01-01`,
    '/schedule/programmes/orchard-apple/edit',
    assignment!,
    `/schedule/readings?place=${place!.split('/').pop()}`,
    '/stock',
    '/records',
    record!,
    '/calculators',
    '/calculators/climates',
    '/settings/team',
    '/settings',
    '/guide',
    '/guide?table=black-on-pear',
    '/guide?find=black&host=pear',
    '/guide/emerald-ash-borer',
    '/guide/figures',
    '/guide/new',
    '/guide/new?what=sign',
    '/guide/new?what=test',
    '/guide/new?what=condition&from=fire-blight',
    '/guide/new?what=work',
    '/guide/hosts',
    '/guide/hosts/common-ash',
    '/practice',
    '/records/overturned',
    `${place!}/spread`,
    `${place!}/plan`,
    `${place!}/choose`,
    `${place!}/offer`,
    '/settings/rules',
    '/stock/labels/new',
    sheet!.replace('/treat', '/paper'),
    ...['', '/measure', '/inspect', '/diagnose', '/letter', '/prescribe', '/treat'].map((p) => `/trees/${id}${p}`),
  ];
}

const width = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth);

/** Opens a view and waits until it is there; a colour on its way to another is neither of them. */
async function open(page: Page, view: string) {
  await page.setViewportSize(WIDE);
  await page.goto(view);
  await page.getByRole('heading', { level: 1 }).first().waitFor();
  await page.evaluate(() => {
    const still = new CSSStyleSheet();
    still.replaceSync('*, *::before, *::after { transition: none !important }');
    document.adoptedStyleSheets.push(still);
  });
}
const inTheme = (page: Page, theme: string) =>
  page.evaluate((t) => void (document.documentElement.dataset.theme = t), theme);

for (let walk = 0; walk < WALKS; walk++)
  test(`every view, walk ${walk + 1} of ${WALKS}: clean by axe wide, narrow and in each theme, nothing wider than the screen`, async ({
    page,
  }) => {
    test.setTimeout(900_000);
    await signIn(page);
    const views = (await everyView(page)).filter((_, i) => i % WALKS === walk);
    for (const view of views) {
      await open(page, view);
      expect([view, await width(page)]).toEqual([view, WIDE.width]);
      const wide = await violations(page, WCAG);
      await page.setViewportSize(NARROW);
      expect([view, await width(page)]).toEqual([view, NARROW.width]);
      await inTheme(page, 'daylight');
      const narrow = await violations(page, WCAG);
      await inTheme(page, 'night');
      const night = await violations(page, BY_COLOUR);
      expect({ view, wide, narrow, night }).toEqual({ view, wide: [], narrow: [], night: [] });
    }
  });
