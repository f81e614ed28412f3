import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** Three files at a time keep two cores busy, as some wait for printers. Projects that run together have as many. */
const WORKERS = 3;

/** Tests of what uses the process's own connection, of which there is one for as long as the process lives. */
const usingTheProcess = [
  'app/src/lib/server/platform/auth/*.db.test.ts',
  'app/src/lib/server/people/{firstTeacher,people,staff}.db.test.ts',
  'app/src/lib/server/handIns/boss.db.test.ts',
];

/** Files that take long though they are short: they wait for printers, or build and slice every example. */
const LONG = [
  'keeping/faults.db.test.ts',
  'printerProcess.db.test.ts',
  'printRoom.db.test.ts',
  'compute/compute.db.test.ts',
  'batches/sheets.unit.test.ts',
];

/** Begins with what takes long, so that the rest fills the gaps; otherwise the largest files come first. */
class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const isLong = ({ moduleId }: TestSpecification) => Number(LONG.some((end) => moduleId.endsWith(end)));
    return (await super.sort(files)).toSorted((a, b) => isLong(b) - isLong(a));
  }
}

export default defineConfig({
  test: {
    sequence: { sequencer: LongestFirst },
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
            'ops/**/*.unit.test.ts',
            'fuzz/**/*.test.ts',
          ],
          setupFiles: ['core/test/seed.ts'],
          testTimeout: 300_000,
          maxWorkers: WORKERS,
          // The core is pure, so its tests cannot disturb each other, and the kernel is loaded twice instead of 80 times.
          isolate: false,
        },
      },
      {
        test: {
          name: 'database',
          include: ['app/src/**/*.db.test.ts', 'ops/**/*.db.test.ts'],
          exclude: usingTheProcess,
          setupFiles: ['core/test/seed.ts'],
          // Each file has a database of its own.
          maxWorkers: WORKERS,
          isolate: false,
          testTimeout: 300_000,
          hookTimeout: 300_000,
        },
      },
      {
        test: {
          name: 'database-process',
          include: usingTheProcess,
          maxWorkers: WORKERS,
          testTimeout: 300_000,
          hookTimeout: 300_000,
        },
      },
    ],
  },
});
