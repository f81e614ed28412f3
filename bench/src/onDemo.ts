import { buildAll } from '../../ops/build.ts';
import { createDatabase, onDatabase, startCluster } from '../../ops/postgres.ts';
import { Stack } from '../../ops/stack.ts';

/** Starts a Kelbrin with the demo school on a database of its own, and stops it when the work is done. */
export async function onDemo(
  name: string,
  work: (stack: Stack, databaseUrl: string) => Promise<void>,
): Promise<void> {
  await buildAll();
  const cluster = await startCluster(name, true);
  const databaseUrl = onDatabase(cluster.url('postgres'), `kelbrin_${name}`);
  await createDatabase(databaseUrl, { fresh: true });
  const stack = await Stack.start({ databaseUrl });
  let isEnding = false;
  /** Leaves no process behind, however it ends. */
  const end = async () => {
    if (isEnding) return;
    isEnding = true;
    await stack.stop();
    cluster.stop();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
    process.once(signal, () => void end().then(() => process.exit(1)));
  try {
    await work(stack, databaseUrl);
  } finally {
    await end();
  }
}
