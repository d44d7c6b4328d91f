import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const alias = {
  '~~': fileURLToPath(new URL('.', import.meta.url)),
  '~': fileURLToPath(new URL('./app', import.meta.url)),
}

const setupFiles = ['tests/support/fixedSeed.ts']

export default defineConfig({
  test: {
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          setupFiles,
          include: ['{core,app,server,demo,standins,shared}/**/*.test.ts', 'tests/house/**/*.test.ts'],
        },
      },
      { test: { name: 'external', setupFiles, include: ['tests/external/**/*.test.ts'], testTimeout: 30_000 } },
      {
        test: {
          name: 'integration',
          setupFiles,
          env: { ZAFFER_LOG: 'silent' },
          include: ['tests/integration/**/*.test.ts'],
          globalSetup: ['tests/integration/support/globalSetup.ts'],
          fileParallelism: false,
          testTimeout: 120_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
