import { createHash, randomBytes } from 'node:crypto';
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

/** The given port if nobody listens there, or any free one. */
export async function freePort(wished = 0): Promise<number> {
  return new Promise((resolvePort, reject) => {
    const probe = createServer();
    probe.once('error', () =>
      wished === 0 ? reject(new Error('No free port')) : freePort().then(resolvePort, reject),
    );
    probe.listen(wished, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolvePort(port));
    });
  });
}
