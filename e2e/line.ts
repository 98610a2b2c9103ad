import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { connect, createServer, type AddressInfo, type Socket } from 'node:net';

/**
 * A line to the server that can be cut, as it is in a valley: everything of a browser goes through it, its worker as well,
 * and the browser is told nothing.
 */
export async function openLine(to: string) {
  const far = new URL(to);
  /** How much of what comes gets through; deaf: the server hears all, and nobody hears its answer. */
  let state: 'up' | 'cut' | 'deaf' = 'up';
  const sockets = new Set<Socket>();
  const server = createServer((near) => {
    if (state === 'cut') return near.destroy();
    const other = connect(Number(far.port), far.hostname);
    for (const s of [near, other]) {
      sockets.add(s);
      s.on('error', () => s.destroy());
      s.on('close', () => {
        sockets.delete(s);
        (s === near ? other : near).destroy();
      });
    }
    near.pipe(other);
    if (state === 'up') other.pipe(near);
    else other.once('data', () => near.destroy());
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  const become = (next: typeof state) => () => {
    state = next;
    for (const s of sockets) s.destroy();
  };
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    cut: become('cut'),
    mend: become('up'),
    deafen: become('deaf'),
    close: () => {
      become('cut')();
      server.close();
    },
  };
}

/** A phone as its folder left it: a browser with a worker and a store of its own, that survives being closed and killed. */
export async function openPhone(folder: string, baseURL: string): Promise<{ context: BrowserContext; phone: Page }> {
  const context = await chromium.launchPersistentContext(folder, {
    executablePath: process.env.ELMHORN_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
    baseURL,
    viewport: { width: 390, height: 844 },
    isMobile: true,
    hasTouch: true,
    serviceWorkers: 'allow',
  });
  // What does not come soon does not come: there is no line to wait for.
  context.setDefaultTimeout(20_000);
  return { context, phone: context.pages()[0] ?? (await context.newPage()) };
}
