import { buildAll } from './build.ts';
import { createDatabase, onDatabase, startCluster } from './postgres.ts';
import { prepareDatabase } from './stack.ts';

/** Builds everything, and starts a server with the databases that tests copy instead of filling one each. */
export async function startTestServer(): Promise<{ url: string; stop(): void }> {
  await buildAll();
  const cluster = process.env.DATABASE_URL ? undefined : await startCluster('test', true);
  const url = process.env.DATABASE_URL ?? cluster!.url('postgres');
  for (const [name, demo] of [
    ['empty', false],
    ['school', true],
  ] as const) {
    const database = onDatabase(url, `kelbrin_test_${name}`);
    await createDatabase(database, { fresh: true });
    prepareDatabase(database, { demo });
  }
  return { url, stop: () => cluster?.stop() };
}
