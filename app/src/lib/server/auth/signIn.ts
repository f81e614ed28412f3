import { and, eq, isNull } from 'drizzle-orm';
import { APIError } from 'better-auth/api';
import type { Database } from '../db/database.ts';
import { classes, classMembers, users } from '../db/schema/index.ts';
import { auth } from './auth.ts';
import { normalSignInName } from './people.ts';
import { forgetTries, mayTry, studentKey, WINDOW_MINUTES } from './throttle.ts';

/** Either the cookies of a new session, as `Set-Cookie` header values, or a sentence that says why not. */
export type SignedIn = { ok: true; setCookies: string[] } | { ok: false; message: string };

const tooMany = `Too many tries for this name. Wait ${WINDOW_MINUTES} minutes, or ask your teacher.`;

/** Signs in a teacher or helper. */
export async function signInStaff(db: Database, email: string, password: string): Promise<SignedIn> {
  const key = `staff ${email.trim().toLowerCase()}`;
  if (!(await mayTry(db, key))) return { ok: false, message: tooMany };
  const [person] = await db.select().from(users).where(eq(users.email, email.trim().toLowerCase()));
  // A student has an address only on paper; it must not open this door.
  const isStaff = person !== undefined && person.role !== 'student';
  return check(
    db,
    key,
    isStaff ? person.email : undefined,
    password,
    'The e-mail address or the password is not right.',
  );
}

/** Signs in a student by class code, sign-in name and PIN. */
export async function signInStudent(
  db: Database,
  code: string,
  name: string,
  pin: string,
): Promise<SignedIn> {
  const classCode = code.trim().toUpperCase();
  const signInName = normalSignInName(name);
  const key = studentKey(classCode, signInName);
  if (!(await mayTry(db, key))) return { ok: false, message: tooMany };
  const [student] = await db
    .select({ email: users.email })
    .from(classMembers)
    .innerJoin(classes, eq(classes.id, classMembers.classId))
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(
      and(
        eq(classes.code, classCode),
        eq(classMembers.signInName, signInName),
        isNull(classMembers.archivedAt),
        eq(users.role, 'student'),
      ),
    );
  return check(db, key, student?.email, pin, 'The class code, the name or the PIN is not right.');
}

/** A wrong name takes as long and reads the same as a wrong password, so that neither can be told from outside. */
async function check(
  db: Database,
  key: string,
  email: string | undefined,
  password: string,
  message: string,
): Promise<SignedIn> {
  try {
    const response = await auth().api.signInEmail({
      body: { email: email ?? 'nobody@students.invalid', password },
      asResponse: true,
    });
    if (!response.ok) return { ok: false, message };
    await forgetTries(db, key);
    return { ok: true, setCookies: response.headers.getSetCookie() };
  } catch (error) {
    if (error instanceof APIError) return { ok: false, message };
    throw error;
  }
}
