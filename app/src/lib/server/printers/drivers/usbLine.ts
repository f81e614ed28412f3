import { say } from '@kelbrin/core/words';
import type { OpenLine } from './line.ts';

/**
 * A line over a USB cable, at a speed in bits a second. The port stays as it is when it is closed: many printers take a
 * change of its control lines for a reset, which would end what they print.
 */
export function usbLine(path: string, baudRate: number): OpenLine {
  return async ({ onText, onEnd }) => {
    // It brings a program of its own for each kind of machine: printers on the network do without it.
    const { SerialPort } = await import('serialport');
    return new Promise((resolve, reject) => {
      const port = new SerialPort({ path, baudRate, autoOpen: false, hupcl: false });
      let isClosed = false;
      const end = (why: string) => {
        if (!isClosed) onEnd(why);
        isClosed = true;
      };
      port.on('data', (bytes: Buffer) => onText(bytes.toString('latin1')));
      port.on('error', () => end(say('The connection to the printer broke.')));
      port.on('close', () => end(say('The cable to the printer was unplugged.')));
      port.open((problem) => {
        if (problem) {
          isClosed = true;
          return reject(
            new Error(say('No printer is plugged in there: is the cable in, and the printer switched on?')),
          );
        }
        resolve({
          write: (text) => void port.write(text, 'latin1'),
          close() {
            isClosed = true;
            // What could not be sent any more is nobody's concern.
            if (port.isOpen) port.close(() => {});
          },
        });
      });
    });
  };
}
