import { codeLines } from './codeLines.ts';
import { exampleValues } from './codeValues.ts';
import type { MachineSheet } from './machineSheet.ts';
import { writtenCode } from './writtenCode.ts';

/**
 * How much filament a printer pushes out when it changes to another one by itself, mm: the sum of all that its code draws back
 * and pushes.
 */
export function purgeMm(sheet: MachineSheet): number {
  let [isCounted, at, pushedMm] = [false, 0, 0];
  for (const { command, words } of codeLines(
    writtenCode(sheet.code.filamentChange, exampleValues(sheet)).join('\n'),
  ).lines) {
    const word = words.find(({ letter }) => letter === 'E')?.value[0];
    const e = word && 'text' in word ? Number(word.text) : undefined;
    if (command === 'M82' || command === 'M83') isCounted = command === 'M82';
    else if (e !== undefined && command === 'G92') at = e;
    else if (e !== undefined) {
      pushedMm += isCounted ? e - at : e;
      at = isCounted ? e : at + e;
    }
  }
  return Math.max(0, pushedMm);
}

/** Whether a stretch of code says which filament is to be in the nozzle. */
export function choosesFilament(code: string): boolean {
  return codeLines(code).lines.some(({ command }) => command?.startsWith('T') === true);
}
