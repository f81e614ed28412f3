import { defineConfig } from '@playwright/test';
import { chromiumOptions } from '../ops/chromium.ts';

/** Files that take long; they come first, so that short ones fill the gaps at the end. */
const LONG = ['batches', 'bench', 'building', 'crashes', 'review', 'school'].map((name) => `${name}.spec.ts`);

export default defineConfig({
  testDir: 'src',
  outputDir: '../test-results',
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'short', testIgnore: LONG },
  ],
  // Each file starts a Kelbrin of its own; with one more than cores, these have work while a file waits for a printer.
  workers: 3,
  // What takes long is measured elsewhere: these limits only end what hangs, also on a machine that is ten times slower.
  // They stand here alone, so that no test keeps a limit of its own that such a machine misses.
  timeout: 900_000,
  expect: { timeout: 120_000 },
  forbidOnly: true,
  use: {
    viewport: { width: 1280, height: 800 },
    // Solids are drawn by the processor here: a quarter of the pixels is drawn in a quarter of its time.
    deviceScaleFactor: 0.5,
    launchOptions: chromiumOptions,
    screenshot: 'only-on-failure',
    // Longer than anything takes, and short of the test's own limit, so that what is missing is named soon.
    actionTimeout: 180_000,
  },
});
