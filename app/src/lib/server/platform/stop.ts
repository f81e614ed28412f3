import { closePasswords } from './auth/passwords.ts';
import { compute } from './compute/compute.ts';
import { connection } from './db/database.ts';
import { closeStreams } from './live/streams.ts';

/**
 * Has the web app end soon after it is asked to: pages that follow it are let go, requests that are under way are
 * answered, and what keeps the process alive is closed. The pages come back by themselves when it runs again.
 */
export function stopWhenAsked(): void {
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, closeStreams);
  // Sent by the server when its last connection is closed.
  process.once('sveltekit:shutdown', async () => {
    await Promise.all([compute().close(), closePasswords()]);
    await connection().sql.end({ timeout: 2 });
    process.exit(0);
  });
}
