import { and, eq, inArray } from 'drizzle-orm';
import type { Database } from '../../platform/db/database.ts';
import { filamentChanges } from '../../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Mover } from '../../platform/lifecycle.ts';

const people = ['teacher', 'helper'] as const;

/**
 * A change of filament. While it heats, draws out, pushes in, purges or cools, it is the printer's turn; while it is hot,
 * empty or loaded, somebody's.
 */
export const changeLife = lifecycle({
  thing: 'change of filament',
  states: {
    heating: 'The nozzle is heated.',
    hot: 'Somebody says whether filament is in it.',
    unloading: 'The filament is drawn out.',
    empty: 'Somebody puts the new roll on.',
    loading: 'The new filament is pushed in.',
    loaded: 'Somebody looks whether the colour runs clean.',
    purging: 'More is pushed through.',
    cooling: 'It is over; the nozzle cools, or goes on with its run.',
  },
  moves: {
    begin: {
      from: [],
      to: 'heating',
      by: people,
      when: 'the printer is free, or its run stands still for filament',
      announced: ['printroom', 'orders'],
    },
    heated: { from: ['heating'], to: 'hot', by: ['keeper'], announced: ['printroom', 'orders'] },
    drawOut: { from: ['hot'], to: 'unloading', by: people, announced: ['printroom', 'orders'] },
    nothingIn: { from: ['hot'], to: 'empty', by: people, announced: ['printroom', 'orders'] },
    drawnOut: { from: ['unloading'], to: 'empty', by: ['keeper'], announced: ['printroom', 'orders'] },
    pushIn: { from: ['empty'], to: 'loading', by: people, announced: ['printroom', 'orders'] },
    pushedIn: { from: ['loading'], to: 'loaded', by: ['keeper'], announced: ['printroom', 'orders'] },
    more: { from: ['loaded'], to: 'purging', by: people, announced: ['printroom', 'orders'] },
    purged: { from: ['purging'], to: 'loaded', by: ['keeper'], announced: ['printroom', 'orders'] },
    end: { from: ['loaded'], to: 'cooling', by: people, announced: ['printroom', 'orders'] },
    giveUp: {
      from: ['heating', 'hot', 'empty', 'loaded'],
      to: 'cooling',
      by: people,
      announced: ['printroom', 'orders'],
    },
    leftAlone: {
      from: ['hot', 'empty', 'loaded'],
      to: 'cooling',
      by: ['keeper'],
      when: 'nobody came for ten minutes, and no run waits',
      announced: ['printroom', 'orders'],
    },
    cooled: { from: ['cooling'], to: 'gone', by: ['keeper'], announced: ['printroom'] },
  },
});

export type ChangeStep = keyof typeof changeLife.states;
type Columns = typeof filamentChanges.$inferInsert;
export type ChangeMove = Exclude<keyof typeof changeLife.moves, 'begin' | 'cooled'>;

/** Begins a change on a printer; false if one is under way there already. */
export async function newChange(
  tx: Database,
  mover: Mover,
  values: Omit<Columns, 'step' | 'steppedAt'>,
): Promise<boolean> {
  const move = changeLife.moves.begin;
  demandMover(move, mover);
  const begun = await tx
    .insert(filamentChanges)
    .values(values)
    .onConflictDoNothing()
    .returning({ id: filamentChanges.printerId });
  await follow(tx, move, mover, begun);
  return begun.length > 0;
}

/**
 * Brings the change on a printer to its next step; false where it stands at another by now. `at` is the one step that it
 * was seen at, where a move has several to begin from.
 */
export async function moveChange(
  tx: Database,
  name: ChangeMove,
  mover: Mover,
  printerId: string,
  at?: ChangeStep,
): Promise<boolean> {
  const move = changeLife.moves[name];
  demandMover(move, mover);
  const moved = await tx
    .update(filamentChanges)
    .set({ step: move.to, steppedAt: new Date() })
    .where(
      and(
        eq(filamentChanges.printerId, printerId),
        inArray(filamentChanges.step, [...move.from]),
        at && eq(filamentChanges.step, at),
      ),
    )
    .returning({ id: filamentChanges.printerId });
  await follow(tx, move, mover, moved);
  return moved.length > 0;
}

/** Ends the change on a printer whose nozzle cools. */
export async function overChange(tx: Database, mover: Mover, printerId: string): Promise<void> {
  const move = changeLife.moves.cooled;
  demandMover(move, mover);
  const gone = await tx
    .delete(filamentChanges)
    .where(and(eq(filamentChanges.printerId, printerId), inArray(filamentChanges.step, [...move.from])))
    .returning({ id: filamentChanges.printerId });
  await follow(tx, move, mover, gone);
}
