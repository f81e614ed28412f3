import { randomInt } from 'node:crypto';
import { asc, eq, isNull, or } from 'drizzle-orm';
import { LONGEST_NAME } from '../../shared/studentList.ts';
import { record } from '../platform/audit.ts';
import { demandRole, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { UNAMBIGUOUS_CHARACTERS } from '../platform/basics/clearSigns.ts';
import type { Database } from '../platform/db/database.ts';
import { classes, limitsCards } from '../platform/db/schema/index.ts';

const CODE_LENGTH = 6;

/** Creates a class with a code of its own; returns its id. It takes the first limits card by name, until another is chosen. */
export async function createClass(db: Database, teacher: Person, name: string): Promise<string> {
  demandRole(teacher, 'teacher');
  const called = name.trim().replace(/\s+/g, ' ');
  if (called === '') throw new CannotNow('Say what the class is called.');
  if (called.length > LONGEST_NAME)
    throw new CannotNow('The name has {count} characters; shorten it to {most}.', {
      count: called.length,
      most: LONGEST_NAME,
    });
  return db.transaction(async (tx) => {
    const [card] = await tx
      .select({ id: limitsCards.id })
      .from(limitsCards)
      .where(or(isNull(limitsCards.ownerId), eq(limitsCards.ownerId, teacher.id)))
      .orderBy(asc(limitsCards.name))
      .limit(1);
    if (!card)
      throw new CannotNow(
        'There is no limits card yet that a class could use: make one under “Limits cards” first.',
      );
    for (;;) {
      const code = Array.from(
        { length: CODE_LENGTH },
        () => UNAMBIGUOUS_CHARACTERS[randomInt(UNAMBIGUOUS_CHARACTERS.length)],
      ).join('');
      const [created] = await tx
        .insert(classes)
        .values({ name: called, code, teacherId: teacher.id, limitsCardId: card.id })
        .onConflictDoNothing({ target: classes.code })
        .returning({ id: classes.id });
      if (!created) continue;
      await record(tx, teacher, 'create-class', created.id, [created.id]);
      return created.id;
    }
  });
}
