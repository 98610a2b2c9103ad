import { defineConfig } from '@playwright/test';

/** Journeys through the real interface against a production build; `npm test` starts the server and gives its address. */
export default defineConfig({
  testDir: '.',
  fullyParallel: true,
  workers: 2,
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: process.env.ELMHORN_E2E_REPORT ?? 'test-results/report.json' }]],
  outputDir: '../test-results',
  use: {
    baseURL: process.env.ELMHORN_E2E_URL,
    viewport: { width: 1280, height: 800 },
    // As in every browser of a user: the worker that stands between the pages and the network is in charge.
    serviceWorkers: 'allow',
    trace: 'retain-on-failure',
    // What is not there within a minute is not there: a long journey says so at once instead of waiting for its own end.
    actionTimeout: 60_000,
    navigationTimeout: 60_000,
    launchOptions: {
      executablePath: process.env.ELMHORN_CHROMIUM ?? '/usr/bin/chromium',
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
