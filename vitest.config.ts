import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    reporters: ['default'],
    projects: [
      { test: { name: 'unit', include: ['core/**/*.test.ts', 'cli/**/*.test.ts', 'server/**/*.test.ts'], environment: 'node', testTimeout: 60_000 } },
      { test: { name: 'e2e', include: ['tests/e2e/**/*.test.ts'], environment: 'node', testTimeout: 180_000, hookTimeout: 120_000, fileParallelism: false } },
    ],
  },
})
