import { buildAll } from './build.ts';
import { createDatabase, onDatabase, startCluster } from './postgres.ts';
import { prepareDatabase } from './stack.ts';

/** A server of databases for tests. */
export interface TestServer {
  readonly url: string;
  stop(): void;
}

/**
 * Builds everything, and starts a server with the databases that tests copy instead of filling one each. `started` hears
 * of the server as soon as it runs, so that it can be stopped whatever becomes of the databases.
 */
export async function startTestServer(started: (server: TestServer) => void): Promise<void> {
  await buildAll();
  const cluster = process.env.DATABASE_URL ? undefined : await startCluster('test', true);
  const url = process.env.DATABASE_URL ?? cluster!.url('postgres');
  started({ url, stop: () => cluster?.stop() });
  for (const [name, demo] of [
    ['empty', false],
    ['school', true],
  ] as const) {
    const database = onDatabase(url, `kelbrin_test_${name}`);
    await createDatabase(database, { fresh: true });
    prepareDatabase(database, { demo });
  }
}
