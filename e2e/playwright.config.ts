import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '.',
  outputDir: process.env.JOKUL_E2E_RESULTS ?? '../test-results',
  // Each file has its own server and database: two of them at a time, on two cores.
  workers: 2,
  // Machines are shared: a page may wait for its turn longer than anybody would wait for it.
  timeout: 150_000,
  expect: { timeout: 25_000 },
  reporter: [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Atlantic/Faroe',
    // Only the tests of it: a worker answers what a test would hold back.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.JOKUL_CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
    },
  },
});
