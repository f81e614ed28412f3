import { readFileSync, readlinkSync } from 'node:fs';
import { basename } from 'node:path';

/** What a task's thread notes when it begins: its number for the machine, and the processor's time it had by then, ms. */
export type ThreadNote = Float64Array;

/** A note that a thread of this process can write and the others read. */
export const emptyNote = (): ThreadNote =>
  new Float64Array(new SharedArrayBuffer(2 * Float64Array.BYTES_PER_ELEMENT));

/** Notes which thread this is. A machine that does not tell (only Linux does) leaves the note empty. */
export function noteThread(note: ThreadNote): void {
  try {
    const thread = Number(basename(readlinkSync('/proc/thread-self')));
    note[1] = threadMs(thread);
    note[0] = thread;
  } catch {
    // Whoever reads an empty note takes the time on the clock.
  }
}

/** The processor's time that a noted thread has had since it was noted, ms; undefined where that is not known. */
export function processorMs(note: ThreadNote): number | undefined {
  try {
    return note[0] === 0 ? undefined : threadMs(note[0]) - note[1];
  } catch {
    // It has ended.
    return undefined;
  }
}

/** The processor's time that a thread of this process has had, ms: the first number of schedstat is in nanoseconds. */
function threadMs(thread: number): number {
  const [nanoseconds] = readFileSync(`/proc/self/task/${thread}/schedstat`, 'utf8').split(' ');
  return Number(nanoseconds) / 1e6;
}
