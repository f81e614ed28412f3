import { createHash, randomBytes, randomInt } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';

/** The top of the repository. */
export const root = resolve(import.meta.dirname, '..');

/** Whether PostgreSQL has to be run by another user, since it refuses to run as root. */
export const isRoot = process.getuid?.() === 0;

/**
 * Where databases and secrets are kept between runs. Root's own folders are closed to the `postgres` user, so root
 * keeps them under /var/lib, one folder for each checkout.
 */
export const stateFolder =
  process.env.KELBRIN_STATE ??
  (isRoot
    ? join('/var/lib/kelbrin', createHash('sha256').update(root).digest('hex').slice(0, 12))
    : join(root, '.kelbrin'));

/** The content of a small file in the state folder, made at first use and readable by its owner alone. */
export function kept(name: string, make: () => string): string {
  const path = join(stateFolder, name);
  mkdirSync(stateFolder, { recursive: true });
  if (!existsSync(path)) {
    writeFileSync(path, make(), { mode: 0o600 });
    chmodSync(path, 0o600);
  }
  return readFileSync(path, 'utf8').trim();
}

/** A secret that stays the same from run to run. */
export function secret(name: string): string {
  return kept(name, () => randomBytes(32).toString('hex'));
}

/**
 * Ports below those that systems lend to outgoing connections (from 32768 on Linux, from 49152 by the standard):
 * while a process is being started again, nobody else is given its port.
 */
const NEVER_LENT = { from: 20_000, below: 32_768 };

/** The given port if nobody listens there, or any free one that no outgoing connection is ever given. */
export async function freePort(wished = 0): Promise<number> {
  for (let tries = 0; tries < 100; tries++) {
    const port = tries === 0 && wished !== 0 ? wished : randomInt(NEVER_LENT.from, NEVER_LENT.below);
    if (await isFree(port)) return port;
  }
  throw new Error('No free port');
}

/** Whether a process can listen at a port of this machine. */
function isFree(port: number): Promise<boolean> {
  return new Promise((answer) => {
    const probe = createServer();
    probe.once('error', () => answer(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => answer(true)));
  });
}
