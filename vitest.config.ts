import { defineConfig } from 'vitest/config';

/** Much longer than anything takes on a machine at rest: a busy one is no fault. */
const TIMES = { testTimeout: 180_000, hookTimeout: 300_000 };

/** Tests that take minutes: `npm run test:long`. */
const LEFT_OUT = process.env.LOOM_KIN_LONG === 'yes' ? [] : ['**/*.long.test.ts'];

export default defineConfig({
  test: {
    globalSetup: 'e2e/demoFolder.ts',
    projects: [
      // What they import is read once for all of them; it keeps nothing of what a test did.
      {
        test: {
          ...TIMES,
          name: 'shared',
          include: ['{core,sheets,contract,server,channels,demo,cli}/test/**/*.test.ts', 'e2e/**/*.test.ts'],
          exclude: ['**/node_modules/**', ...LEFT_OUT],
          isolate: false,
        },
      },
      // Modules that stand in for others, and stores that live as long as their module.
      { test: { ...TIMES, name: 'alone', include: ['web/test/**/*.test.ts'] } },
    ],
  },
});
