import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { freePort, root, secret } from './state.ts';

/** What to start. */
export interface StackOptions {
  readonly databaseUrl: string;
  /** The web app's port; any free one when it is taken. */
  readonly port?: number;
  /** Virtual seconds a printer lives through in a real one. */
  readonly printerSpeed?: number;
  /** Whether an empty database is filled with the demo school; it is unless this is false. */
  readonly demo?: boolean;
  /** Whether the processes' own words are shown. */
  readonly verbose?: boolean;
}

const printerNames = ['Alder', 'Birch'] as const;
type ProcessName = 'web' | 'jobs' | `printer ${(typeof printerNames)[number]}`;

/** A running Kelbrin: printers, job process and web app, each of which can be killed and started again. */
export class Stack {
  readonly origin: string;
  readonly #options: StackOptions;
  readonly #port: number;
  /** Where the printers answer. */
  readonly printerPorts: readonly number[];
  readonly #processes = new Map<ProcessName, ChildProcess>();

  private constructor(options: StackOptions, port: number, printerPorts: readonly number[]) {
    this.#options = options;
    this.#port = port;
    this.printerPorts = printerPorts;
    this.origin = `http://127.0.0.1:${port}`;
  }

  /** Prepares the database, starts everything and waits until the app answers. */
  static async start(options: StackOptions): Promise<Stack> {
    const stack = new Stack(options, await freePort(options.port), [await freePort(), await freePort()]);
    const printers = stack.printerPorts.map((port, i) => `${printerNames[i]}=${port}`);
    prepareDatabase(options.databaseUrl, { demo: options.demo ?? true, printers });
    for (const i of printerNames.keys()) stack.startPrinter(i);
    stack.startJobs();
    await stack.startWeb();
    return stack;
  }

  /** Starts one of the printers, as if it were switched on. */
  startPrinter(i: number): void {
    const speed = String(this.#options.printerSpeed ?? 60);
    this.#run(`printer ${printerNames[i]}`, [
      'printer/dist/printer.js',
      '--name',
      printerNames[i],
      '--port',
      String(this.printerPorts[i]),
      '--speed',
      speed,
    ]);
  }

  startJobs(): void {
    this.#run('jobs', ['app/dist/jobs.js']);
  }

  async startWeb(): Promise<void> {
    this.#run('web', ['app/build/index.js'], {
      HOST: '127.0.0.1',
      PORT: String(this.#port),
      // Files that are imported are larger than forms; the routes themselves set the limit that people are told of.
      BODY_SIZE_LIMIT: '21M',
    });
    for (let tries = 0; tries < 200; tries++) {
      const answers = await fetch(`${this.origin}/sign-in`).then(
        ({ ok }) => ok,
        () => false,
      );
      if (answers) return;
      if (!this.#processes.has('web')) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error('The web app did not start.');
  }

  /** How much memory a process holds, MB. */
  memoryMb(name: 'web' | 'jobs'): number {
    const status = readFileSync(`/proc/${this.#processes.get(name)!.pid}/status`, 'utf8');
    return Number(/^VmRSS:\s+(\d+) kB/m.exec(status)![1]) / 1024;
  }

  /** Ends a process at once, as a crash would, and waits until it is gone. */
  async kill(name: ProcessName): Promise<void> {
    await this.#signal(name, 'SIGKILL');
  }

  /** Asks a process to end and waits until it is gone; false when it did not heed that and had to be killed. */
  async end(name: ProcessName): Promise<boolean> {
    return (await this.#signal(name, 'SIGTERM')) !== 'SIGKILL';
  }

  /** Ends all processes; says which of them had to be killed. */
  async stop(): Promise<readonly ProcessName[]> {
    const deaf: ProcessName[] = [];
    for (const name of [...this.#processes.keys()]) if (!(await this.end(name))) deaf.push(name);
    return deaf;
  }

  /** Sends a signal and waits for the end; says which signal it was that ended the process, if any. */
  async #signal(name: ProcessName, signal: NodeJS.Signals): Promise<NodeJS.Signals | null> {
    const child = this.#processes.get(name);
    if (!child || child.exitCode !== null) return null;
    this.#processes.delete(name);
    const gone = once(child, 'exit') as Promise<[number | null, NodeJS.Signals | null]>;
    child.kill(signal);
    const timer = setTimeout(() => child.kill('SIGKILL'), 8_000);
    const [, endedBy] = await gone;
    clearTimeout(timer);
    return endedBy;
  }

  #run(name: ProcessName, args: string[], extra: Record<string, string> = {}): void {
    const child = spawn(process.execPath, ['--enable-source-maps', ...args], {
      cwd: root,
      env: { ...serverEnvironment(this.#options.databaseUrl, this.origin), ...extra },
      stdio: ['ignore', this.#options.verbose ? 'inherit' : 'ignore', 'inherit'],
      // In a group of its own, so that Ctrl-C reaches it through the orderly stop and not on its own as well.
      detached: true,
    });
    this.#processes.set(name, child);
    child.once('exit', (code, signal) => {
      if (this.#processes.get(name) !== child) return;
      this.#processes.delete(name);
      console.error(`The process “${name}” ended by itself (${signal ?? `code ${code}`}).`);
    });
  }
}

/**
 * Brings a database up to date, loads the demo school into an empty one if wished, and notes where the printers answer
 * ("Alder=7801").
 */
export function prepareDatabase(
  databaseUrl: string,
  wish: { demo: boolean; printers?: readonly string[] },
): void {
  const places = (wish.printers ?? []).flatMap((place) => ['--printer', place]);
  const demo = wish.demo ? ['--demo'] : [];
  execFileSync(process.execPath, ['--enable-source-maps', 'app/dist/setup.js', ...demo, ...places], {
    cwd: root,
    env: serverEnvironment(databaseUrl, 'http://127.0.0.1:3000'),
    stdio: 'inherit',
  });
}

function serverEnvironment(databaseUrl: string, origin: string): NodeJS.ProcessEnv {
  return {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: databaseUrl,
    ORIGIN: origin,
    KELBRIN_SECRET: secret('session-secret'),
  };
}
