import { createServer, type Server, type Socket } from 'node:net';
import type { AddressInfo } from 'node:net';
import { Conversation } from './conversation.ts';
import { faultsOf, type FaultKind } from './faults.ts';
import { Machine } from './machine.ts';
import type { Model } from './model.ts';
import { PseudoTerminal } from './pseudoTerminal.ts';

export interface PrinterOptions {
  readonly name: string;
  /** 0 takes any free port. */
  readonly port: number;
  /** Virtual seconds that pass in a real one. */
  readonly speed: number;
  /** Share of numbered lines that arrive damaged, 0 to 1; which ones is the same in every run. */
  readonly noise?: number;
  /** Where a pseudo-terminal is offered too, as if the printer were plugged in there. */
  readonly terminal?: string;
  /** What it can do; left out, an ordinary printer. */
  readonly model?: Model;
  /** Has faults strike by themselves, one in each file; the same seed strikes the same. */
  readonly faultSeed?: number;
}

export interface RunningPrinter {
  readonly port: number;
  readonly machine: Machine;
  /** Has a fault strike now. */
  fault(kind: FaultKind): void;
  /** Its cable, where it has one. */
  readonly cable: PseudoTerminal | undefined;
  close(): Promise<void>;
}

const TICK_MS = 25;
/** While something takes long, a printer says so every second. */
const BUSY_TURNS = 40;
/** How long a lost network stays away, and a slow printer slow, in virtual seconds; what a slow one takes over an answer. */
const NETWORK_AWAY_S = 60;
const POWER_AWAY_S = 90;
const SLOW_S = 120;
const SLOW_ANSWER_MS = 900;
/** A line longer than this is not G-code. */
const LONGEST_LINE = 4096;

/** Starts a simulated printer that listens on loopback. Its machine goes on whether or not anyone is connected. */
export async function startPrinter(options: PrinterOptions): Promise<RunningPrinter> {
  const machine = new Machine(options.model);
  const sockets = new Set<Socket>();
  const disturbed = disturbance(options.noise ?? 0);
  machine.announce = (message) => {
    for (const socket of sockets) socket.write(`${message}\n`);
  };

  /** Virtual time, and until when the printer is not reached or slow. */
  let nowS = 0;
  let awayUntilS = 0;
  let slowUntilS = 0;
  const fault = (kind: FaultKind) => {
    if (kind === 'heater') machine.breakHeater();
    else if (kind === 'slow') slowUntilS = nowS + SLOW_S;
    else if (kind === 'network' || kind === 'power') {
      if (kind === 'power') machine.restart();
      awayUntilS = nowS + (kind === 'power' ? POWER_AWAY_S : NETWORK_AWAY_S);
      for (const socket of sockets) socket.destroy();
    } else machine.pause(kind);
  };
  const strike = strikes(machine, fault, options.faultSeed);

  let last = performance.now();
  const clock = setInterval(() => {
    const now = performance.now();
    const passedS = ((now - last) / 1000) * options.speed;
    nowS += passedS;
    machine.advance(passedS);
    last = now;
    strike();
  }, TICK_MS);

  const server = createServer((socket) => {
    if (nowS < awayUntilS) return void socket.destroy();
    sockets.add(socket);
    socket.setNoDelay(true);
    socket.write('start\n');
    const conversation = new Conversation(machine, options.name, disturbed, fault);
    converse(socket, conversation, {
      delayMs: () => (nowS < slowUntilS ? SLOW_ANSWER_MS : 0),
      isMoving: () => machine.isMoving,
    });
    socket.on('close', () => sockets.delete(socket));
    socket.on('error', () => socket.destroy());
  });
  await listen(server, options.port);
  const { port } = server.address() as AddressInfo;
  const cable = options.terminal === undefined ? undefined : new PseudoTerminal(options.terminal, port);
  cable?.plugIn();
  return {
    port,
    cable,
    machine,
    fault,
    async close() {
      await cable?.unplug();
      clearInterval(clock);
      for (const socket of sockets) socket.destroy();
      await new Promise((resolve) => server.close(resolve));
    },
  };
}

interface Pace {
  /** How long the printer takes for an answer. */
  delayMs(): number;
  isMoving(): boolean;
}

function converse(socket: Socket, conversation: Conversation, { delayMs, isMoving }: Pace): void {
  let pending = '';
  const send = (answers: readonly string[]) => socket.write(answers.map((answer) => `${answer}\n`).join(''));
  /** Says at times that it is busy, and answers when the move is done. */
  const sendAtRest = (answers: readonly string[], turn = 1) => {
    if (socket.destroyed) return;
    if (!isMoving()) return void send(answers);
    if (turn % BUSY_TURNS === 0) send(['echo:busy: processing']);
    setTimeout(() => sendAtRest(answers, turn + 1), TICK_MS);
  };
  socket.setEncoding('utf8');
  socket.on('data', (chunk: string) => {
    const lines = (pending + chunk).split(/\r?\n/);
    pending = lines.pop()!;
    if (pending.length > LONGEST_LINE) pending = '';
    const answers = lines.flatMap((line) => conversation.answer(line));
    if (answers.length === 0) return;
    if (lines.some((line) => /\bM400\b/.test(line))) return sendAtRest(answers);
    const delay = delayMs();
    if (delay === 0) send(answers);
    else setTimeout(() => !socket.destroyed && send(answers), delay);
  });
}

/** Looks whether it is time for the next of the faults that strike by themselves: one in each file. */
function strikes(machine: Machine, fault: (kind: FaultKind) => void, seed: number | undefined): () => void {
  if (seed === undefined) return () => {};
  const faults = faultsOf(seed);
  let next = faults.next().value!;
  let struck: unknown;
  return () => {
    const { job } = machine;
    if (!job?.running || job === struck || job.at < next.atShare * job.content.length) return;
    struck = job;
    fault(next.kind);
    next = faults.next().value!;
  };
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
