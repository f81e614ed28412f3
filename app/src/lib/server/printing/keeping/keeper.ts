import { and, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import type { PauseReason } from '../../../shared/pauseReason.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  ACTIVE_RUN,
  filamentChanges,
  printers,
  runs,
  type PrinterStatus,
} from '../../platform/db/schema/index.ts';
import { carryOnChange } from '../filament/carryOnChange.ts';
import { announce } from '../../platform/live/topics.ts';
import { endRun, type Ending } from '../runs/endRun.ts';
import { moveRuns } from '../runs/lifecycle.ts';
import { gcodeOfBatch } from '../batches/gcode.ts';
import { log } from '../../platform/basics/log.ts';
import { FileNotFound, type DeviceStatus, type PrinterDriver } from '../../printers/driver.ts';
import { LeaseLost, PrinterLease, RENEW_MS } from '../../printers/printerLease.ts';
import { say } from '@kelbrin/core/words';

const MOVES = { sending: 'send', printing: 'begin' } as const;

type Printer = typeof printers.$inferSelect;
type Run = typeof runs.$inferSelect;

/** How often a printer is asked how it is. */
const PERIOD_MS = 1_000;
/** For so long it is tried to send a batch and start it, over new connections if need be. */
const SENDING_MS = 60_000;

/** Connects to a printer; `mayWrite` throws when nothing may be sent to it any more. */
type Connect = (host: string, port: number, mayWrite: () => void) => Promise<PrinterDriver>;

/**
 * Keeps one printer: asks how it is, starts what waits for it, and writes down how its run goes. Of all processes that
 * want to keep a printer, the one with its lease does; the others wait for it to end.
 *
 * The keeper remembers nothing that matters. Where a run stands is in the database, what is being printed the printer
 * knows itself, and each round brings the two together; so it may be stopped and started at any moment.
 */
export class PrinterKeeper {
  #lease: PrinterLease | undefined;
  #renewing: NodeJS.Timeout | undefined;
  #driver: PrinterDriver | undefined;
  #address = '';
  #stopped = false;
  #wake: () => void = () => {};
  readonly #db: Database;
  readonly #printerId: string;
  readonly #connect: Connect;
  readonly #loop: Promise<void>;

  constructor(db: Database, printerId: string, connect: Connect) {
    this.#db = db;
    this.#printerId = printerId;
    this.#connect = connect;
    this.#loop = this.#keep();
  }

  /** Looks at once instead of at the end of the period. */
  nudge(): void {
    this.#wake();
  }

  /** Stops after the current round; the printer itself goes on. */
  async stop(): Promise<void> {
    this.#stopped = true;
    this.#wake();
    await this.#loop;
    this.#hangUp();
    clearInterval(this.#renewing);
    await this.#lease?.release();
  }

  async #keep(): Promise<void> {
    while (!this.#stopped) {
      try {
        if (await this.#hasLease()) await this.#round();
      } catch (error) {
        if (error instanceof LeaseLost) this.#letGo();
        else log.error({ err: error, printer: this.#printerId }, 'Keeping a printer');
      }
      if (this.#stopped) break;
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, PERIOD_MS);
        this.#wake = () => {
          clearTimeout(timer);
          resolve();
        };
      });
    }
  }

  /** Whether this keeper is the one; if nobody is, it becomes it. */
  async #hasLease(): Promise<boolean> {
    if (this.#lease?.isHeld) return true;
    this.#letGo();
    this.#lease = await PrinterLease.take(this.#db, this.#printerId);
    if (!this.#lease) return false;
    const lease = this.#lease;
    this.#renewing = setInterval(() => {
      lease.renew().catch((error: unknown) => {
        if (error instanceof LeaseLost && lease === this.#lease) this.#letGo();
      });
    }, RENEW_MS);
    return true;
  }

  /** Keeps its hands off the printer, which is another's by now. */
  #letGo(): void {
    clearInterval(this.#renewing);
    this.#lease = undefined;
    this.#hangUp();
  }

  /** Writes as long as this keeper is the one. */
  #write<T>(work: (tx: Database) => Promise<T>): Promise<T> {
    if (!this.#lease) throw new LeaseLost();
    return this.#lease.write(work);
  }

  async #end(run: Run, ending: Ending): Promise<void> {
    await this.#write((tx) => endRun(tx, run.id, ending));
  }

  async #round(): Promise<void> {
    const [printer] = await this.#db.select().from(printers).where(eq(printers.id, this.#printerId));
    if (!printer || printer.retiredAt) return this.#hangUp();
    const address = `${printer.host}:${printer.port}`;
    if (address !== this.#address) this.#hangUp();
    this.#address = address;
    const [run] = await this.#db
      .select()
      .from(runs)
      .where(and(eq(runs.printerId, printer.id), inArray(runs.state, ACTIVE_RUN)));

    let device: DeviceStatus;
    try {
      const lease = this.#lease;
      if (!lease) throw new LeaseLost();
      this.#driver ??= await this.#connect(printer.host, printer.port, () => lease.demand());
      device = await this.#driver.status();
    } catch (error) {
      if (error instanceof LeaseLost) throw error;
      this.#hangUp();
      await this.#noteSilence(printer, run);
      return;
    }
    await this.#noteStatus(printer, { online: true, ...temperaturesOf(device) });
    const [change] = await this.#db
      .select()
      .from(filamentChanges)
      .where(eq(filamentChanges.printerId, printer.id));
    if (change) {
      await carryOnChange(this.#db, (work) => this.#write(work), this.#driver, device, change, run);
    }
    if (await this.#stopsGivenUp(this.#driver, printer, run, device)) return;
    if (run) await this.#carryOn(this.#driver, run, device);
  }

  /** Stops what the printer has gone on with although its run was given up while it did not answer; true if it did. */
  async #stopsGivenUp(
    driver: PrinterDriver,
    { id }: Printer,
    run: Run | undefined,
    { job }: DeviceStatus,
  ): Promise<boolean> {
    if (!job || job.fileName === run?.fileName || job.doneBytes >= job.totalBytes) return false;
    const givenUp = and(
      eq(runs.printerId, id),
      eq(runs.fileName, job.fileName),
      isNotNull(runs.cancelAskedAt),
    );
    if ((await this.#db.$count(runs, givenUp)) === 0) return false;
    await driver.cancel();
    return true;
  }

  /** Does the next thing that a run needs. */
  async #carryOn(driver: PrinterDriver, run: Run, device: DeviceStatus): Promise<void> {
    const isOnPrinter = device.job?.fileName === run.fileName;
    if (device.halted) {
      const problem = say(
        'The printer stopped itself (“{halted}”): switch it off, let it cool, and have somebody who knows it look at it.',
        { halted: device.halted },
      );
      await this.#end(run, { state: 'failed', problem });
    } else if (run.cancelAskedAt) {
      if (isOnPrinter) await driver.cancel();
      await this.#end(run, { state: 'cancelled' });
    } else if (isOnPrinter && device.job) {
      const { doneBytes, totalBytes, pausedFor } = device.job;
      if (doneBytes >= totalBytes) await this.#end(run, { state: 'finished' });
      else {
        await this.#fulfil(driver, run);
        await this.#noteProgress(run, 'printing', doneBytes / totalBytes, pausedFor);
      }
    } else if (run.state === 'printing') {
      const problem = say('The printer lost the file while printing: was it switched off or used by hand?');
      await this.#end(run, { state: 'failed', problem });
    } else if (device.job && device.job.doneBytes < device.job.totalBytes) {
      const problem = say(
        'The printer is at work on another file: let it end or stop it there, and clear the plate.',
      );
      await this.#end(run, { state: 'failed', problem });
    } else {
      await this.#begin(driver, run);
    }
  }

  /**
   * Slices the run's batch, sends it and starts it. Whatever cuts this off, the printer says in the next round whether it
   * has begun; if not, it goes on from what was noted.
   */
  async #begin(driver: PrinterDriver, run: Run): Promise<void> {
    if (run.sentAt) return this.#start(driver, run);
    let gcode: string;
    try {
      const made = await gcodeOfBatch(this.#db, run.batchId);
      gcode = made.gcode;
      const estimateS = made.estimate.seconds;
      await this.#write((tx) => tx.update(runs).set({ estimateS }).where(eq(runs.id, run.id)));
    } catch (error) {
      if (!(error instanceof CannotNow)) throw error;
      return this.#end(run, { state: 'failed', problem: error.message });
    }
    await this.#noteProgress(run, 'sending', 0);
    try {
      await driver.upload(run.fileName, gcode);
    } catch (error) {
      return this.#notBegun(run, error);
    }
    await this.#write((tx) => tx.update(runs).set({ sentAt: new Date() }).where(eq(runs.id, run.id)));
    await this.#start(driver, run);
  }

  /** Starts a file that the printer has; one that it does not find any more is sent again. */
  async #start(driver: PrinterDriver, run: Run): Promise<void> {
    try {
      await driver.start(run.fileName);
    } catch (error) {
      if (error instanceof FileNotFound)
        await this.#write((tx) => tx.update(runs).set({ sentAt: null }).where(eq(runs.id, run.id)));
      return this.#notBegun(run, error);
    }
    await this.#noteProgress(run, 'printing', 0);
  }

  /** What broke off is tried again for a while; a line that broke off may have brought the start over all the same. */
  async #notBegun(run: Run, error: unknown): Promise<void> {
    if (error instanceof LeaseLost) throw error;
    this.#hangUp();
    if (Date.now() - run.startedAt.getTime() < SENDING_MS) return;
    const problem =
      error instanceof Error ? error.message : say('The batch could not be sent to the printer.');
    await this.#end(run, { state: 'failed', problem });
  }

  #hangUp(): void {
    this.#driver?.close();
    this.#driver = undefined;
  }

  /** Does what somebody wants of a run. */
  async #fulfil(driver: PrinterDriver, run: Run): Promise<void> {
    if (!run.wish) return;
    if (run.wish === 'pause') await driver.pause();
    else await driver.resume();
    const { wish } = run;
    await this.#write((tx) =>
      tx
        .update(runs)
        .set({ wish: null })
        .where(and(eq(runs.id, run.id), eq(runs.wish, wish))),
    );
  }

  async #noteProgress(
    run: Run,
    state: 'sending' | 'printing',
    progress: number,
    pausedFor: PauseReason | null = null,
  ): Promise<void> {
    const isIt = eq(runs.id, run.id);
    await this.#write(async (tx) => {
      if (state !== run.state) {
        await moveRuns(tx, MOVES[state], 'keeper', isIt, { progress, pausedFor });
      } else {
        await tx
          .update(runs)
          .set({ progress, pausedFor })
          .where(and(isIt, inArray(runs.state, ACTIVE_RUN)));
        await announce(tx, pausedFor !== run.pausedFor ? 'printroom' : 'printers');
      }
    });
  }

  async #noteStatus(printer: Printer, status: PrinterStatus): Promise<void> {
    const isNews = JSON.stringify(status) !== JSON.stringify(printer.status);
    await this.#write(async (tx) => {
      await tx
        .update(printers)
        .set({ status, ...(status.online ? { seenAt: new Date() } : {}) })
        // It may have been retired since it was asked.
        .where(and(eq(printers.id, printer.id), isNull(printers.retiredAt)));
      if (isNews) await announce(tx, status.online === printer.status?.online ? 'printers' : 'printroom');
    });
  }

  async #noteSilence(printer: Printer, run: Run | undefined): Promise<void> {
    const before = printer.status ?? { nozzleC: 0, nozzleTargetC: 0, bedC: 0, bedTargetC: 0 };
    await this.#noteStatus(printer, { ...before, online: false });
    // It may be printing all the same. Only a person who looks at it can tell, so the run is over when one says so.
    if (run?.cancelAskedAt) {
      const problem = say(
        'Given up while the printer did not answer: look at its plate before you print this again.',
      );
      await this.#end(run, { state: 'failed', problem });
    }
  }
}

/** Rounded, so that the noise of a thermometer is no news. */
function temperaturesOf({
  nozzleC,
  nozzleTargetC,
  bedC,
  bedTargetC,
}: DeviceStatus): Omit<PrinterStatus, 'online'> {
  return {
    nozzleC: Math.round(nozzleC),
    nozzleTargetC: Math.round(nozzleTargetC),
    bedC: Math.round(bedC),
    bedTargetC: Math.round(bedTargetC),
  };
}
