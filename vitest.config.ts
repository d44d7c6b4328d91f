import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { chromiumPath } from './tools/steps/chromium.mjs'

const alias = {
  '~~': fileURLToPath(new URL('.', import.meta.url)),
  '~': fileURLToPath(new URL('./app', import.meta.url)),
}

const setupFiles = ['tests/support/fixedSeed.ts']

const integration = {
  setupFiles,
  env: { ZAFFER_LOG: 'silent', ZAFFER_CHROMIUM: chromiumPath() },
  include: ['tests/integration/**/*.test.ts'],
  globalSetup: ['tests/integration/support/globalSetup.ts'],
  maxWorkers: 2,
  // how long a test may hang, on a machine that does other things too: how fast something is, is measured in bench/
  testTimeout: 300_000,
  hookTimeout: 300_000,
}
const alone = ['overload', 'serverSettings', 'start'].map((name) => `tests/integration/${name}.test.ts`)

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          setupFiles,
          maxWorkers: 2,
          // they share nothing that changes, so that files of one worker share what they import
          isolate: false,
          include: ['{core,app,server,demo,standins,shared}/**/*.test.ts'],
          testTimeout: 120_000,
        },
      },
      {
        test: {
          name: 'external',
          setupFiles,
          maxWorkers: 2,
          isolate: false,
          include: ['tests/external/**/*.test.ts'],
          testTimeout: 120_000,
        },
      },
      // beside what follows: a copy of everything is looked at for a minute, by one process
      {
        test: {
          name: 'house',
          maxWorkers: 2,
          include: ['tests/house/**/*.test.ts'],
          testTimeout: 120_000,
          sequence: { groupOrder: 1 },
        },
      },
      // each file has a database of its own, so that two of them run at a time …
      { test: { ...integration, name: 'integration', exclude: alone, sequence: { groupOrder: 1 } } },
      // … but those that stop servers, fill the machine or measure how long somebody waits
      { test: { ...integration, name: 'alone', include: alone, fileParallelism: false, sequence: { groupOrder: 2 } } },
    ],
  },
})
