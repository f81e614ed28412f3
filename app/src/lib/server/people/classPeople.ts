import { and, asc, eq, inArray } from 'drizzle-orm';
import type { ListReading } from '../../shared/listReading.ts';
import { LONGEST_LIST, MOST_STUDENTS, readStudentList } from '../../shared/studentList.ts';
import { record } from '../platform/audit.ts';
import { classToTeach, NotAllowed, type Person } from '../platform/auth/access.ts';
import { addStudents, newPin, type NewStudent } from '../platform/auth/people.ts';
import { endSessions } from '../platform/auth/endSessions.ts';
import { hashPassword } from '../platform/auth/passwords.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { accounts, classes, classMembers, users } from '../platform/db/schema/index.ts';
import { forgetTriesIn, shutIn } from '../platform/auth/throttle.ts';
import { endSharesOf, sharesInClass } from '../projects/sharing/shares.ts';
import { announce } from '../platform/live/topics.ts';
import { say } from '@kelbrin/core/words';

/** What a sign-in card says; a PIN is kept as a hash alone, so that it is known only when it was just made. */
export interface SignInCard {
  readonly name: string;
  readonly signInName: string;
  readonly pin: string;
}

/** The students and helpers of one of the teacher's classes, archived students last. */
export async function peopleOf(db: Database, teacher: Person, classId: string) {
  const { id, name, code } = await classToTeach(db, teacher, classId);
  const members = await db
    .select({
      id: users.id,
      name: users.name,
      email: users.email,
      role: users.role,
      signInName: classMembers.signInName,
      archivedAt: classMembers.archivedAt,
    })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(eq(classMembers.classId, id))
    .orderBy(asc(users.name));
  return {
    id,
    name,
    code,
    shut: await shutIn(db, id),
    shares: await sharesInClass(db, id),
    students: members
      .filter(({ role }) => role === 'student')
      .map(({ id, name, signInName, archivedAt }) => ({
        id,
        name,
        signInName: signInName ?? '',
        isArchived: archivedAt !== null,
      }))
      .sort((a, b) => Number(a.isArchived) - Number(b.isArchived)),
    helpers: members
      .filter(({ role }) => role === 'helper')
      .map(({ id, name, email }) => ({ id, name, email })),
  };
}

/** Lets everyone of a class try to sign in again. */
export async function unlockClass(db: Database, teacher: Person, classId: string): Promise<void> {
  const { id } = await classToTeach(db, teacher, classId);
  await db.transaction(async (tx) => {
    await forgetTriesIn(tx, id);
    await record(tx, teacher, 'unlock-class', id, [id]);
    await announce(tx, `class:${id}`);
  });
}

/**
 * Adds the students of a list to a class, all of them or none; hands back their sign-in cards. Throws a
 * {@link CannotNow} with the first line that is wrong.
 */
export async function addListed(
  db: Database,
  teacher: Person,
  classId: string,
  words: string,
  reading?: ListReading,
): Promise<SignInCard[]> {
  const group = await classToTeach(db, teacher, classId);
  if (words.length > LONGEST_LIST)
    throw new CannotNow('The list is longer than that of any class: add the students in several lists.');
  const { students, problems } = readStudentList(words, await signInNamesOf(db, group.id), reading);
  if (problems.length > 0) {
    const [{ line, message }] = [...problems].sort((a, b) => a.line - b.line);
    throw new CannotNow('Line {line}: {message}. Nobody was added.', { line, message });
  }
  if (students.length === 0) throw new CannotNow('There is nobody on the list.');
  const added = await Promise.all(
    students.map(async ({ name, signInName, pin = newPin() }): Promise<NewStudent & SignInCard> => {
      return { name, signInName, pin, pinHash: await hashPassword(pin) };
    }),
  );
  await db.transaction(async (tx) => {
    // The class is held, so that two lists at once cannot give one sign-in name twice.
    await tx.select({ id: classes.id }).from(classes).where(eq(classes.id, group.id)).for('no key update');
    const taken = await signInNamesOf(tx, group.id);
    const late = added.find(({ signInName }) => taken.has(signInName));
    if (late)
      throw new CannotNow(
        'The sign-in name “{signInName}” was taken a moment ago. Nobody was added: choose another sign-in name.',
        { signInName: late.signInName },
      );
    const ids = await addStudents(tx, group.id, added);
    await record(tx, teacher, 'add-student', group.id, ids);
    await announce(tx, `class:${group.id}`);
  });
  return added.map(({ name, signInName, pin }) => ({ name, signInName, pin }));
}

/** Calls a student something else. */
export async function renameStudent(
  db: Database,
  teacher: Person,
  classId: string,
  studentId: string,
  name: string,
): Promise<void> {
  const [student] = await studentsIn(db, teacher, classId, [studentId]);
  const { students, problems } = readStudentList(name.replace(/[\n\t,;]/g, ' '), new Set());
  if (problems.length > 0 || students.length !== 1) {
    throw new CannotNow(
      problems[0]
        ? say('That cannot be: {message}.', { message: problems[0].message })
        : say('Say what the student is called.'),
    );
  }
  await db.transaction(async (tx) => {
    await tx.update(users).set({ name: students[0].name }).where(eq(users.id, student.id));
    await record(tx, teacher, 'rename-student', classId, [student.id]);
    await announce(tx, `class:${classId}`);
  });
}

/** Gives students new PINs; whoever is signed in with an old one is signed out. Hands back their sign-in cards. */
export async function resetPins(
  db: Database,
  teacher: Person,
  classId: string,
  studentIds: readonly string[],
): Promise<SignInCard[]> {
  const students = await studentsIn(db, teacher, classId, studentIds);
  const fresh = await Promise.all(
    students.map(async (student) => {
      const pin = newPin();
      return { ...student, pin, hash: await hashPassword(pin) };
    }),
  );
  await db.transaction(async (tx) => {
    for (const { id, hash } of fresh) {
      await tx.update(accounts).set({ password: hash }).where(eq(accounts.userId, id));
    }
    const ids = fresh.map(({ id }) => id);
    await endSessions(tx, ids);
    await record(tx, teacher, 'reset-pin', classId, ids);
  });
  return fresh.map(({ name, signInName, pin }) => ({ name, signInName: signInName ?? '', pin }));
}

/** Archives students, who can then not sign in, or takes them back. */
export async function setArchived(
  db: Database,
  teacher: Person,
  classId: string,
  studentIds: readonly string[],
  isArchived: boolean,
): Promise<void> {
  const ids = (await studentsIn(db, teacher, classId, studentIds)).map(({ id }) => id);
  await db.transaction(async (tx) => {
    await tx
      .update(classMembers)
      .set({ archivedAt: isArchived ? new Date() : null })
      .where(and(eq(classMembers.classId, classId), inArray(classMembers.userId, ids)));
    if (isArchived) {
      await endSessions(tx, ids);
      await endSharesOf(tx, teacher, ids);
    }
    await record(tx, teacher, isArchived ? 'archive-student' : 'restore-student', classId, ids);
    await announce(tx, `class:${classId}`);
  });
}

/** Moves students to another of the teacher's classes; what they designed stays with the briefs of the old one. */
export async function moveStudents(
  db: Database,
  teacher: Person,
  classId: string,
  studentIds: readonly string[],
  toClassId: string,
): Promise<void> {
  const students = await studentsIn(db, teacher, classId, studentIds);
  const to = await classToTeach(db, teacher, toClassId);
  await db.transaction(async (tx) => {
    await tx.select({ id: classes.id }).from(classes).where(eq(classes.id, to.id)).for('no key update');
    const taken = await signInNamesOf(tx, to.id);
    if (taken.size + students.length > MOST_STUDENTS)
      throw new CannotNow('{name} would have more than {most} students. Nobody was moved.', {
        name: to.name,
        most: MOST_STUDENTS,
      });
    const clash = students.find(({ signInName }) => taken.has(signInName ?? ''));
    if (clash)
      throw new CannotNow(
        '{name} has somebody with the sign-in name “{signInName}” already. Nobody was moved.',
        {
          name: to.name,
          signInName: clash.signInName!,
        },
      );
    const ids = students.map(({ id }) => id);
    await tx
      .update(classMembers)
      .set({ classId: to.id })
      .where(and(eq(classMembers.classId, classId), inArray(classMembers.userId, ids)));
    await record(tx, teacher, 'move-student', to.id, ids);
    await announce(tx, `class:${classId}`, `class:${to.id}`);
  });
}

/** The named students of one of the teacher's classes; throws {@link NotAllowed} if one of them is not in it. */
export async function studentsIn(
  db: Database,
  teacher: Person,
  classId: string,
  studentIds: readonly string[],
) {
  const { id } = await classToTeach(db, teacher, classId);
  if (studentIds.length === 0) throw new CannotNow('Choose a student first.');
  const found = await db
    .select({ id: users.id, name: users.name, signInName: classMembers.signInName })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(
      and(
        eq(classMembers.classId, id),
        eq(users.role, 'student'),
        inArray(users.id, [...new Set(studentIds)]),
      ),
    )
    .orderBy(asc(users.name));
  if (found.length !== new Set(studentIds).size) throw new NotAllowed();
  return found;
}

/** Archived students keep theirs, since they may come back. */
async function signInNamesOf(db: Database, classId: string): Promise<Set<string>> {
  const members = await db
    .select({ signInName: classMembers.signInName })
    .from(classMembers)
    .where(eq(classMembers.classId, classId));
  return new Set(members.flatMap(({ signInName }) => signInName ?? []));
}
