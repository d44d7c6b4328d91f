import { defineConfig } from '@playwright/test'
import { chromiumPath } from './tools/steps/chromium.mjs'

export default defineConfig({
  testDir: 'tests/browser',
  outputDir: '.test-data/browser-results',
  // each worker has an application of its own
  workers: Number(process.env.ZAFFER_BROWSER_WORKERS ?? 2),
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
    // a tenth of the time; with “--trace on” where a failure is looked into
    trace: 'off',
    // what is fading in or out would be judged for its contrast at that moment
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        // the shell fits letters to whole dots unless told not to, as no screen of today does
        '--font-render-hinting=none',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})
