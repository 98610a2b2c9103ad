import type { Page } from '@playwright/test';
import { violations } from './axe';
import { expect, findTree, openQuayDay, OWNER, phone, test } from './hands';

/** The least that a glove meets, and the contrast that reads in the sun (WCAG 2, 1.4.6). */
const GLOVE_PX = 56;

/** What can be touched on a page and is too low for a glove; links within a sentence are none. */
const tooSmall = (page: Page) =>
  page.evaluate(
    (least) =>
      [
        ...document.querySelectorAll<HTMLElement>(
          'main :is(button, a.press, select, summary, textarea, label:has(input), input:not([type=checkbox], [type=radio]))',
        ),
      ].flatMap((e) => {
        const { width, height } = e.getBoundingClientRect();
        const hidden = !width || !height || e.closest('.sr-only') !== null;
        return hidden || height > least - 0.5
          ? []
          : [
              `${e.tagName} ${Math.round(height)}: ${(e.getAttribute('aria-label') ?? e.innerText).trim().slice(0, 60)}`,
            ];
      }),
    GLOVE_PX,
  );

test('in the sun and in gloves: every page of the day at 390 px has a contrast of 7 and nothing under 56 px to touch', async ({
  browser,
  baseURL,
}) => {
  test.setTimeout(300_000);
  const page = await phone(browser, baseURL, OWNER);
  const { round, mix } = await openQuayDay(page);
  const row = await page.goto(round).then(() => page.locator('main [href*="/jobs/row"]').first().getAttribute('href'));
  const sheet = await page.locator('main [href*="/treat?plan="]').first().getAttribute('href');
  const school = await findTree(page, '313', 'school');
  const tree = /\/trees\/[0-9a-f-]{36}/.exec(sheet!)![0];
  const judge = async (what: string) => {
    await page.evaluate(() => (document.documentElement.dataset.theme = 'daylight'));
    const pale = await violations(page, ['color-contrast-enhanced']);
    expect({ what, pale, small: await tooSmall(page) }).toEqual({ what, pale: [], small: [] });
    expect([what, await page.evaluate(() => document.documentElement.scrollWidth)]).toEqual([what, 390]);
  };
  const views = [
    '/',
    '/jobs',
    round,
    `${round}/finish`,
    row!,
    mix,
    '/jobs/devices',
    '/phone',
    ...['measure', 'inspect', 'diagnose', 'prescribe'].map((step) => `${tree}/${step}`),
  ];
  for (const view of views) {
    await page.goto(view);
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    await judge(view);
  }
  // The sheet of a drench and that of bottles, stage by stage.
  for (const path of [sheet!, `/trees/${school}/treat`]) {
    await page.goto(path);
    const stages = page.getByRole('navigation', { name: 'Sheet' }).getByRole('button');
    for (let i = 0; i < (await stages.count()); i++) {
      await stages.nth(i).click();
      await judge(`${path}, stage ${i + 1}`);
    }
  }
  await page.context().close();
});
