import { spawnSync } from 'node:child_process';
import { startCluster } from './postgres.ts';

/* Opens psql on the demo's database, starting its server for the time if it does not run. */

const cluster = process.env.DATABASE_URL ? undefined : await startCluster('demo');
const url = process.env.DATABASE_URL ?? cluster!.url('kelbrin');
const { status } = spawnSync('psql', [url, ...process.argv.slice(2)], { stdio: 'inherit' });
cluster?.stop();
process.exitCode = status ?? 1;
