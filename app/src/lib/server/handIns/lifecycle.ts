import { and, inArray, type SQL } from 'drizzle-orm';
import { handInsWithOwner } from '../platform/auth/withOwner.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, handIns, projects } from '../platform/db/schema/index.ts';
import { demandMover, follow, lifecycle, type Moved, type Mover } from '../platform/lifecycle.ts';

/** A hand-in, from the student's hand to the decision. */
export const handInLife = lifecycle({
  thing: 'hand-in',
  states: {
    checking: 'The server builds and inspects it.',
    refused: 'It could not be built, or fails in something that the student did not argue for.',
    waiting: 'It was inspected and waits for the teacher.',
    sent_back: 'The student has to change something.',
    approved: 'Its solid is frozen as a print file.',
    withdrawn: 'The student took it back.',
  },
  moves: {
    handIn: {
      from: [],
      to: 'checking',
      by: ['student'],
      when: 'it differs from what waits or was approved',
      recorded: 'hand-in',
      announced: ['project', 'class'],
    },
    withdraw: {
      from: ['checking', 'waiting'],
      to: 'withdrawn',
      by: ['student'],
      when: 'the teacher has not looked at it',
      recorded: 'withdraw',
      announced: ['project', 'class'],
    },
    inspected: {
      from: ['checking'],
      to: 'waiting',
      by: ['server'],
      when: 'whoever inspected it still has the claim',
      announced: ['project', 'class'],
      noticed: 'handed_in',
    },
    inspectedAgain: {
      from: ['checking'],
      to: 'waiting',
      by: ['server'],
      when: 'it was inspected before, by other limits',
      announced: ['project', 'class'],
    },
    refuse: {
      from: ['checking'],
      to: 'refused',
      by: ['server'],
      when: 'whoever inspected it still has the claim',
      announced: ['project', 'class'],
      noticed: 'refused',
    },
    inspectAgain: {
      from: ['checking', 'waiting'],
      to: 'checking',
      by: ['server'],
      when: 'the limits card of its class was changed',
    },
    markSupports: {
      from: ['waiting'],
      to: 'checking',
      by: ['teacher'],
      when: 'card and brief let parts be held by supports',
      announced: ['project', 'class'],
    },
    sendBack: {
      from: ['waiting'],
      to: 'sent_back',
      by: ['teacher'],
      when: 'there is a comment or a remark',
      recorded: 'send-back',
      announced: ['project', 'class'],
      noticed: 'sent_back',
    },
    approve: {
      from: ['waiting'],
      to: 'approved',
      by: ['teacher'],
      when: 'the solid is the one that was shown, and what fails is waived with a reason',
      recorded: 'approve',
      announced: ['project', 'class', 'printroom'],
      noticed: 'approved',
    },
    undo: {
      from: ['approved', 'sent_back'],
      to: 'waiting',
      by: ['teacher'],
      when: 'it is the latest, and was not laid on a batch',
      recorded: 'undo',
      announced: ['project', 'class', 'printroom'],
    },
    undoDoubted: {
      from: ['approved', 'sent_back'],
      to: 'checking',
      by: ['teacher'],
      when: 'the same, and the limits have changed since',
      recorded: 'undo',
      announced: ['project', 'class', 'printroom'],
    },
    undoGiveBack: {
      from: ['sent_back'],
      to: 'approved',
      by: ['teacher'],
      when: 'it went back after its print had failed, and is the latest',
      recorded: 'undo',
      announced: ['project', 'class', 'printroom'],
    },
    giveBack: {
      from: ['approved'],
      to: 'sent_back',
      by: ['teacher', 'helper'],
      when: 'its print failed, with a note why',
      announced: ['project', 'class', 'printroom'],
      noticed: 'sent_back',
    },
  },
});

type Columns = typeof handIns.$inferInsert;
type HandInMove = keyof typeof handInLife.moves;

/** Makes a hand-in, which is inspected from then on; returns its id. */
export async function newHandIn(tx: Database, mover: Mover, values: Omit<Columns, 'state'>): Promise<string> {
  const move = handInLife.moves.handIn;
  demandMover(move, mover);
  const made = await tx.insert(handIns).values(values).returning({ id: handIns.id });
  await follow(tx, move, mover, await belongings(tx, made));
  return made[0].id;
}

/**
 * Moves hand-ins on, those of `which` that stand where the move begins, and writes `also` with it. Returns the ids of those
 * that did move: none when somebody was first.
 */
export async function moveHandIns(
  tx: Database,
  name: Exclude<HandInMove, 'handIn'>,
  mover: Mover,
  which: SQL | undefined,
  also: Partial<Omit<Columns, 'state'>> = {},
): Promise<string[]> {
  const move = handInLife.moves[name];
  demandMover(move, mover);
  const moved = await tx
    .update(handIns)
    .set({ ...also, state: move.to })
    .where(and(which, inArray(handIns.state, [...move.from])))
    .returning({ id: handIns.id });
  await follow(tx, move, mover, await belongings(tx, moved));
  return moved.map(({ id }) => id);
}

/** Hand-ins with the projects, briefs and classes that they belong to. */
async function belongings(tx: Database, of: readonly { readonly id: string }[]): Promise<Moved[]> {
  if (of.length === 0) return [];
  return handInsWithOwner(tx, {
    id: handIns.id,
    projectId: projects.id,
    briefId: briefs.id,
    classId: briefs.classId,
  }).where(
    inArray(
      handIns.id,
      of.map(({ id }) => id),
    ),
  );
}
