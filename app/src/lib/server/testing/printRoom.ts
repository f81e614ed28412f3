import { asc, eq } from 'drizzle-orm';
import { expect, vi } from 'vitest';
import { startPrinter, type RunningPrinter } from '@kelbrin/printer';
import type { Connection } from '../../shared/connection.ts';
import { startChecks } from '../../shared/startChecks.ts';
import type { Person } from '../platform/auth/access.ts';
import { compute } from '../platform/compute/compute.ts';
import { batchParts, printers, queueEntries, runs } from '../platform/db/schema/index.ts';
import { discardBatch } from '../printing/batches/changeBatch.ts';
import { openBatches } from '../printing/batches/batches.ts';
import { startPart } from '../printing/runs/startBatch.ts';
import { PrinterKeeper } from '../printing/keeping/keeper.ts';
import { demoSchool, type TestDatabase } from './database.ts';

/** A simulated printer's place on the network. */
export const onNetwork = (port: number): Connection => ({ way: 'network', host: '127.0.0.1', port });

/** The demo school's print room for a test, with a simulated printer Birch that is kept as the job process keeps it. */
export class TestPrintRoom {
  device!: RunningPrinter;
  keeper: PrinterKeeper | undefined;

  private constructor(
    readonly test: TestDatabase,
    readonly helper: Person,
    readonly printerId: string,
  ) {}

  static async open(): Promise<TestPrintRoom> {
    const test = await demoSchool();
    const [birch] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
    return new TestPrintRoom(test, await test.person('Mr Oduya'), birch.id);
  }

  async close(): Promise<void> {
    await compute().close();
    await this.test.drop();
  }

  /** Switches the printer on, anew if need be. */
  async plugIn({ speed = 1000, noise = 0, port = 0 } = {}): Promise<void> {
    await this.device?.close();
    this.device = await startPrinter({ name: 'Birch', port, speed, noise });
    const place = { connection: onNetwork(this.device.port) };
    await this.test.db.update(printers).set(place).where(eq(printers.id, this.printerId));
  }

  /** Ends what a test has begun. What was given up lies on its batch still; the next test wants parts that wait. */
  async clear(): Promise<void> {
    await this.keeper?.stop();
    this.keeper = undefined;
    await this.device.close();
    for (const { id, parts } of await openBatches(this.test.db, this.helper)) {
      if ((await this.entryState(parts[0].entryId)) === 'laid')
        await discardBatch(this.test.db, this.helper, id);
    }
  }

  /** Begins to keep the printer. */
  keep(): void {
    this.keeper = new PrinterKeeper(this.test.db, this.printerId);
  }

  async isOnline(): Promise<boolean> {
    const [{ status }] = await this.test.db.select().from(printers).where(eq(printers.id, this.printerId));
    return status?.online ?? false;
  }

  /** The part that waits first. */
  async waitingEntry(): Promise<string> {
    const [entry] = await this.test.db
      .select()
      .from(queueEntries)
      .where(eq(queueEntries.state, 'waiting'))
      .orderBy(asc(queueEntries.position));
    return entry.id;
  }

  /** The last run of a part. */
  async runOf(entryId: string): Promise<typeof runs.$inferSelect> {
    const all = await this.test.db
      .select({ run: runs })
      .from(runs)
      .innerJoin(batchParts, eq(batchParts.batchId, runs.batchId))
      .where(eq(batchParts.queueEntryId, entryId))
      .orderBy(asc(runs.startedAt));
    return all.at(-1)!.run;
  }

  async entryState(entryId: string): Promise<string> {
    const [{ state }] = await this.test.db.select().from(queueEntries).where(eq(queueEntries.id, entryId));
    return state;
  }

  /** Starts the part that waits first, once the printer answers. */
  async startNext(): Promise<string> {
    await eventually(async () => expect(await this.isOnline()).toBe(true));
    const entryId = await this.waitingEntry();
    await startPart(this.test.db, this.helper, entryId, this.printerId, startChecks);
    this.keeper?.nudge();
    return entryId;
  }

  /** Starts the part that waits first, and waits until so much of it is printed. */
  async startNextUntil(progress: number): Promise<string> {
    const entryId = await this.startNext();
    await eventually(async () => expect((await this.runOf(entryId)).progress).toBeGreaterThan(progress));
    return entryId;
  }
}

/** Looks again and again until what is checked holds. */
export function eventually(check: () => Promise<void>): Promise<void> {
  return vi.waitFor(check, { timeout: 90_000, interval: 100 });
}
