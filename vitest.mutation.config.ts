import { defineConfig } from 'vitest/config'

/**
 * For mutation runs: the tests of the folder that is changed, at everyday counts; with `--front-door` those of the
 * whole assessment too, which take most of a minute for every change.
 */
export default defineConfig({
  test: {
    include: [
      `${process.env.MARIPOSA_MUTATED ?? 'core'}/**/*.test.ts`,
      ...(process.env.MARIPOSA_FRONT_DOOR ? ['core/assess.test.ts'] : []),
    ],
    setupFiles: ['tests/support/seed.ts'],
    environment: 'node',
    testTimeout: 180_000,
  },
})
