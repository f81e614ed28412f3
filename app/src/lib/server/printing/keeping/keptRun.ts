import { and, eq, inArray } from 'drizzle-orm';
import { say } from '@kelbrin/core/words';
import type { PauseReason } from '../../../shared/pauseReason.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import { ACTIVE_RUN, runs } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { FileNotFound, type DeviceStatus } from '../../printers/drivers/driver.ts';
import { LeaseLost } from '../../printers/printerLease.ts';
import { endRun, type Ending } from '../runs/endRun.ts';
import { tellOfRun } from '../runs/tellOfRun.ts';
import { moveRuns } from '../runs/lifecycle.ts';
import type { Run, RunKeeping } from './runKeeping.ts';
import { sendFile } from './sendFile.ts';

const MOVES = { sending: 'send', printing: 'begin' } as const;

/** For so long it is tried to send a batch and start it, over new connections if need be, without getting further. */
const SENDING_MS = 60_000;

/** So long after the estimate a person is asked whether a print is done that nothing tells of. */
const ASK_AFTER_MS = 3 * 60_000;

/** Brings one run and its printer together, once a round: starts it, writes down how it goes, and ends it. */
export class KeptRun {
  readonly #run: Run;
  readonly #keeping: RunKeeping;

  constructor(run: Run, keeping: RunKeeping) {
    this.#run = run;
    this.#keeping = keeping;
  }

  /** Does the next thing that a run needs. */
  async carryOn(device: DeviceStatus): Promise<void> {
    const isOnPrinter = device.job?.fileName === this.#run.fileName;
    if (device.halted) {
      const problem = say(
        'The printer stopped itself (“{halted}”): switch it off, let it cool, and have somebody who knows it look at it.',
        { halted: device.halted },
      );
      await this.#end({ state: 'failed', problem });
    } else if (this.#run.failedByHand !== null) {
      await this.#end({ state: 'failed', problem: this.#run.failedByHand });
    } else if (this.#run.cancelAskedAt) {
      if (isOnPrinter) await this.#keeping.driver.cancel();
      await this.#end({ state: 'cancelled' });
    } else if (isOnPrinter && device.job) {
      const { doneBytes, totalBytes, pausedFor } = device.job;
      if (doneBytes >= totalBytes) await this.#end({ state: 'finished' });
      else {
        await this.#fulfil();
        await this.#noteProgress('printing', doneBytes / totalBytes, pausedFor);
        if (this.#keeping.driver.isByHand) await this.#askWhetherDone();
      }
    } else if (this.#run.state === 'printing') {
      const problem = say('The printer lost the file while printing: was it switched off or used by hand?');
      await this.#end({ state: 'failed', problem });
    } else if (device.job && device.job.doneBytes < device.job.totalBytes) {
      const problem = say(
        'The printer is at work on another file: let it end or stop it there, and clear the plate.',
      );
      await this.#end({ state: 'failed', problem });
    } else if (device.notReady !== undefined && !this.#run.sentAt) {
      await this.#noteWaiting(device.notReady);
    } else {
      await this.#begin();
    }
  }

  /**
   * Has the run's batch sliced, sends it and starts it. Whatever cuts this off, the printer says in the next round whether it
   * has begun; if not, it goes on from what was noted.
   */
  async #begin(): Promise<void> {
    if (this.#run.sentAt) return this.#start();
    const prepared = this.#keeping.preparing.of(this.#run);
    if ('share' in prepared) return this.#notePrepared(prepared.share);
    if ('problem' in prepared) {
      this.#keeping.preparing.end();
      if (!(prepared.problem instanceof CannotNow)) throw prepared.problem;
      return this.#end({ state: 'failed', problem: prepared.problem.message });
    }
    const { gcode, estimate, layerStarts } = prepared;
    await this.#keeping.write((tx) =>
      tx
        .update(runs)
        .set({ estimateS: estimate.seconds, layerStarts: [...layerStarts], prepared: 0 })
        .where(eq(runs.id, this.#run.id)),
    );
    await this.#noteProgress('sending', 0);
    try {
      // What was called off is dealt with in the next round, or by the keeper that comes next.
      if (!(await sendFile(this.#run, gcode, this.#keeping))) return;
    } catch (error) {
      return this.#notBegun(error);
    }
    this.#keeping.preparing.end();
    await this.#noteSent(new Date());
    await this.#start();
  }

  /** Starts a file that the printer has; one that it does not find any more is sent again. */
  async #start(): Promise<void> {
    try {
      await this.#keeping.driver.start(this.#run.fileName);
      // It is begun when somebody who stands at the printer says so.
      if (this.#keeping.driver.isByHand) return await this.#noteWaiting(null);
    } catch (error) {
      if (error instanceof FileNotFound) await this.#noteSent(null);
      return this.#notBegun(error);
    }
    await this.#noteProgress('printing', 0);
  }

  /** What broke off is tried again for a while; a line that broke off may have brought the start over all the same. */
  async #notBegun(error: unknown): Promise<void> {
    if (error instanceof LeaseLost) throw error;
    this.#keeping.hangUp();
    const wentOnAt = Math.max(this.#run.startedAt.getTime(), this.#keeping.preparing.wentOnAt);
    if (Date.now() - wentOnAt < SENDING_MS) return;
    const problem =
      error instanceof Error ? error.message : say('The batch could not be sent to the printer.');
    await this.#end({ state: 'failed', problem });
  }

  /** Says since when the printer has the file, or that it has not. */
  async #noteSent(sentAt: Date | null): Promise<void> {
    await this.#keeping.write(async (tx) => {
      await tx.update(runs).set({ sentAt }).where(eq(runs.id, this.#run.id));
      await announce(tx, 'printroom');
    });
  }

  /** Says how much of the batch is sliced, in whole hundredths. */
  async #notePrepared(share: number): Promise<void> {
    const prepared = Math.floor(100 * share) / 100;
    if (prepared === this.#run.prepared) return;
    await this.#keeping.write(async (tx) => {
      await tx.update(runs).set({ prepared }).where(eq(runs.id, this.#run.id));
      await announce(tx, 'printers');
    });
  }

  /** Has the run wait for what a person has to do, and says what hinders it, if anything does. */
  async #noteWaiting(problem: string | null): Promise<void> {
    if (this.#run.state !== 'sending') await this.#noteProgress('sending', 0);
    if (problem === this.#run.problem) return;
    await this.#keeping.write(async (tx) => {
      await tx.update(runs).set({ problem }).where(eq(runs.id, this.#run.id));
      await announce(tx, 'printroom');
    });
  }

  /** Asks once, a while after it should be done, whoever the parts are of and who started it. */
  async #askWhetherDone(): Promise<void> {
    const { begunByHandAt, askedAt, estimateS } = this.#run;
    if (!begunByHandAt || askedAt || Date.now() < begunByHandAt.getTime() + estimateS * 1000 + ASK_AFTER_MS)
      return;
    await this.#keeping.write((tx) => tellOfRun(tx, this.#run, 'run_due', { askedAt: new Date() }));
  }

  /** Does what somebody wants of a run. */
  async #fulfil(): Promise<void> {
    if (!this.#run.wish) return;
    if (this.#run.wish === 'pause') await this.#keeping.driver.pause();
    else await this.#keeping.driver.resume();
    const { wish } = this.#run;
    await this.#keeping.write((tx) =>
      tx
        .update(runs)
        .set({ wish: null })
        .where(and(eq(runs.id, this.#run.id), eq(runs.wish, wish))),
    );
  }

  async #noteProgress(
    state: 'sending' | 'printing',
    progress: number,
    pausedFor: PauseReason | null = null,
  ): Promise<void> {
    const isIt = eq(runs.id, this.#run.id);
    await this.#keeping.write(async (tx) => {
      if (state !== this.#run.state) {
        await moveRuns(tx, MOVES[state], 'keeper', isIt, { progress, pausedFor, problem: null });
      } else {
        await tx
          .update(runs)
          .set({ progress, pausedFor })
          .where(and(isIt, inArray(runs.state, ACTIVE_RUN)));
        await announce(tx, pausedFor !== this.#run.pausedFor ? 'printroom' : 'printers');
        // Whoever pauses it knows, and the print room says so; what stops by itself is told.
        if (pausedFor && pausedFor !== 'user' && !this.#run.pausedFor)
          await tellOfRun(tx, this.#run, 'run_waits');
      }
    });
  }

  async #end(ending: Ending): Promise<void> {
    this.#keeping.preparing.end();
    await this.#keeping.write((tx) => endRun(tx, this.#run.id, ending));
  }
}
