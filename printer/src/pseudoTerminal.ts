import { spawn, type ChildProcess } from 'node:child_process';

/** The pause before a terminal that was closed by whoever had it open is offered again. */
const AGAIN_MS = 100;

/**
 * A pseudo-terminal at a path, as if a cable were plugged in there: what is written to it goes to a port of this machine,
 * and back. The program socat carries it; it is one of Debian's packages.
 */
export class PseudoTerminal {
  readonly #path: string;
  readonly #port: number;
  #carrier: ChildProcess | undefined;
  #isPluggedIn = false;

  constructor(path: string, port: number) {
    this.#path = path;
    this.#port = port;
  }

  plugIn(): void {
    this.#isPluggedIn = true;
    this.#offer();
  }

  /** Takes the terminal away, as when the cable is pulled out. Resolves when it is gone. */
  async unplug(): Promise<void> {
    this.#isPluggedIn = false;
    const carrier = this.#carrier;
    if (!carrier || carrier.exitCode !== null) return;
    await new Promise((resolve) => {
      carrier.once('exit', resolve);
      carrier.kill();
    });
  }

  #offer(): void {
    if (!this.#isPluggedIn) return;
    const carrier = spawn('socat', [`PTY,link=${this.#path},rawer`, `TCP:127.0.0.1:${this.#port}`], {
      stdio: 'ignore',
    });
    this.#carrier = carrier;
    carrier.once('error', (error) => console.error(`No pseudo-terminal at ${this.#path}: ${error.message}`));
    carrier.once('exit', () => setTimeout(() => this.#offer(), AGAIN_MS));
  }
}
