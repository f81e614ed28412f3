import { randomInt, randomUUID } from 'node:crypto';
import type { Database } from '../db/database.ts';
import { accounts, classMembers, users } from '../db/schema/index.ts';
import type { Mover } from '../lifecycle.ts';
import { newStaff } from './lifecycle.ts';
import { PIN_LENGTH } from './auth.ts';
import { hashPassword } from './passwords.ts';

/** Adds a teacher or helper who signs in by e-mail and password; returns the new person's id. */
export async function addStaff(
  db: Database,
  mover: Mover,
  {
    name,
    email,
    role,
    password,
  }: {
    readonly name: string;
    readonly email: string;
    readonly role: 'teacher' | 'helper';
    readonly password: string;
  },
): Promise<string> {
  const id = await newStaff(db, mover, { name, email: email.toLowerCase(), role });
  await db.insert(accounts).values(credentials(id, await hashPassword(password)));
  return id;
}

/** A student to be added. Hashing takes its time, so that it is done before any transaction. */
export interface NewStudent {
  readonly name: string;
  readonly signInName: string;
  readonly pinHash: string;
}

/**
 * Adds students to a class; returns the new people's ids in the same order. The address that the session tables ask for
 * is made up from a random id under a domain that cannot exist (RFC 2606), so that nothing personal is kept.
 */
export async function addStudents(
  db: Database,
  classId: string,
  students: readonly NewStudent[],
): Promise<string[]> {
  const added = students.map((student) => ({ ...student, id: randomUUID() }));
  await db.insert(users).values(
    added.map(({ id, name }) => ({
      id,
      name,
      email: `${randomUUID()}@students.invalid`,
      role: 'student' as const,
      emailVerified: true,
    })),
  );
  await db.insert(accounts).values(added.map(({ id, pinHash }) => credentials(id, pinHash)));
  await db
    .insert(classMembers)
    .values(
      added.map(({ id, signInName }) => ({ classId, userId: id, signInName: normalSignInName(signInName) })),
    );
  return added.map(({ id }) => id);
}

/** A random PIN. */
export function newPin(): string {
  return String(randomInt(10 ** PIN_LENGTH)).padStart(PIN_LENGTH, '0');
}

/** A sign-in name as it is stored and compared: without regard to case and outer spaces. */
export function normalSignInName(name: string): string {
  return name.trim().toLowerCase();
}

/** How somebody proves who they are. */
function credentials(userId: string, password: string) {
  return { id: randomUUID(), userId, accountId: userId, providerId: 'credential', password };
}
