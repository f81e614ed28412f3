import { availableParallelism } from 'node:os';
import { dirname, resolve } from 'node:path';
import { Piscina } from 'piscina';
import { serverConfig } from '../basics/config.ts';
import type { PasswordTask } from './passwordWorker.ts';

/** So many sign-ins may wait; whoever comes after them is asked to try again. */
const MOST_WAITING = 300;

let workers: Piscina<PasswordTask, string | boolean> | undefined;

/**
 * Hashing a password is made to take long. It is done on threads that answer nobody and step back behind those that do,
 * so that a class that signs in at once holds up no page.
 */
function run(task: PasswordTask): Promise<string | boolean> {
  workers ??= new Piscina({
    filename: resolve(dirname(serverConfig().KELBRIN_COMPUTE_WORKER), 'passwordWorker.js'),
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: 30_000,
    maxQueue: MOST_WAITING,
    niceIncrement: 5,
    recordTiming: false,
  });
  return workers.run(task);
}

/** The hash of a password or PIN, with its salt. */
export async function hashPassword(password: string): Promise<string> {
  return String(await run({ password }));
}

/** Whether a password or PIN is the one that a hash was made from. */
export async function verifyPassword(given: { password: string; hash: string }): Promise<boolean> {
  return (await run(given)) === true;
}

/** Ends the threads; a password that comes later starts new ones. */
export async function closePasswords(): Promise<void> {
  const open = workers;
  workers = undefined;
  await open?.destroy();
}
