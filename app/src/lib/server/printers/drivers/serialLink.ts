import { say } from '@kelbrin/core/words';
import type { Sending } from './driver.ts';
import type { OpenLine, PrinterLine } from './line.ts';

/** How long a printer may take over one answer. */
const ANSWER_MS = 5_000;
/** How many lines may be on their way at once. */
const WINDOW = 16;

interface Exchange {
  readonly replies: string[];
  resolve(replies: string[]): void;
  reject(error: Error): void;
}

/**
 * Talks to a printer line by line: every line carries a number and a checksum, every line is answered with `ok`, and a
 * line that arrived damaged is sent again when the printer asks for it.
 */
export class SerialLink {
  #line: PrinterLine | undefined;
  /** Lines that are on their way, oldest first; each will be answered with one `ok`. */
  #inFlight: Exchange[] = [];
  #number = 0;
  #pending = '';
  #failure: Error | undefined;
  #timer: NodeJS.Timeout | undefined;
  #resendFrom: number | undefined;
  /** Ends when the last talk that was begun has ended, whichever way. */
  #talk: Promise<unknown> = Promise.resolve();

  readonly #mayWrite: () => void;

  private constructor(mayWrite: () => void) {
    this.#mayWrite = mayWrite;
  }

  /**
   * Opens a line and starts counting from 0. `mayWrite` is called at the very moment before each line of text and throws
   * when nothing may be sent any more.
   */
  static async open(openLine: OpenLine, mayWrite: () => void = () => {}): Promise<SerialLink> {
    const link = new SerialLink(mayWrite);
    link.#line = await openLine({
      onText: (text) => link.#hear(text),
      onEnd: (why) => link.#fail(why),
    });
    try {
      await link.#exchange('M110 N0', 0);
    } catch (error) {
      link.close();
      throw error;
    }
    return link;
  }

  /** Sends one command and returns what the printer said before and with its `ok`. */
  send(command: string): Promise<string[]> {
    return this.#inTurn(() => this.#sendNow(command));
  }

  async #sendNow(command: string): Promise<string[]> {
    for (;;) {
      const number = this.#number + 1;
      const replies = await this.#exchange(command, number);
      if (this.#resendFrom === undefined) {
        this.#number = number;
        return replies;
      }
      this.#number = this.#resendFrom - 1;
      this.#resendFrom = undefined;
    }
  }

  /**
   * Sends many commands, several on their way at once. When the printer asks for a line again, everything that is on
   * its way is awaited, and sending goes on from that line. When it is called off, what is on its way is awaited too.
   */
  sendAll(commands: readonly string[], sending: Sending = {}): Promise<void> {
    return this.#inTurn(() => this.#sendAllNow(commands, sending));
  }

  async #sendAllNow(commands: readonly string[], { onProgress, signal }: Sending): Promise<void> {
    const first = this.#number + 1;
    let next = 0;
    while (next < commands.length) {
      const batch = commands.slice(next, next + WINDOW);
      await Promise.all(batch.map((command, i) => this.#exchange(command, first + next + i)));
      if (this.#resendFrom === undefined) next += batch.length;
      else next = Math.max(0, this.#resendFrom - first);
      this.#resendFrom = undefined;
      this.#number = first + next - 1;
      onProgress?.(next / commands.length);
      signal?.throwIfAborted();
    }
  }

  close(): void {
    this.#fail(say('The connection to the printer was closed.'));
  }

  /** Line numbers leave no room for two talks at once, so each waits for the one before. */
  #inTurn<T>(talk: () => Promise<T>): Promise<T> {
    const turn = this.#talk.then(talk);
    this.#talk = turn.catch(() => {});
    return turn;
  }

  #exchange(command: string, number: number): Promise<string[]> {
    return new Promise((resolve, reject) => {
      if (this.#failure) return reject(this.#failure);
      const body = `N${number} ${command}`;
      try {
        this.#mayWrite();
      } catch (error) {
        return reject(error as Error);
      }
      this.#inFlight.push({ replies: [], resolve, reject });
      this.#line?.write(`${body}*${checksum(body)}\n`);
      this.#watch();
    });
  }

  #hear(chunk: string): void {
    const lines = (this.#pending + chunk).split('\n');
    this.#pending = lines.pop()!;
    for (const line of lines.map((each) => each.trim())) {
      const resend = /^Resend:\s*(\d+)/i.exec(line);
      // Of several requests while lines were on their way, the first names the line that is missing.
      if (resend) this.#resendFrom ??= Number(resend[1]);
      this.#inFlight[0]?.replies.push(line);
      // A move that takes long is no silence.
      if (/^echo:\s*busy/i.test(line)) this.#watch();
      if (!/^ok\b/.test(line)) continue;
      const exchange = this.#inFlight.shift();
      exchange?.resolve(exchange.replies);
      this.#watch();
    }
  }

  /** Keeps a timer for the oldest unanswered line. */
  #watch(): void {
    clearTimeout(this.#timer);
    if (this.#inFlight.length === 0) return;
    this.#timer = setTimeout(() => this.#fail(say('The printer stopped answering.')), ANSWER_MS);
  }

  #fail(message: string): void {
    clearTimeout(this.#timer);
    this.#failure ??= new Error(message);
    for (const { reject } of this.#inFlight) reject(this.#failure);
    this.#inFlight = [];
    this.#line?.close();
  }
}

function checksum(body: string): number {
  let sum = 0;
  for (const byte of Buffer.from(body)) sum ^= byte;
  return sum;
}
