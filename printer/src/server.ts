import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { Conversation } from './conversation.ts';
import { Machine } from './machine.ts';

export interface PrinterOptions {
  readonly name: string;
  /** 0 takes any free port. */
  readonly port: number;
  /** Virtual seconds that pass in a real one. */
  readonly speed: number;
  /** Share of numbered lines that arrive damaged, 0 to 1; which ones is the same in every run. */
  readonly noise?: number;
}

export interface RunningPrinter {
  readonly port: number;
  readonly machine: Machine;
  close(): Promise<void>;
}

const TICK_MS = 25;
/** A line longer than this is not G-code. */
const LONGEST_LINE = 4096;

/** Starts a simulated printer that listens on loopback. Its machine goes on whether or not anyone is connected. */
export async function startPrinter(options: PrinterOptions): Promise<RunningPrinter> {
  const machine = new Machine();
  const sockets = new Set<Socket>();
  const disturbed = disturbance(options.noise ?? 0);
  machine.announce = (message) => {
    for (const socket of sockets) socket.write(`${message}\n`);
  };

  let last = performance.now();
  const clock = setInterval(() => {
    const now = performance.now();
    machine.advance(((now - last) / 1000) * options.speed);
    last = now;
  }, TICK_MS);

  const server = createServer((socket) => {
    sockets.add(socket);
    socket.setNoDelay(true);
    socket.write('start\n');
    converse(socket, new Conversation(machine, options.name, disturbed));
    socket.on('close', () => sockets.delete(socket));
    socket.on('error', () => socket.destroy());
  });
  await listen(server, options.port);
  return {
    port: (server.address() as AddressInfo).port,
    machine,
    async close() {
      clearInterval(clock);
      for (const socket of sockets) socket.destroy();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

function converse(socket: Socket, conversation: Conversation): void {
  let pending = '';
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => {
    const lines = (pending + chunk).split(/\r?\n/);
    pending = lines.pop()!;
    if (pending.length > LONGEST_LINE) pending = '';
    const answers = lines.flatMap((line) => conversation.answer(line));
    if (answers.length > 0) socket.write(answers.map((answer) => `${answer}\n`).join(''));
  });
}

/** A repeatable sequence of yes and no with the given share of yes (a linear congruential generator). */
function disturbance(share: number): () => boolean {
  let state = 12345;
  return () => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    return state / 2 ** 32 < share;
  };
}

function listen(server: Server, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
}
