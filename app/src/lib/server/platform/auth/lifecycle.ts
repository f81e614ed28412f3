import { randomUUID } from 'node:crypto';
import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { users } from '../db/schema/index.ts';
import { demandMover, follow, lifecycle, type Mover } from '../lifecycle.ts';

/** The account of a teacher or helper. */
export const staffLife = lifecycle({
  thing: 'account of a teacher or helper',
  states: {
    open: 'They can sign in.',
    shut: 'They cannot; what they did stays theirs.',
  },
  moves: {
    add: {
      from: [],
      to: 'open',
      by: ['teacher', 'server'],
      when: 'they came by a link or the first code, or a teacher made them a helper',
    },
    shut: {
      from: ['open'],
      to: 'shut',
      by: ['teacher'],
      when: 'it is somebody else’s',
      recorded: 'disable-staff',
    },
    shutWithLastClass: {
      from: ['open'],
      to: 'shut',
      by: ['teacher'],
      when: 'they were taken off the last class that they helped',
    },
    open: { from: ['shut'], to: 'open', by: ['teacher'], recorded: 'enable-staff' },
    openWithClass: { from: ['shut'], to: 'open', by: ['teacher'], when: 'they help a class again' },
  },
});

/** Adds somebody; returns the new person's id. */
export async function newStaff(
  tx: Database,
  mover: Mover,
  values: Pick<typeof users.$inferInsert, 'name' | 'email' | 'role'>,
): Promise<string> {
  demandMover(staffLife.moves.add, mover);
  const id = randomUUID();
  await tx.insert(users).values({ ...values, id, emailVerified: true });
  return id;
}

/** Shuts or opens somebody's account, if it is not so already. */
export async function moveStaff(
  tx: Database,
  name: Exclude<keyof typeof staffLife.moves, 'add'>,
  mover: Mover,
  userId: string,
): Promise<void> {
  const move = staffLife.moves[name];
  demandMover(move, mover);
  const isShut = move.to === 'shut';
  const moved = await tx
    .update(users)
    .set({ disabledAt: isShut ? new Date() : null })
    .where(and(eq(users.id, userId), isShut ? isNull(users.disabledAt) : isNotNull(users.disabledAt)))
    .returning({ id: users.id });
  await follow(tx, move, mover, moved);
}
