import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        // Some of the app's state is written with Svelte's runes, which have to be compiled.
        plugins: [svelte({ configFile: false })],
        test: {
          name: 'unit',
          include: [
            'core/**/*.test.ts',
            'cli/**/*.test.ts',
            'printer/**/*.test.ts',
            'app/src/**/*.unit.test.ts',
          ],
          setupFiles: ['core/test/seed.ts'],
          testTimeout: 30_000,
          maxWorkers: 2,
        },
      },
      {
        test: {
          name: 'database',
          include: ['app/src/**/*.db.test.ts'],
          // Each file has a database of its own; two at a time keep two cores busy.
          maxWorkers: 2,
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
