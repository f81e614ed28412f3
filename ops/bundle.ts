import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { build, type BuildOptions } from 'esbuild';

/*
 * Bundles everything that runs on Node outside the web app: the command, the printer, the job process with its compute
 * worker, and the database set-up. What they use is bundled along, as a process that loads hundreds of small modules takes
 * a second longer to start.
 */

const common: BuildOptions = {
  bundle: true,
  platform: 'node',
  target: 'node20',
  format: 'esm',
  sourcemap: 'linked',
  metafile: true,
  logLevel: 'warning',
  // It finds its program beside its own file.
  external: ['harfbuzzjs'],
  absWorkingDir: new URL('..', import.meta.url).pathname,
};

const server = 'app/src/lib/server';

// Pieces of earlier builds have other names and would stay for ever.
rmSync(new URL('../cli/dist', import.meta.url), { recursive: true, force: true });

const bundles = await Promise.all([
  build({
    ...common,
    entryPoints: { kelbrin: 'cli/src/main.ts' },
    outdir: 'cli/dist',
    splitting: true,
    minify: true,
  }),
  build({ ...common, entryPoints: { printer: 'printer/src/main.ts' }, outdir: 'printer/dist' }),
  build({
    ...common,
    entryPoints: {
      jobs: `${server}/jobs.ts`,
      setup: `${server}/setup/main.ts`,
      computeWorker: `${server}/platform/compute/worker.ts`,
      passwordWorker: `${server}/platform/auth/passwordWorker.ts`,
    },
    outdir: 'app/dist',
    // Some are no modules and require by name what they need; others find a worker's or a program's file beside their own.
    external: ['harfbuzzjs', 'pg-boss', 'pino', 'piscina', 'serialport'],
  }),
]);

// What they take from packages is written down for the list of what ships; see `thirdParty.ts`.
const inputs = bundles.flatMap(({ metafile }) => Object.keys(metafile!.inputs));
const packages = inputs.flatMap((path) => /.*node_modules\/((?:@[^/]+\/)?[^/]+)/.exec(path)?.[1] ?? []);
const used = new URL('../app/.svelte-kit/used-packages/', import.meta.url);
mkdirSync(used, { recursive: true });
writeFileSync(new URL('bundles.json', used), JSON.stringify([...new Set(packages)]));
