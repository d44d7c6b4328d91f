import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: '.test-data/browser-results',
  // a browser and its application fill two cores; where there are more, each further worker has an application of its own
  workers: Number(process.env.ZAFFER_BROWSER_WORKERS ?? 1),
  fullyParallel: false,
  forbidOnly: true,
  retries: 0,
  // a machine half as fast, and busy, passes too
  timeout: 240_000,
  expect: { timeout: 30_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['list'], ['json']] : [['list']],
  globalSetup: './tests/browser/support/globalSetup.ts',
  use: {
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    viewport: { width: 1280, height: 800 },
    acceptDownloads: true,
    trace: 'retain-on-failure',
    // what is fading in or out would be judged for its contrast at that moment
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.ZAFFER_CHROMIUM ?? '/usr/bin/chromium',
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
})
