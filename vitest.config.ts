import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** The full counts take their time. */
const deep = process.env.MARIPOSA_DEEP === '1'
/** What is made ready before a test has as long as a loaded machine needs, too, ms. */
const timeouts = { testTimeout: deep ? 1_800_000 : 600_000, hookTimeout: 600_000 }

// The core has no state but what it remembers, and what a test of the application needs it sets up for itself: with
// `isolate: false` both are loaded and made fast once, not once a file.
const alias = { '~': fileURLToPath(new URL('./app', import.meta.url)) }

export default defineConfig({
  test: {
    reporters: ['default'],
    // By default one core is left idle, which on two is half of them.
    maxWorkers: '100%',
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'unit',
          include: ['core/**/*.test.ts', 'cli/**/*.test.ts'],
          setupFiles: ['tests/support/seed.ts'],
          environment: 'node',
          isolate: false,
          ...timeouts,
        },
      },
      {
        resolve: { alias },
        test: {
          name: 'app',
          include: ['app/**/*.test.ts', 'server/**/*.test.ts'],
          setupFiles: ['tests/support/seed.ts'],
          environment: 'node',
          isolate: false,
          ...timeouts,
        },
      },
      {
        test: {
          name: 'e2e',
          include: ['tests/e2e/**/*.test.ts'],
          globalSetup: ['tests/support/run.ts'],
          setupFiles: ['tests/support/seed.ts'],
          environment: 'node',
          isolate: false,
          testTimeout: deep ? 7_200_000 : 600_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
})
