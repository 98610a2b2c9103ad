import { defineConfig } from '@playwright/test';

const LONG = ['two-phones.spec.ts', 'every-view.spec.ts', 'without-signal.spec.ts', 'rounds.spec.ts'];

/** Journeys through the real interface against a production build; `npm test` starts the server and gives its address. */
export default defineConfig({
  testDir: '.',
  fullyParallel: true,
  workers: 2,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: process.env.ELMHORN_E2E_REPORT ?? 'test-results/report.json' }]],
  outputDir: '../test-results',
  // The longest go first, so that no worker is left with one of them at the end.
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'other', testIgnore: LONG },
  ],
  use: {
    baseURL: process.env.ELMHORN_E2E_URL,
    viewport: { width: 1280, height: 800 },
    // The worker that stands between the pages and the network stores the whole application in each new browser profile,
    // which is a third of a journey's time. It is in charge where it matters: on phones, on every view of the walk, and
    // wherever a file says so.
    serviceWorkers: 'block',
    // A trace takes pictures of every step; what a failed journey saw last is told by its page.
    trace: 'off',
    screenshot: 'only-on-failure',
    // What is not there within a minute is not there: a long journey says so at once instead of waiting for its own end.
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    launchOptions: {
      executablePath: process.env.ELMHORN_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
