import { and, eq, exists, inArray, notExists, sql, type SQL } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { batchParts, batches, runs } from '../../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Mover } from '../../platform/lifecycle.ts';

/** Parts that are laid out to be printed together. */
export const batchLife = lifecycle({
  thing: 'batch',
  states: {
    laid: 'It can be changed and started.',
    printing: 'It is on a printer.',
    printed: 'It was printed; what came of its parts is written down with it.',
    discarded: 'It was taken apart after it had been tried.',
  },
  moves: {
    lay: {
      from: [],
      to: 'laid',
      by: ['teacher', 'helper'],
      when: 'its parts wait, are of one kind, and find room',
      recorded: 'lay-batch',
      announced: ['printroom'],
    },
    start: {
      from: ['laid'],
      to: 'printing',
      by: ['teacher', 'helper'],
      when: 'every part lies well, and a run of it is begun',
      announced: ['printroom'],
    },
    finish: {
      from: ['printing'],
      to: 'printed',
      by: ['keeper'],
      when: 'its run is finished',
      announced: ['printroom'],
    },
    stopShort: {
      from: ['printing'],
      to: 'laid',
      by: ['keeper'],
      when: 'its run failed or was cancelled',
      announced: ['printroom'],
    },
    discard: {
      from: ['laid'],
      to: 'discarded',
      by: ['teacher', 'helper', 'keeper'],
      when: 'it was tried before, and is taken apart or its last part is taken off',
      recorded: 'discard-batch',
      announced: ['printroom'],
    },
    takeApart: {
      from: ['laid'],
      to: 'gone',
      by: ['teacher', 'helper'],
      when: 'it was never tried',
      recorded: 'discard-batch',
      announced: ['printroom'],
    },
    empty: {
      from: ['laid', 'printed', 'discarded'],
      to: 'gone',
      by: ['teacher', 'helper', 'keeper'],
      when: 'no part is or was on it any more, and it was never tried',
      announced: ['printroom'],
    },
  },
});

type Columns = typeof batches.$inferInsert;

/** Makes a batch; returns its id. */
export async function newBatch(tx: Database, mover: Mover, values: Omit<Columns, 'state'>): Promise<string> {
  const move = batchLife.moves.lay;
  demandMover(move, mover);
  const made = await tx.insert(batches).values(values).returning({ id: batches.id });
  await follow(tx, move, mover, made);
  return made[0].id;
}

/** Moves a batch on; false where it does not stand where the move begins. */
export async function moveBatch(
  tx: Database,
  name: 'start' | 'finish' | 'stopShort' | 'discard',
  mover: Mover,
  batchId: string,
): Promise<boolean> {
  return moveAll(tx, name, mover, eq(batches.id, batchId));
}

/** Deletes a batch that was never tried. */
export async function takeBatchApart(tx: Database, mover: Mover, batchId: string): Promise<void> {
  await end(tx, 'takeApart', mover, eq(batches.id, batchId));
}

/**
 * Ends the batches on which no part is any more. Those that were tried are kept with their runs, since hours and filament
 * of these were spent; the others are deleted, unless parts were on them once.
 */
export async function endEmptyBatches(tx: Database, mover: Mover): Promise<void> {
  const parts = (more?: SQL) =>
    tx
      .select({ one: sql`1` })
      .from(batchParts)
      .where(and(eq(batchParts.batchId, batches.id), more));
  const tries = tx
    .select({ one: sql`1` })
    .from(runs)
    .where(eq(runs.batchId, batches.id));
  await moveAll(tx, 'discard', mover, and(exists(tries), notExists(parts(sql`${batchParts.isCurrent}`))));
  await end(tx, 'empty', mover, and(notExists(tries), notExists(parts())));
}

async function moveAll(
  tx: Database,
  name: 'start' | 'finish' | 'stopShort' | 'discard',
  mover: Mover,
  which: SQL | undefined,
): Promise<boolean> {
  const move = batchLife.moves[name];
  demandMover(move, mover);
  const moved = await tx
    .update(batches)
    .set({ state: move.to })
    .where(and(which, inArray(batches.state, [...move.from])))
    .returning({ id: batches.id });
  await follow(tx, move, mover, moved);
  return moved.length > 0;
}

async function end(
  tx: Database,
  name: 'takeApart' | 'empty',
  mover: Mover,
  which: SQL | undefined,
): Promise<void> {
  const move = batchLife.moves[name];
  demandMover(move, mover);
  const gone = await tx
    .delete(batches)
    .where(and(which, inArray(batches.state, [...move.from])))
    .returning({ id: batches.id });
  await follow(tx, move, mover, gone);
}
