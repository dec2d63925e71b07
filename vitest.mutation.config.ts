import { defineConfig } from 'vitest/config'

/** For mutation runs: unit tests of the core alone, at the counts of everyday. */
export default defineConfig({
  test: {
    include: ['core/**/*.test.ts'],
    setupFiles: ['tests/support/seed.ts'],
    environment: 'node',
    testTimeout: 180_000,
  },
})
