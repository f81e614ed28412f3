import { and, inArray, type SQL } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { ACTIVE_RUN, runs } from '../../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Mover } from '../../platform/lifecycle.ts';
import { currentParts } from '../batches/batchParts.ts';

/** One print of a batch on one printer. */
export const runLife = lifecycle({
  thing: 'run',
  states: {
    preparing: 'Its batch is sliced.',
    sending: 'The printer gets its file.',
    printing: 'The printer is at work on it.',
    finished: 'The printer came to its end.',
    failed: 'It ended by a fault, which it names.',
    cancelled: 'Somebody asked for it to be given up.',
  },
  moves: {
    start: {
      from: [],
      to: 'preparing',
      by: ['teacher', 'helper'],
      when: 'every look before the start is ticked, the printer is free, and its spool has enough',
      recorded: 'start-run',
      announced: ['printroom', 'orders'],
    },
    send: { from: ['preparing'], to: 'sending', by: ['keeper'], announced: ['printroom'] },
    begin: {
      from: ['preparing', 'sending'],
      to: 'printing',
      by: ['keeper'],
      when: 'the printer says that it is at work on the file',
      announced: ['printroom'],
    },
    finish: {
      from: ACTIVE_RUN,
      to: 'finished',
      by: ['keeper'],
      when: 'the printer has printed the last byte',
      announced: ['printroom'],
    },
    fail: {
      from: ACTIVE_RUN,
      to: 'failed',
      by: ['keeper'],
      announced: ['printroom'],
      noticed: 'run_failed',
    },
    cancel: {
      from: ACTIVE_RUN,
      to: 'cancelled',
      by: ['keeper'],
      when: 'somebody asked for it',
      announced: ['printroom'],
    },
  },
});

type Run = typeof runs.$inferSelect;
type Columns = typeof runs.$inferInsert;

/** Makes a run, which its printer's keeper carries out; the database refuses a second one of a printer or a batch. */
export async function newRun(
  tx: Database,
  mover: Mover,
  values: Omit<Columns, 'state'>,
): Promise<Pick<Run, 'id'>> {
  const move = runLife.moves.start;
  demandMover(move, mover);
  const [run] = await tx.insert(runs).values(values).returning({ id: runs.id });
  await follow(tx, move, mover, [run]);
  return run;
}

/** Moves runs on, those of `which` that stand where the move begins, and writes `also` with it; returns them as they are then. */
export async function moveRuns(
  tx: Database,
  name: Exclude<keyof typeof runLife.moves, 'start'>,
  mover: Mover,
  which: SQL | undefined,
  also: Partial<Omit<Columns, 'state'>> = {},
): Promise<Run[]> {
  const move = runLife.moves[name];
  demandMover(move, mover);
  const moved = await tx
    .update(runs)
    .set({ ...also, state: move.to })
    .where(and(which, inArray(runs.state, [...move.from])))
    .returning();
  for (const { id, batchId } of moved) {
    // Of what failed, the teachers of all whose parts are on the batch are told.
    const parts = 'noticed' in move ? await currentParts(tx, batchId) : [];
    const briefIds = new Set(parts.map(({ briefId }) => briefId));
    await follow(
      tx,
      move,
      mover,
      briefIds.size === 0 ? [{ id }] : [...briefIds].map((briefId) => ({ id, briefId })),
    );
  }
  return moved;
}
