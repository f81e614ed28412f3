import type { PauseReason } from '../../../shared/pauseReason.ts';
import type { DeviceStatus } from './driver.ts';

/*
 * What a printer answers, read word by word: it comes from a device on the network, and may be anything and of any
 * length.
 */

const pauseReasons: readonly PauseReason[] = ['user', 'filament', 'runout', 'clog', 'door'];
/** More of a line than this says nothing. */
const LONGEST_LINE = 500;

/** Reads "T:205.1 /210.0 B:59.8 /60.0" somewhere in a report. Throws a sentence where it is not there. */
export function readTemperatures(report: string): Omit<DeviceStatus, 'job'> {
  const [nozzleC, nozzleTargetC] = pairAfter(report, 'T:');
  const [bedC, bedTargetC] = pairAfter(report, 'B:');
  return { nozzleC, nozzleTargetC, bedC, bedTargetC };
}

/** Two numbers parted by a slash, after a sign that begins a word. */
function pairAfter(report: string, sign: string): [number, number] {
  for (let at = report.indexOf(sign); at >= 0; at = report.indexOf(sign, at + 1)) {
    if (at > 0 && !/\s/.test(report[at - 1])) continue;
    const [is, target] = report.slice(at + sign.length, at + sign.length + 40).split('/', 2);
    const pair = [Number(is), Number((target ?? '').trim().split(/\s/, 1)[0])] as [number, number];
    if (target !== undefined && is.trim() !== '' && pair.every(Number.isFinite)) return pair;
  }
  throw new Error('The printer sent a temperature report that cannot be read.');
}

/** What a report says of the file that is printed; undefined where none is. */
export function readJob(report: string): DeviceStatus['job'] {
  const lines = linesOf(report);
  const name = after(lines, 'Current file: ');
  const state = after(lines, 'SD printing byte ');
  if (!name || state === undefined) return undefined;
  const [bytes, ...rest] = state.split(',');
  const [done, total] = bytes.split('/').map(Number);
  if (!Number.isSafeInteger(done) || !Number.isSafeInteger(total)) return undefined;
  const why = rest.join(',').trim().startsWith('paused for ')
    ? rest.join(',').trim().slice('paused for '.length)
    : undefined;
  return {
    fileName: name.trim(),
    doneBytes: done,
    totalBytes: total,
    ...(why === undefined ? {} : { pausedFor: pauseReasons.find((each) => each === why) ?? 'other' }),
  };
}

/** Why a printer has stopped itself, if a report says so. */
export function readHalt(report: string): string | undefined {
  return after(linesOf(report), 'Error:');
}

function linesOf(report: string): string[] {
  return report.split('\n').map((line) => line.slice(0, LONGEST_LINE));
}

function after(lines: readonly string[], sign: string): string | undefined {
  return lines.find((line) => line.startsWith(sign) && line.length > sign.length)?.slice(sign.length);
}
