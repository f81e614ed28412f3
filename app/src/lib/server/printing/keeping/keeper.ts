import { and, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
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
import { tellOfRun } from '../runs/tellOfRun.ts';
import { endRun } from '../runs/endRun.ts';
import { heatNews, noteHeat } from './heatNotice.ts';
import { KeptRun } from './keptRun.ts';
import { Preparing } from './preparing.ts';
import type { Run } from './runKeeping.ts';
import { log } from '../../platform/basics/log.ts';
import type { SaidByHand } from '../../printers/drivers/cardDriver.ts';
import { connectPrinter, type Connecting } from '../../printers/drivers/connect.ts';
import type { DeviceStatus, PrinterDriver } from '../../printers/drivers/driver.ts';
import { isByHand, type Connection } from '../../../shared/connection.ts';
import { withReading } from '../../../shared/trend.ts';
import { LeaseLost, PrinterLease, RENEW_MS } from '../../printers/printerLease.ts';
import { say } from '@kelbrin/core/words';

type Printer = typeof printers.$inferSelect;

/** A printer that is silent for so long while it prints is told of. */
const TELL_SILENCE_MS = 60_000;
/** How often a printer is asked how it is. */
const PERIOD_MS = 1_000;

type Connect = (connection: Connection, connecting: Connecting) => Promise<PrinterDriver>;

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
  readonly #stopping = new AbortController();
  #wake: () => void = () => {};
  readonly #db: Database;
  readonly #printerId: string;
  readonly #connect: Connect;
  readonly #preparing: Preparing;
  readonly #loop: Promise<void>;

  constructor(db: Database, printerId: string, connect: Connect = connectPrinter) {
    this.#db = db;
    this.#printerId = printerId;
    this.#connect = connect;
    this.#preparing = new Preparing(db, () => this.#wake());
    this.#loop = this.#keep();
  }

  /** Looks at once instead of at the end of the period. */
  nudge(): void {
    this.#wake();
  }

  /** Stops after the current round, in which no file is sent any further; the printer itself goes on. */
  async stop(): Promise<void> {
    this.#stopping.abort();
    this.#wake();
    this.#preparing.end();
    await this.#loop;
    this.#hangUp();
    clearInterval(this.#renewing);
    await this.#lease?.release();
  }

  async #keep(): Promise<void> {
    while (!this.#stopping.signal.aborted) {
      try {
        if (await this.#hasLease()) await this.#round();
      } catch (error) {
        if (error instanceof LeaseLost) this.#letGo();
        else log.error({ err: error, printer: this.#printerId }, 'Keeping a printer');
      }
      if (this.#stopping.signal.aborted) break;
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
    this.#preparing.end();
    this.#hangUp();
  }

  /** Writes as long as this keeper is the one. */
  #write<T>(work: (tx: Database) => Promise<T>): Promise<T> {
    if (!this.#lease) throw new LeaseLost();
    return this.#lease.write(work);
  }

  async #round(): Promise<void> {
    const [printer] = await this.#db.select().from(printers).where(eq(printers.id, this.#printerId));
    if (!printer || printer.retiredAt) return this.#hangUp();
    const address = JSON.stringify(printer.connection);
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
      this.#driver ??= await this.#connect(printer.connection, {
        mayWrite: () => lease.demand(),
        said: () => saidByHand(this.#db, printer.id),
      });
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
    const heat = heatNews(printer, run !== undefined || change !== undefined, device);
    if (heat) await this.#write((tx) => noteHeat(tx, printer, heat));
    if (await this.#stopsGivenUp(this.#driver, printer, run, device)) return;
    if (run) await this.#kept(run, this.#driver).carryOn(device);
    else this.#preparing.end();
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

  #kept(run: Run, driver: PrinterDriver): KeptRun {
    return new KeptRun(run, {
      db: this.#db,
      driver,
      preparing: this.#preparing,
      write: (work) => this.#write(work),
      stopping: this.#stopping.signal,
      hangUp: () => this.#hangUp(),
    });
  }

  #hangUp(): void {
    this.#driver?.close();
    this.#driver = undefined;
  }

  async #noteStatus(printer: Printer, status: PrinterStatus): Promise<void> {
    const isNews = JSON.stringify(status) !== JSON.stringify(printer.status);
    await this.#write(async (tx) => {
      const trend = status.online && !isByHand(printer.connection) ? trendOf(printer, status) : printer.trend;
      await tx
        .update(printers)
        .set({
          status,
          ...(status.online ? { seenAt: new Date() } : {}),
          ...(trend === printer.trend ? {} : { trend }),
        })
        // It may have been retired since it was asked.
        .where(and(eq(printers.id, printer.id), isNull(printers.retiredAt)));
      if (isNews) await announce(tx, status.online === printer.status?.online ? 'printers' : 'printroom');
    });
  }

  async #noteSilence(printer: Printer, run: Run | undefined): Promise<void> {
    const before = printer.status ?? { nozzleC: 0, nozzleTargetC: 0, bedC: 0, bedTargetC: 0 };
    await this.#noteStatus(printer, { ...before, online: false });
    if (
      run &&
      !run.silenceToldAt &&
      printer.seenAt &&
      Date.now() - printer.seenAt.getTime() > TELL_SILENCE_MS
    )
      await this.#write((tx) => tellOfRun(tx, run, 'run_silent', { silenceToldAt: new Date() }));
    // It may be printing all the same. Only a person who looks at it can tell, so the run is over when one says so.
    if (run?.cancelAskedAt) {
      const problem = say(
        'Given up while the printer did not answer: look at its plate before you print this again.',
      );
      await this.#write((tx) => endRun(tx, run.id, { state: 'failed', problem }));
    }
  }
}

/** What a person has said of the run that a printer has now. */
async function saidByHand(db: Database, printerId: string): Promise<SaidByHand | undefined> {
  const [said] = await db
    .select({
      fileName: runs.fileName,
      begunAt: runs.begunByHandAt,
      doneAt: runs.doneByHandAt,
      estimateS: runs.estimateS,
    })
    .from(runs)
    .where(and(eq(runs.printerId, printerId), inArray(runs.state, ACTIVE_RUN)));
  return said;
}

/** How warm a printer was, up to now. */
function trendOf({ trend }: Printer, { nozzleC, bedC }: PrinterStatus): Printer['trend'] {
  return withReading(trend, { atS: Date.now() / 1000, nozzleC, bedC });
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
