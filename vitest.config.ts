import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{core,sheets,contract,server,channels,web,demo,cli}/test/**/*.test.ts', 'e2e/**/*.test.ts'],
    globalSetup: 'e2e/demoFolder.ts',
    testTimeout: 60_000,
    hookTimeout: 60_000,
  },
});
