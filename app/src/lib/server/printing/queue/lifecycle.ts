import { and, inArray, type SQL } from 'drizzle-orm';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import type { Database } from '../../platform/db/database.ts';
import { briefs, projects, queueEntries } from '../../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Moved, type Mover } from '../../platform/lifecycle.ts';

/** A part in the queue, from its approval to the print. */
export const entryLife = lifecycle({
  thing: 'part in the queue',
  states: {
    waiting: 'It may be laid on a batch.',
    laid: 'It has a place on a batch that is not printed yet.',
    printing: 'Its batch is on a printer.',
    printed: 'It was printed.',
    dropped: 'The teacher took it out of the queue.',
  },
  moves: {
    join: {
      from: [],
      to: 'waiting',
      by: ['teacher', 'helper'],
      when: 'its hand-in is approved: a place for each copy, or one more of a part that was printed',
      announced: ['printroom'],
    },
    lay: {
      from: ['waiting'],
      to: 'laid',
      by: ['teacher', 'helper'],
      when: 'it is not held back, its approval holds, and the batch has room',
      announced: ['printroom'],
    },
    takeOff: {
      from: ['laid'],
      to: 'waiting',
      by: ['teacher', 'helper', 'keeper'],
      when: 'its batch is not on a printer; or its part went back to its student',
      announced: ['printroom'],
    },
    start: {
      from: ['laid'],
      to: 'printing',
      by: ['teacher', 'helper'],
      when: 'its batch is started',
      announced: ['project', 'class'],
    },
    finish: {
      from: ['printing'],
      to: 'printed',
      by: ['keeper'],
      when: 'its run is finished',
      announced: ['project', 'class'],
    },
    stopShort: {
      from: ['printing'],
      to: 'laid',
      by: ['keeper'],
      when: 'its run failed or was cancelled',
      announced: ['project', 'class'],
    },
    printAgain: {
      from: ['printed'],
      to: 'waiting',
      by: ['teacher', 'helper'],
      when: 'what came of it failed, its approval holds, and it is to be printed as it is',
      announced: ['project', 'class', 'printroom'],
    },
    countAsPrinted: {
      from: ['waiting'],
      to: 'printed',
      by: ['teacher', 'helper'],
      when: 'what came of it is corrected, and it has no place on a batch since',
      announced: ['project', 'class', 'printroom'],
    },
    drop: {
      from: ['waiting'],
      to: 'dropped',
      by: ['teacher'],
      recorded: 'drop-entry',
      announced: ['printroom'],
    },
    putBack: {
      from: ['dropped'],
      to: 'waiting',
      by: ['teacher'],
      recorded: 'put-back-entry',
      announced: ['printroom'],
    },
    leave: {
      from: ['waiting', 'dropped'],
      to: 'gone',
      by: ['teacher', 'helper', 'keeper'],
      when: 'its approval is undone, its part went back to its student, or a later version wants fewer copies',
      announced: ['printroom'],
    },
  },
});

type EntryMove = keyof typeof entryLife.moves;

/** Gives a copy of a print file a place in the queue. */
export async function joinQueue(
  tx: Database,
  mover: Mover,
  printFileId: string,
  copy: number,
): Promise<void> {
  const move = entryLife.moves.join;
  demandMover(move, mover);
  const joined = await tx
    .insert(queueEntries)
    .values({ printFileId, copy })
    .returning({ id: queueEntries.id });
  await follow(tx, move, mover, joined);
}

/**
 * Moves parts on, those of `which` that stand where the move begins; returns their ids, none of those where somebody was
 * first.
 */
export async function moveEntries(
  tx: Database,
  name: Exclude<EntryMove, 'join' | 'leave'>,
  mover: Mover,
  which: SQL | undefined,
): Promise<string[]> {
  const move = entryLife.moves[name];
  demandMover(move, mover);
  const moved = await tx
    .update(queueEntries)
    .set({ state: move.to })
    .where(and(which, inArray(queueEntries.state, [...move.from])))
    .returning({ id: queueEntries.id });
  await follow(tx, move, mover, await belongings(tx, moved, move));
  return moved.map(({ id }) => id);
}

/** Takes parts out of the queue for good; those that do not wait any more stay. */
export async function leaveQueue(tx: Database, mover: Mover, entryIds: readonly string[]): Promise<void> {
  const move = entryLife.moves.leave;
  demandMover(move, mover);
  if (entryIds.length === 0) return;
  const gone = await tx
    .delete(queueEntries)
    .where(and(inArray(queueEntries.id, [...entryIds]), inArray(queueEntries.state, [...move.from])))
    .returning({ id: queueEntries.id });
  await follow(tx, move, mover, gone);
}

/** Parts with the projects and classes that they belong to, where these hear of a move. */
async function belongings(
  tx: Database,
  moved: readonly { readonly id: string }[],
  { announced }: { readonly announced: readonly string[] },
): Promise<readonly Moved[]> {
  if (moved.length === 0 || !announced.includes('project')) return moved;
  return entriesWithOwner(tx, { id: queueEntries.id, projectId: projects.id, classId: briefs.classId }).where(
    inArray(
      queueEntries.id,
      moved.map(({ id }) => id),
    ),
  );
}
