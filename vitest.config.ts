import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'unit', include: ['{core,app,server,demo,standins,shared}/**/*.test.ts'] } },
      { test: { name: 'external', include: ['tests/external/**/*.test.ts'], testTimeout: 30_000 } },
      {
        test: {
          name: 'integration', env: { ZAFFER_LOG: 'silent' }, include: ['tests/integration/**/*.test.ts'], globalSetup: ['tests/integration/support/globalSetup.ts'], fileParallelism: false, testTimeout: 120_000, hookTimeout: 120_000,
        },
      },
    ],
  },
})
