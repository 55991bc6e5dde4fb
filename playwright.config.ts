import { defineConfig } from '@playwright/test';

/** Where the tests are listed for who counts them (scripts/test.mjs). */
const report = process.env['EWER_TEST_REPORT'];
const port = Number(process.env['E2E_PORT'] ?? 4690);

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: true,
  workers: 2,
  // A trace of the second try helps to find the cause; the test has failed all the same (scripts/test.mjs).
  retries: 1,
  projects: [
    { name: 'tasks', testIgnore: '**/figures*.spec.ts' },
    // Times are measured alone, when all else is done.
    {
      name: 'figures',
      testMatch: '**/figures*.spec.ts',
      dependencies: ['tasks'],
      fullyParallel: false,
      workers: 1,
    },
  ],
  timeout: 120_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ...(report ? [['json', { outputFile: report }] as const] : [])],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    permissions: ['clipboard-read', 'clipboard-write'],
    // What moves while it is clicked is a matter of chance; the page without motion is the same page.
    contextOptions: { reducedMotion: 'reduce' },
    // To trace every test would take as much again as the tests themselves.
    trace: 'on-first-retry',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
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
  webServer: {
    command: 'npm run --silent serve',
    // A server of one's own on this machine is asked in the tests.
    env: { PORT: String(port), EWER_ALLOW_PRIVATE: '1', EWER_FAULTS: '1' },
    url: `http://127.0.0.1:${port}/api/ready`,
    reuseExistingServer: false,
    timeout: 120_000,
  },
});
