import { randomInt } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import * as z from 'zod';
import { LONGEST_NAME } from '../../shared/studentList.ts';
import { record } from '../platform/audit.ts';
import { classToTeach, NotAllowed, type Person } from '../platform/auth/access.ts';
import { moveStaff } from '../platform/auth/lifecycle.ts';
import { addStaff } from '../platform/auth/people.ts';
import { closeDoor } from './staff.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { classMembers, users } from '../platform/db/schema/index.ts';

/** A password that was just made, to be handed over; nothing for a helper who has one already. */
export interface AddedHelper {
  readonly email: string;
  readonly password?: string;
}

/**
 * Makes somebody a helper of a class: a helper of another class by the address alone, or else a new one, for whom a
 * password is made.
 */
export async function addHelper(
  db: Database,
  teacher: Person,
  classId: string,
  helper: { readonly name: string; readonly email: string },
): Promise<AddedHelper> {
  const group = await classToTeach(db, teacher, classId);
  const email = helper.email.trim().toLowerCase();
  const name = helper.name.trim().replace(/\s+/g, ' ');
  if (!z.email().max(200).safeParse(email).success)
    throw new CannotNow('“{email}” is no e-mail address: look for a missing @ or full stop.', { email });
  const [known] = await db.select().from(users).where(eq(users.email, email));
  if (known && known.role !== 'helper')
    throw new CannotNow('{name} is a teacher, and can use the print room already.', { name: known.name });
  if (!known && (name === '' || name.length > LONGEST_NAME)) {
    throw new CannotNow('Say what the helper is called, in at most {most} characters.', {
      most: LONGEST_NAME,
    });
  }
  const password = known ? undefined : newPassword();
  await db.transaction(async (tx) => {
    const id =
      known?.id ?? (await addStaff(tx, teacher, { name, email, role: 'helper', password: password! }));
    await tx.insert(classMembers).values({ classId: group.id, userId: id }).onConflictDoNothing();
    if (known) await moveStaff(tx, 'openWithClass', teacher, id);
    await record(tx, teacher, 'add-helper', group.id, [id]);
  });
  return { email, password };
}

/** Ends somebody's help in a class; they stay a helper of others, and cannot sign in where there are none. */
export async function removeHelper(
  db: Database,
  teacher: Person,
  classId: string,
  helperId: string,
): Promise<void> {
  const group = await classToTeach(db, teacher, classId);
  const [helper] = await db
    .select({ id: users.id })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(and(eq(classMembers.classId, group.id), eq(users.id, helperId), eq(users.role, 'helper')));
  if (!helper) throw new NotAllowed();
  await db.transaction(async (tx) => {
    await tx
      .delete(classMembers)
      .where(and(eq(classMembers.classId, group.id), eq(classMembers.userId, helper.id)));
    await record(tx, teacher, 'remove-helper', group.id, [helper.id]);
    // Who helps nobody has no business in the print room either.
    if ((await tx.$count(classMembers, eq(classMembers.userId, helper.id))) === 0)
      await closeDoor(tx, teacher, helper.id, 'shutWithLastClass');
  });
}

/** Letters and digits that are not taken for one another when they are read out. */
const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789';

/** A password of three groups of four, which can be read out: some 59 bits. */
function newPassword(): string {
  const group = () => Array.from({ length: 4 }, () => SIGNS[randomInt(SIGNS.length)]).join('');
  return [group(), group(), group()].join('-');
}
