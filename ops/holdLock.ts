import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { stateFolder } from './state.ts';

/**
 * Does something that two commands must not do at once. The lock is held by a child that ends with this process, however
 * that ends, so that nobody waits for one that is gone.
 */
export async function holdingLock<T>(name: string, work: () => Promise<T>): Promise<T> {
  mkdirSync(stateFolder, { recursive: true });
  const holder = spawn('flock', [join(stateFolder, `${name}.lock`), 'sh', '-c', 'echo held; cat'], {
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  try {
    await once(holder.stdout, 'data');
    return await work();
  } finally {
    holder.stdin.end();
  }
}
