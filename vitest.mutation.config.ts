import { defineConfig } from 'vitest/config'

/** For mutation runs: the tests of the folder that is changed, and of the front door, at everyday counts. */
export default defineConfig({
  test: {
    include: [`${process.env.MARIPOSA_MUTATED ?? 'core'}/**/*.test.ts`, 'core/assess.test.ts'],
    setupFiles: ['tests/support/seed.ts'],
    environment: 'node',
    testTimeout: 180_000,
  },
})
