import { buildAll } from './build.ts';
import { createDatabase, startCluster, type Cluster } from './postgres.ts';
import { Stack } from './stack.ts';
import { wordsOf } from './words.ts';

/*
 * Runs Kelbrin for a school: no demo, no simulated printers, a database of its own or the one that DATABASE_URL names.
 * See docs/operating.md.
 */

const { values } = wordsOf({
  options: {
    address: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string', default: '3000' },
    origin: { type: 'string' },
  },
});

let cluster: Cluster | undefined;
let stack: Stack | undefined;
let isStopping = false;

async function stop(code: number): Promise<void> {
  if (isStopping) return;
  isStopping = true;
  await stack?.stop();
  cluster?.stop();
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void stop(0));

try {
  await buildAll();
  if (!process.env.DATABASE_URL) cluster = await startCluster('school');
  const databaseUrl = process.env.DATABASE_URL ?? cluster!.url('kelbrin');
  await createDatabase(databaseUrl);
  stack = await Stack.start({
    databaseUrl,
    address: values.address,
    port: Number(values.port),
    demo: false,
    printers: false,
    verbose: true,
    supervised: true,
    ...(values.origin ? { origin: values.origin } : {}),
  });
  console.log(`Kelbrin answers at ${stack.origin}, and listens on ${values.address}, port ${values.port}.`);
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  await stop(1);
}
// The children keep this process company; without them it would end here.
setInterval(() => {}, 1 << 30);
