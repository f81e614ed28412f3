import { and, eq, inArray, notExists, sql, type SQL } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { plateParts, plates } from '../../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Mover } from '../../platform/lifecycle.ts';

/** Parts that are laid out to be printed together. */
export const plateLife = lifecycle({
  thing: 'plate',
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
      recorded: 'lay-plate',
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
      by: ['teacher', 'helper'],
      when: 'it was tried before',
      recorded: 'discard-plate',
      announced: ['printroom'],
    },
    takeApart: {
      from: ['laid'],
      to: 'gone',
      by: ['teacher', 'helper'],
      when: 'it was never tried',
      recorded: 'discard-plate',
      announced: ['printroom'],
    },
    empty: {
      from: ['laid', 'printed', 'discarded'],
      to: 'gone',
      by: ['teacher', 'helper', 'keeper'],
      when: 'no part is or was on it any more',
      announced: ['printroom'],
    },
  },
});

type Columns = typeof plates.$inferInsert;

/** Makes a plate; returns its id. */
export async function newPlate(tx: Database, mover: Mover, values: Omit<Columns, 'state'>): Promise<string> {
  const move = plateLife.moves.lay;
  demandMover(move, mover);
  const made = await tx.insert(plates).values(values).returning({ id: plates.id });
  await follow(tx, move, mover, made);
  return made[0].id;
}

/** Moves a plate on; false where it does not stand where the move begins. */
export async function movePlate(
  tx: Database,
  name: 'start' | 'finish' | 'stopShort' | 'discard',
  mover: Mover,
  plateId: string,
): Promise<boolean> {
  const move = plateLife.moves[name];
  demandMover(move, mover);
  const moved = await tx
    .update(plates)
    .set({ state: move.to })
    .where(and(eq(plates.id, plateId), inArray(plates.state, [...move.from])))
    .returning({ id: plates.id });
  await follow(tx, move, mover, moved);
  return moved.length > 0;
}

/** Deletes a plate that was never tried. */
export async function takePlateApart(tx: Database, mover: Mover, plateId: string): Promise<void> {
  await end(tx, 'takeApart', mover, eq(plates.id, plateId));
}

/** Deletes the plates on which no part is or was any more. */
export async function endEmptyPlates(tx: Database, mover: Mover): Promise<void> {
  const parts = tx
    .select({ one: sql`1` })
    .from(plateParts)
    .where(eq(plateParts.plateId, plates.id));
  await end(tx, 'empty', mover, notExists(parts));
}

async function end(
  tx: Database,
  name: 'takeApart' | 'empty',
  mover: Mover,
  which: SQL | undefined,
): Promise<void> {
  const move = plateLife.moves[name];
  demandMover(move, mover);
  const gone = await tx
    .delete(plates)
    .where(and(which, inArray(plates.state, [...move.from])))
    .returning({ id: plates.id });
  await follow(tx, move, mover, gone);
}
