import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import QRCode from 'qrcode';
import sharp from 'sharp';
import { treeCode } from '@/core/phone/scan';
import { expect, openTree, OWNER, signIn, test } from './hands';

/** A film of one picture that shows a code, as a browser takes it for its camera. */
async function filmOf(text: string, folder: string): Promise<string> {
  const code = await QRCode.toBuffer(text, { width: 300, margin: 4 });
  const picture = await sharp({ create: { width: 640, height: 480, channels: 3, background: '#8a8d80' } })
    .composite([{ input: code, gravity: 'center' }])
    .jpeg({ quality: 95 })
    .toBuffer();
  const film = join(folder, 'code.mjpeg');
  writeFileSync(film, Buffer.concat(Array.from({ length: 10 }, () => picture)));
  return film;
}

test('a tag is found by its code before the camera, and typed where there is no camera', async ({ page, baseURL }) => {
  await signIn(page, OWNER);
  await openTree(page, '119');
  const tree = /\/trees\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const folder = mkdtempSync(join(tmpdir(), 'elmhorn-camera-'));
  const see = async (text: string, then: (phone: typeof page) => Promise<void>) => {
    const browser = await chromium.launch({
      executablePath: process.env.ELMHORN_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
        `--use-file-for-fake-video-capture=${await filmOf(text, folder)}`,
      ],
    });
    const context = await browser.newContext({
      baseURL,
      viewport: { width: 390, height: 844 },
      storageState: await page.context().storageState(),
      permissions: ['camera'],
      serviceWorkers: 'block',
    });
    const phone = await context.newPage();
    await phone.goto('/');
    await phone.getByRole('button', { name: 'Find a tag' }).click();
    await phone.getByRole('button', { name: 'By its code' }).click();
    await then(phone);
    await browser.close();
  };
  await see(treeCode(tree), (phone) => expect(phone).toHaveURL(new RegExp(`/trees/${tree}/treat`)));
  // A tag of the owner's own says a number and no more.
  await see('119', async (phone) => {
    await expect(phone).toHaveURL(/\/trees\?find=119/);
    await expect(phone.getByRole('main').getByText('119').first()).toBeVisible();
  });
  rmSync(folder, { recursive: true, force: true });

  // A browser that gives no camera says so, and takes what is typed.
  await page.addInitScript(() =>
    Object.defineProperty(navigator, 'mediaDevices', {
      value: { getUserMedia: () => Promise.reject(new DOMException('', 'NotFoundError')) },
    }),
  );
  await page.goto('/');
  await page.keyboard.press('/');
  const dialog = page.getByRole('dialog', { name: 'Find a tag' });
  await dialog.getByRole('button', { name: 'By its code' }).click();
  await expect(dialog.getByRole('alert')).toHaveText('This device has no camera. Type the tag instead.');
  await dialog.getByRole('textbox').fill('119');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/trees\?find=119/);
});
