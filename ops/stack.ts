import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import type { Server } from 'node:net';
import { mkdirSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBalancer } from './balancer.ts';
import { viteProgram } from './build.ts';
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
  /** The language of the school; English unless it is said. */
  readonly language?: string;
  /** Whether the processes' own words are shown. */
  readonly verbose?: boolean;
  /** How many web and how many job processes there are; one of each, or as many as KELBRIN_TEST_PROCESSES says. */
  readonly processes?: number;
  /** The address that the web app listens on; loopback unless it is said. */
  readonly address?: string;
  /** Where people reach it, if that is a reverse proxy before it. */
  readonly origin?: string;
  /** Whether simulated printers are started; they are unless this is false. */
  readonly printers?: boolean;
  /** The folder in which the stand-ins of memory cards and USB ports are; one of its own unless it is said. */
  readonly standIns?: string;
  /** Whether a process that ends by itself is started again. */
  readonly supervised?: boolean;
  /** Whether the web app is served from its sources and follows their changes, instead of as it was built. */
  readonly fromSources?: boolean;
}

const printerNames = ['Alder', 'Birch'] as const;
export type ProcessName = `web${string}` | `jobs${string}` | `printer ${(typeof printerNames)[number]}`;

/** How long a process that was asked to end is waited for; it needs a few seconds, many times less than this. */
const PATIENCE_MS = 30_000;
/** The pause before a process that ended by itself is started again, ms, and how it grows while it goes on doing so. */
const FIRST_PAUSE_MS = 500;
const LONGEST_PAUSE_MS = 30_000;
/** One that has run so long has come up well. */
const WELL_AFTER_MS = 60_000;

/** A running Kelbrin: printers, job process and web app, each of which can be killed and started again. */
export class Stack {
  readonly origin: string;
  readonly #options: StackOptions;
  /** Where the printers answer. */
  readonly printerPorts: readonly number[];
  /** What the simulated printers are called. */
  readonly printers = printerNames;
  /** Folders that play what is plugged into the server: each folder of the one is a memory card, each link of the other a port. */
  readonly cards: string | undefined;
  readonly ports: string | undefined;
  readonly #processes = new Map<ProcessName, ChildProcess>();
  readonly #webPorts: readonly number[];
  #balancer: Server | undefined;
  /** The pause that each process would wait for now. */
  readonly #pausesMs = new Map<ProcessName, number>();
  #isStopping = false;

  private constructor(
    options: StackOptions,
    port: number,
    webPorts: readonly number[],
    printerPorts: readonly number[],
  ) {
    this.#options = options;
    this.#webPorts = webPorts;
    this.printerPorts = printerPorts;
    if (options.printers !== false) {
      const folder = options.standIns ?? mkdtempSync(join(tmpdir(), 'kelbrin-stand-ins-'));
      this.cards = join(folder, 'cards');
      this.ports = join(folder, 'ports');
      mkdirSync(join(this.cards, 'left reader'), { recursive: true });
      mkdirSync(this.ports, { recursive: true });
    }
    this.origin = options.origin ?? `http://${options.address ?? '127.0.0.1'}:${port}`;
  }

  /** Prepares the database, starts everything and waits until the app answers. */
  static async start(options: StackOptions): Promise<Stack> {
    const count = options.processes ?? Number(process.env.KELBRIN_TEST_PROCESSES ?? 1);
    // A port that a school has chosen is not exchanged for another.
    const port = options.printers === false ? options.port! : await freePort(options.port);
    const webPorts =
      count === 1 ? [port] : await Promise.all(Array.from({ length: count }, () => freePort()));
    const stack = new Stack(options, port, webPorts, [await freePort(), await freePort()]);
    const simulated = options.printers === false ? [] : stack.printerPorts;
    const printers = simulated.map((port, i) => `${printerNames[i]}=${port}`);
    const { language } = options;
    prepareDatabase(options.databaseUrl, { demo: options.demo ?? true, printers, language });
    for (const i of simulated.keys()) stack.startPrinter(i);
    for (let i = 0; i < count; i++) stack.startJobs(i);
    await Promise.all(Array.from({ length: count }, (_, i) => stack.startWeb(i)));
    if (count > 1) stack.#balancer = await startBalancer(port, webPorts);
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
      // Where somebody looks around, one of them is plugged in as well.
      ...(this.#options.standIns && i === 1
        ? ['--terminal', join(this.ports!, `${printerNames[i]}-cable`)]
        : []),
    ]);
  }

  /** Starts a job process: the first, or another beside it. */
  startJobs(i = 0): void {
    this.#run(named('jobs', i), ['app/dist/jobs.js']);
  }

  /** Starts a web process, the first or another beside it, and waits until it answers. */
  async startWeb(i = 0): Promise<void> {
    const name = named('web', i);
    const port = this.#webPorts[i];
    const address = this.#options.address ?? '127.0.0.1';
    const reached = address === '0.0.0.0' || address === '::' ? '127.0.0.1' : address;
    if (this.#options.fromSources) this.#runFromSources(name, address, port);
    else {
      this.#run(name, ['app/serve.mjs'], {
        HOST: address,
        PORT: String(port),
        // Files that are imported are larger than forms; the routes themselves set the limit that people are told of.
        BODY_SIZE_LIMIT: '21M',
        // A browser that keeps a connection for the next request must not find it closed just then.
        KEEP_ALIVE_TIMEOUT: '65',
        HEADERS_TIMEOUT: '66',
      });
    }
    for (let tries = 0; tries < 600; tries++) {
      const answers = await fetch(`http://${reached}:${port}/sign-in`).then(
        ({ ok }) => ok,
        () => false,
      );
      if (answers) return;
      if (!this.#processes.has(name) && !this.#options.supervised) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    throw new Error('The web app did not start.');
  }

  #runFromSources(name: ProcessName, address: string, port: number): void {
    const args = [viteProgram(), 'dev', '--host', address, '--port', String(port), '--strictPort'];
    const environment = {
      NODE_ENV: 'development',
      // Seen from the app's folder, where the server for its sources wants to be started.
      KELBRIN_COMPUTE_WORKER: join(root, 'app/dist/computeWorker.js'),
    };
    this.#run(name, args, environment, join(root, 'app'));
  }

  /** How much memory a process holds, MB. */
  memoryMb(name: 'web' | 'jobs'): number {
    const status = readFileSync(`/proc/${this.#processes.get(name)!.pid}/status`, 'utf8');
    return Number(/^VmRSS:\s+(\d+) kB/m.exec(status)![1]) / 1024;
  }

  /** Has a process stand still, as one that hangs, until it goes on. */
  standStill(name: ProcessName): void {
    this.#processes.get(name)?.kill('SIGSTOP');
  }

  goOn(name: ProcessName): void {
    this.#processes.get(name)?.kill('SIGCONT');
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
    this.#isStopping = true;
    this.#balancer?.close();
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
    const timer = setTimeout(() => child.kill('SIGKILL'), PATIENCE_MS);
    const [, endedBy] = await gone;
    clearTimeout(timer);
    return endedBy;
  }

  #pauseMs(name: ProcessName): number {
    return this.#pausesMs.get(name) ?? FIRST_PAUSE_MS;
  }

  #run(name: ProcessName, args: string[], extra: Record<string, string> = {}, cwd: string = root): void {
    const startedMs = performance.now();
    // It is ended by the kernel if this process is gone without having ended it.
    const words = ['--pdeathsig', 'TERM', process.execPath, '--enable-source-maps', ...args];
    const child = spawn('setpriv', words, {
      cwd,
      env: {
        ...serverEnvironment(this.#options.databaseUrl, this.origin, this.#options.language),
        ...(this.cards && this.ports ? { KELBRIN_CARDS: this.cards, KELBRIN_PORTS: this.ports } : {}),
        KELBRIN_LOG_LEVEL: this.#options.verbose ? 'info' : 'warn',
        ...extra,
      },
      stdio: ['ignore', this.#options.verbose ? 'inherit' : 'ignore', 'inherit'],
      // In a group of its own, so that Ctrl-C reaches it through the orderly stop and not on its own as well.
      detached: true,
    });
    this.#processes.set(name, child);
    child.once('exit', (code, signal) => {
      if (this.#processes.get(name) !== child) return;
      this.#processes.delete(name);
      const how = `The process “${name}” ended by itself (${signal ?? `code ${code}`})`;
      if (!this.#options.supervised || this.#isStopping) return console.error(`${how}.`);
      const pauseMs = performance.now() - startedMs > WELL_AFTER_MS ? FIRST_PAUSE_MS : this.#pauseMs(name);
      this.#pausesMs.set(name, Math.min(2 * pauseMs, LONGEST_PAUSE_MS));
      console.error(`${how}; it is started again in ${pauseMs / 1000} s.`);
      setTimeout(() => {
        if (!this.#isStopping) this.#run(name, args, extra, cwd);
      }, pauseMs);
    });
  }
}

/** What the i-th process of a kind is called. */
function named<K extends 'web' | 'jobs'>(kind: K, i: number): ProcessName {
  return i === 0 ? kind : `${kind} ${i + 1}`;
}

/**
 * Brings a database up to date, loads the demo school into an empty one if wished, and notes where the printers answer
 * ("Alder=7801").
 */
export function prepareDatabase(
  databaseUrl: string,
  wish: { demo: boolean; printers?: readonly string[]; language?: string },
): void {
  const places = (wish.printers ?? []).flatMap((place) => ['--printer', place]);
  const demo = wish.demo ? ['--demo'] : [];
  execFileSync(process.execPath, ['--enable-source-maps', 'app/dist/setup.js', ...demo, ...places], {
    cwd: root,
    env: serverEnvironment(databaseUrl, 'http://127.0.0.1:3000', wish.language),
    stdio: 'inherit',
  });
}

function serverEnvironment(databaseUrl: string, origin: string, language?: string): NodeJS.ProcessEnv {
  return {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: databaseUrl,
    ORIGIN: origin,
    KELBRIN_SECRET: secret('session-secret'),
    ...(language === undefined ? {} : { KELBRIN_LANGUAGE: language }),
  };
}
