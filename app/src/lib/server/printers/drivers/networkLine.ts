import { connect } from 'node:net';
import { say } from '@kelbrin/core/words';
import type { OpenLine } from './line.ts';

/** How long a printer on the network may take to answer a call. */
const ANSWER_MS = 5_000;

/** A line over TCP. */
export function networkLine(host: string, port: number): OpenLine {
  return ({ onText, onEnd }) =>
    new Promise((resolve, reject) => {
      const socket = connect({ host, port });
      const giveUp = () => {
        socket.destroy();
        reject(new Error(say('The printer does not answer: is it switched on?')));
      };
      socket.setTimeout(ANSWER_MS, giveUp);
      socket.once('error', giveUp);
      socket.once('connect', () => {
        socket.setTimeout(0);
        socket.off('error', giveUp);
        socket.setNoDelay(true).setEncoding('utf8');
        socket.on('data', (text: string) => onText(text));
        socket.on('error', () => onEnd(say('The connection to the printer broke.')));
        socket.on('close', () => onEnd(say('The connection to the printer was closed.')));
        resolve({ write: (text) => void socket.write(text), close: () => void socket.destroy() });
      });
    });
}
