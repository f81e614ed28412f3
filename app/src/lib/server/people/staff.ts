import { randomBytes } from 'node:crypto';
import { and, asc, eq, gt, isNull, ne, sql } from 'drizzle-orm';
import * as z from 'zod';
import { newcomerDraft, passwordField } from '../../shared/newcomerDraft.ts';
import { record } from '../platform/audit.ts';
import { classToTeach, demandRole, NotAllowed, type Person } from '../platform/auth/access.ts';
import { endSessions } from '../platform/auth/endSessions.ts';
import { hashPassword } from '../platform/auth/passwords.ts';
import { moveStaff } from '../platform/auth/lifecycle.ts';
import { addStaff } from '../platform/auth/people.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { accounts, classes, classMembers, entryLinks, sessions, users } from '../platform/db/schema/index.ts';
import { sha256 } from '../platform/basics/sha256.ts';
import { say } from '@kelbrin/core/words';

/** For so long somebody may use a link to come in. */
export const LINK_HOURS = 72;

/** The teachers and helpers of the school, those whose door is closed last. */
export async function staffOf(db: Database, teacher: Person) {
  demandRole(teacher, 'teacher');
  const staff = await db
    .select({
      id: users.id,
      name: users.name,
      email: users.email,
      role: users.role,
      disabledAt: users.disabledAt,
      sessions: db.$count(sessions, and(eq(sessions.userId, users.id), gt(sessions.expiresAt, sql`now()`))),
    })
    .from(users)
    .where(ne(users.role, 'student'))
    .orderBy(asc(users.name));
  const taught = await db.select({ id: classes.teacherId, name: classes.name }).from(classes);
  const helped = await db
    .select({ id: classMembers.userId, name: classes.name })
    .from(classMembers)
    .innerJoin(classes, eq(classes.id, classMembers.classId))
    .innerJoin(users, and(eq(users.id, classMembers.userId), eq(users.role, 'helper')));
  return staff
    .map((person) => ({
      ...person,
      classes: [...taught, ...helped].filter(({ id }) => id === person.id).map(({ name }) => name),
    }))
    .sort((a, b) => Number(a.disabledAt !== null) - Number(b.disabledAt !== null));
}

/** Closes the door for somebody: all sessions end at once. */
export async function closeDoor(
  tx: Database,
  teacher: Person,
  userId: string,
  move: 'shut' | 'shutWithLastClass',
): Promise<void> {
  await moveStaff(tx, move, teacher, userId);
  await tx.delete(entryLinks).where(eq(entryLinks.userId, userId));
  await endSessions(tx, [userId]);
}

/** Closes the door for a colleague, or opens it again. Nobody does so to themselves, so that somebody is always left. */
export async function setDisabled(
  db: Database,
  teacher: Person,
  userId: string,
  isDisabled: boolean,
): Promise<void> {
  const { id } = await colleague(db, teacher, userId);
  if (id === teacher.id) throw new CannotNow('You cannot close the door for yourself: ask a colleague.');
  await db.transaction(async (tx) => {
    if (isDisabled) await closeDoor(tx, teacher, id, 'shut');
    else await moveStaff(tx, 'open', teacher, id);
  });
}

/** Makes a link by which somebody becomes a teacher, or a helper of a class; returns what stands in it. */
export async function inviteStaff(
  db: Database,
  teacher: Person,
  role: string,
  classId?: string,
): Promise<string> {
  demandRole(teacher, 'teacher');
  if (role !== 'teacher' && role !== 'helper')
    throw new CannotNow('Say whether it is a teacher or a helper.');
  if (role === 'helper' && !classId) throw new CannotNow('Say which class they help.');
  const group = role === 'helper' ? await classToTeach(db, teacher, classId!) : undefined;
  return db.transaction(async (tx) => {
    await record(tx, teacher, 'invite-staff', group?.id ?? null, [teacher.id]);
    return newLink(tx, { role, classId: group?.id, createdBy: teacher.id });
  });
}

/** Makes a link by which a colleague gets a new password; links that were made before end. */
export async function resetLink(db: Database, teacher: Person, userId: string): Promise<string> {
  const { id, role, disabledAt } = await colleague(db, teacher, userId);
  if (disabledAt) throw new CannotNow('Open the door for them first.');
  return db.transaction(async (tx) => {
    await tx.delete(entryLinks).where(eq(entryLinks.userId, id));
    await record(tx, teacher, 'reset-staff', null, [id]);
    return newLink(tx, { role, userId: id, createdBy: teacher.id });
  });
}

/** What a link is for; throws {@link NotAllowed} for one that was used, or whose time is over. */
export async function entryBy(db: Database, token: string) {
  const [found] = await db
    .select({
      role: entryLinks.role,
      classId: entryLinks.classId,
      className: classes.name,
      userId: entryLinks.userId,
      name: users.name,
      email: users.email,
    })
    .from(entryLinks)
    .leftJoin(classes, eq(classes.id, entryLinks.classId))
    .leftJoin(users, eq(users.id, entryLinks.userId))
    .where(and(eq(entryLinks.tokenHash, sha256(token)), gt(entryLinks.expiresAt, sql`now()`)));
  if (!found) throw new NotAllowed(say('This link leads nowhere: it was used, or its time is over.'));
  return found;
}

/** Lets somebody in by a link, once. Returns with what they can sign in now. */
export async function enter(
  db: Database,
  token: string,
  data: unknown,
): Promise<{ email: string; password: string }> {
  const { userId } = await entryBy(db, token);
  const draft = userId ? z.object({ password: passwordField }) : newcomerDraft;
  const read = draft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  const hash = await hashPassword(read.data.password);
  return db.transaction(async (tx) => {
    // Of two who use it at once, one has it.
    const [link] = await tx
      .delete(entryLinks)
      .where(and(eq(entryLinks.tokenHash, sha256(token)), gt(entryLinks.expiresAt, sql`now()`)))
      .returning();
    if (!link) throw new CannotNow('This link was used a moment ago: sign in.');
    if (link.userId) {
      const [person] = await tx
        .select()
        .from(users)
        .where(and(eq(users.id, link.userId), isNull(users.disabledAt)));
      if (!person) throw new CannotNow('The door is closed for you: ask a colleague.');
      await tx.update(accounts).set({ password: hash }).where(eq(accounts.userId, person.id));
      await endSessions(tx, [person.id]);
      await record(tx, person, 'enter-by-link', null, [person.id]);
      return { email: person.email, password: read.data.password };
    }
    const { name, email, password } = read.data as z.infer<typeof newcomerDraft>;
    if ((await tx.$count(users, eq(users.email, email))) > 0)
      throw new CannotNow('Somebody signs in with this address already.');
    const id = await addStaff(tx, 'server', {
      name,
      email,
      role: link.role as 'teacher' | 'helper',
      password,
    });
    if (link.classId) await tx.insert(classMembers).values({ classId: link.classId, userId: id });
    await record(tx, { id }, 'enter-by-link', link.classId, [id]);
    return { email, password };
  });
}

async function newLink(
  tx: Database,
  link: Omit<typeof entryLinks.$inferInsert, 'tokenHash' | 'expiresAt'>,
): Promise<string> {
  const token = randomBytes(18).toString('base64url');
  const expiresAt = new Date(Date.now() + LINK_HOURS * 3600_000);
  await tx.insert(entryLinks).values({ ...link, tokenHash: sha256(token), expiresAt });
  return token;
}

async function colleague(db: Database, teacher: Person, userId: string) {
  demandRole(teacher, 'teacher');
  const [found] = await db
    .select()
    .from(users)
    .where(and(eq(users.id, userId), ne(users.role, 'student')));
  if (!found) throw new NotAllowed();
  return found;
}
