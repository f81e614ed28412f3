import { resolve } from 'node:path';
import { startCluster } from './postgres.ts';

/** The secrets without which what a database holds is of less use: nobody would stay signed in, and the first code changes. */
export const SECRETS = ['session-secret'] as const;

/** The database that a command speaks of: the one that DATABASE_URL names, or that of a cluster of Kelbrin's own. */
export async function schoolDatabase(name: string): Promise<{ databaseUrl: string; close(): void }> {
  if (process.env.DATABASE_URL) return { databaseUrl: process.env.DATABASE_URL, close: () => {} };
  if (name !== 'school' && name !== 'demo') {
    console.error(`There is no “${name}” to keep; there are school and demo.`);
    process.exit(2);
  }
  const cluster = await startCluster(name);
  return { databaseUrl: cluster.url('kelbrin'), close: () => cluster.stop() };
}

/** The path of a file that was named where the command was called. */
export function asCalled(file: string): string {
  return resolve(process.env.KELBRIN_CALLED_FROM ?? '.', file);
}
