import { randomBytes } from 'node:crypto';
import { inPlainAscii } from '@kelbrin/core/machine';

/** So many characters of a name do small displays of printers show. */
const SHOWN = 20;

/**
 * What the file of a run is called, on the printer or on the card that is carried there: the first characters tell batch
 * and printer, and the end tells the run from every other.
 */
export function fileNameOf(batchNumber: number, printerName: string): string {
  const plain = inPlainAscii(printerName)
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  const first = `b${batchNumber}-${plain || 'printer'}`.slice(0, SHOWN);
  return `${first}-${randomBytes(5).toString('hex')}.gcode`;
}
