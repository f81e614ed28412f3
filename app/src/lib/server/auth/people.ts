import { randomInt, randomUUID } from 'node:crypto';
import { hashPassword } from 'better-auth/crypto';
import type { Database } from '../db/database.ts';
import { accounts, classMembers, users } from '../db/schema/index.ts';
import { PIN_LENGTH } from './auth.ts';

interface Person {
  readonly name: string;
  readonly email: string;
  readonly role: 'student' | 'teacher' | 'helper';
  readonly password: string;
}

/** Adds a teacher or helper who signs in by e-mail and password; returns the new person's id. */
export async function addStaff(
  db: Database,
  person: Person & { role: 'teacher' | 'helper' },
): Promise<string> {
  return addPerson(db, person);
}

/**
 * Adds a student to a class; returns the new person's id. The address that the session tables ask for is made up from
 * a random id under a domain that cannot exist (RFC 2606), so that nothing personal is kept.
 */
export async function addStudent(
  db: Database,
  student: { classId: string; name: string; signInName: string; pin: string },
): Promise<string> {
  const email = `${randomUUID()}@students.invalid`;
  const id = await addPerson(db, { name: student.name, email, role: 'student', password: student.pin });
  await db
    .insert(classMembers)
    .values({ classId: student.classId, userId: id, signInName: normalSignInName(student.signInName) });
  return id;
}

/** A random PIN. */
export function newPin(): string {
  return String(randomInt(10 ** PIN_LENGTH)).padStart(PIN_LENGTH, '0');
}

/** A sign-in name as it is stored and compared: without regard to case and outer spaces. */
export function normalSignInName(name: string): string {
  return name.trim().toLowerCase();
}

async function addPerson(db: Database, { name, email, role, password }: Person): Promise<string> {
  const id = randomUUID();
  await db.insert(users).values({ id, name, email: email.toLowerCase(), role, emailVerified: true });
  await db.insert(accounts).values({
    id: randomUUID(),
    userId: id,
    accountId: id,
    providerId: 'credential',
    password: await hashPassword(password),
  });
  return id;
}
