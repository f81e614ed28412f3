import type { Reader } from './readers.ts';

/** What a reader may take for one input. */
export const MOST_SECONDS = 2;
export const MOST_MB = 300;
/** A refusal is one sentence, that fits on a screen. */
const LONGEST_SENTENCE = 400;

/** How an input was read. */
export interface Trial {
  readonly seconds: number;
  readonly megabytes: number;
  /** What must not have been, in words. */
  readonly fault?: string;
}

/** Whether an input took too long, and nothing else is wrong with it. */
export function isOnlySlow({ fault, megabytes }: Trial): boolean {
  return fault?.startsWith('it took') === true && megabytes <= MOST_MB;
}

/** Whether what must not have been is a matter of time or memory, which other work on the machine adds to. */
export function isMeasured({ fault, seconds, megabytes }: Trial): boolean {
  return fault !== undefined && (seconds > MOST_SECONDS || megabytes > MOST_MB);
}

/** Reads an input and says how that went: processor time, memory that was held at once, and what it ended in. */
export function tried({ read }: Reader, input: string | Uint8Array): Trial {
  const memoryBefore = peakMb();
  const before = process.cpuUsage();
  let said: string | undefined;
  let thrown: unknown;
  try {
    said = read(input);
  } catch (error) {
    thrown = error;
  }
  const { user, system } = process.cpuUsage(before);
  const seconds = (user + system) / 1e6;
  const megabytes = peakMb() - memoryBefore;
  return { seconds, megabytes, fault: faultOf(said, thrown, seconds, megabytes) };
}

function faultOf(said: string | undefined, thrown: unknown, seconds: number, megabytes: number) {
  if (thrown !== undefined) return `it threw ${thrown instanceof Error ? (thrown.stack ?? thrown.message) : String(thrown)}`; // oxfmt-ignore
  if (said !== undefined && (said === '' || said.length > LONGEST_SENTENCE || said.includes('\n')))
    return `it said “${said.slice(0, 600)}”, which is no sentence`;
  if (seconds > MOST_SECONDS) return `it took ${seconds.toFixed(1)} s`;
  if (megabytes > MOST_MB) return `it held ${Math.round(megabytes)} MB more`;
  return undefined;
}

/** The most memory that the process has held so far, MB. */
function peakMb(): number {
  return process.resourceUsage().maxRSS / 1024;
}
