import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['core/**/*.test.ts', 'cli/**/*.test.ts', 'printer/**/*.test.ts', 'app/src/**/*.unit.test.ts'],
          testTimeout: 30_000,
        },
      },
      {
        test: {
          name: 'database',
          include: ['app/src/**/*.db.test.ts'],
          fileParallelism: false,
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
