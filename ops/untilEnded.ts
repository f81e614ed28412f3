import type { Cluster } from './postgres.ts';
import type { Stack } from './stack.ts';

/** What a command has started so far, to be stopped in the end. */
export interface Started {
  cluster?: Cluster;
  stack?: Stack;
}

/**
 * Starts what goes on until the command is ended (Ctrl-C, TERM), and stops it then; or at once where starting fails, with
 * the reason. `start` notes what it has started as it goes.
 */
export async function untilEnded(start: (started: Started) => Promise<void>): Promise<void> {
  const started: Started = {};
  let isStopping = false;
  const stop = async (code: number) => {
    if (isStopping) return;
    isStopping = true;
    await started.stack?.stop();
    started.cluster?.stop();
    process.exit(code);
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void stop(0));
  try {
    await start(started);
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    await stop(1);
  }
  // The children keep this process company; without them it would end here.
  setInterval(() => {}, 1 << 30);
}
