import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: 'tests/e2e',
  testMatch: '*.spec.mjs',
  workers: 2,
  fullyParallel: true,
  // A machine that is busy otherwise is slow, not wrong.
  timeout: 240_000,
  expect: { timeout: 20_000 },
  forbidOnly: true,
  retries: 0,
  reporter: [['list'], ['json', { outputFile: 'artifacts/test/e2e.json' }]],
  outputDir: 'artifacts/test/e2e',
  use: {
    // A foreign zone and language: nothing shown may follow the browser's.
    timezoneId: 'America/New_York',
    locale: 'de-DE',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--host-resolver-rules=MAP farm.test 127.0.0.1',
      ],
    },
  },
});
