import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { watch } from 'node:fs';
import { join } from 'node:path';
import { createDatabase, startCluster } from './postgres.ts';
import { Stack } from './stack.ts';
import { root } from './state.ts';
import { untilEnded } from './untilEnded.ts';
import { wordsOf } from './words.ts';

/*
 * Starts Kelbrin from its sources, for those who build on it: the web app follows every change at once, and what runs on
 * the server beside it (jobs, workers, printers) is bundled and started again. The database is one of its own.
 */

const { values } = wordsOf({
  options: {
    fresh: { type: 'boolean', default: false },
    port: { type: 'string', default: '3100' },
    speed: { type: 'string', default: '30' },
    verbose: { type: 'boolean', default: false },
  },
});

/** Editors write a file in several goes; so long nothing has to have been written, ms. */
const SETTLED_MS = 200;

await untilEnded(async (started) => {
  if (!(await bundle())) throw new Error('The bundles could not be made.');
  started.cluster = await startCluster('demo');
  const databaseUrl = started.cluster.url('kelbrin_dev');
  await createDatabase(databaseUrl, { fresh: values.fresh });
  const stack = (started.stack = await Stack.start({
    databaseUrl,
    port: Number(values.port),
    printerSpeed: Number(values.speed),
    verbose: values.verbose,
    supervised: true,
    fromSources: true,
  }));
  follow(stack);
  console.log(`Kelbrin runs from its sources at ${stack.origin}. Ctrl-C stops everything; the data stays.`);
});

/** Bundles what runs beside the web app; false, with the reason on the screen, where it cannot be. */
async function bundle(): Promise<boolean> {
  const args = ['--import', 'tsx', 'ops/bundle.ts'];
  const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit' });
  const [code] = (await once(child, 'close')) as [number | null];
  return code === 0;
}

/** Has the job process, its workers and the printers go on with what was changed. */
function follow(stack: Stack): void {
  const changed = new Set<string>();
  let timer: ReturnType<typeof setTimeout> | undefined;
  let working = Promise.resolve();
  for (const folder of ['core', 'app/src/lib/server', 'app/src/lib/shared', 'printer/src']) {
    watch(join(root, folder), { recursive: true }, (_, name) => {
      if (!name?.endsWith('.ts') || name.includes('.test.') || name.includes('node_modules')) return;
      changed.add(folder);
      clearTimeout(timer);
      timer = setTimeout(() => (working = working.then(renew)), SETTLED_MS);
    });
  }

  async function renew(): Promise<void> {
    const folders = [...changed];
    changed.clear();
    const begun = performance.now();
    // What was running goes on while the sources cannot be bundled.
    if (!(await bundle())) return;
    await stack.end('jobs');
    stack.startJobs();
    if (folders.includes('printer/src')) {
      for (const [i, name] of stack.printers.entries()) {
        await stack.end(`printer ${name}`);
        stack.startPrinter(i);
      }
    }
    console.log(`Jobs and workers were renewed in ${((performance.now() - begun) / 1000).toFixed(1)} s.`);
  }
}
