import { eq, inArray } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach } from 'vitest';
import { startChecks } from '../../shared/startChecks.ts';
import type { Person } from '../platform/auth/access.ts';
import { compute } from '../platform/compute/compute.ts';
import { printers, queueEntries, runs } from '../platform/db/schema/index.ts';
import { openBatches } from '../printing/batches/batches.ts';
import { discardBatch } from '../printing/batches/changeBatch.ts';
import { layBatch } from '../printing/batches/laying.ts';
import { wholeQueue } from './wholeQueue.ts';
import { endRun } from '../printing/runs/endRun.ts';
import { startBatch } from '../printing/runs/startBatch.ts';
import { demoSchool, type TestDatabase } from './database.ts';

/** The demo school's print room for the tests of a file, without a printer: batches are laid, started and ended in data. */
export class BatchRoom {
  test!: TestDatabase;
  helper!: Person;
  birch!: typeof printers.$inferSelect;

  /** Opens it before the tests of the file that calls this; each finds no batch laid. */
  static forTests(): BatchRoom {
    const room = new BatchRoom();
    beforeAll(async () => {
      room.test = await demoSchool();
      room.helper = await room.test.person('Mr Oduya');
      const [birch] = await room.test.db.select().from(printers).where(eq(printers.name, 'Birch'));
      room.birch = birch;
      const status = { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 };
      await room.test.db.update(printers).set({ status });
    });
    afterAll(async () => {
      await compute().close();
      await room.test.drop();
    });
    beforeEach(async () => {
      for (const { id } of await openBatches(room.test.db, room.helper))
        await discardBatch(room.test.db, room.helper, id).catch(() => {});
    });
    return room;
  }

  /** The parts that wait and may be printed. */
  async waiting() {
    const all = await wholeQueue(this.test.db, this.helper);
    return all.filter(({ state, heldAt }) => state === 'waiting' && !heldAt);
  }

  /** Their places in the queue. */
  waitingIds = async () => (await this.waiting()).map(({ id }) => id);

  /** Where parts stand. */
  statesOf = async (ids: string[]) => {
    const rows = await this.test.db.select().from(queueEntries).where(inArray(queueEntries.id, ids));
    return new Set(rows.map(({ state }) => state));
  };

  /** A batch of parts that was printed to its end. */
  printed = async (ids: string[]) => {
    const { db } = this.test;
    const { batchId } = await layBatch(db, this.helper, ids);
    await startBatch(db, this.helper, batchId, this.birch.id, startChecks);
    const [run] = await db.select().from(runs).where(eq(runs.batchId, batchId));
    await endRun(db, run.id, { state: 'finished' });
    return batchId;
  };
}
