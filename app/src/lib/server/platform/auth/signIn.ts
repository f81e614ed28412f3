import { randomBytes } from 'node:crypto';
import { and, eq, isNull } from 'drizzle-orm';
import { APIError } from 'better-auth/api';
import { plainLetters } from '@kelbrin/core/format';
import { record } from '../audit.ts';
import type { Database } from '../db/database.ts';
import { classes, classMembers, users } from '../db/schema/index.ts';
import { announce } from '../live/topics.ts';
import { auth } from './auth.ts';
import { knownDevice, noteDevice } from './knownDevices.ts';
import { normalSignInName } from './people.ts';
import {
  forgetTries,
  reachedLimit,
  staffLimits,
  studentLimits,
  WINDOW_MINUTES,
  type TryLimit,
} from './throttle.ts';
import { say } from '@kelbrin/core/words';

/** Either the cookies of a new session and the number of the device, or a sentence that says why not. */
export type SignedIn =
  | { readonly ok: true; readonly setCookies: string[]; readonly device: string }
  | { readonly ok: false; readonly message: string };

/** What a sign-in is checked against. */
interface Attempt {
  readonly limits: readonly TryLimit[];
  /** For whom the device is known afterwards: the class of a student, the person of the staff. */
  readonly scope: string;
  readonly userId: string | undefined;
  /** Nobody's, where there is no such person: a wrong name takes as long and reads the same as a wrong password. */
  readonly email: string;
  readonly password: string;
  /** What is said of a wrong name or password. */
  readonly wrong: string;
  /** What is said when the day's tries are used up. */
  readonly usedUp: string;
  readonly device: string | undefined;
}

const NOBODY = 'nobody@students.invalid';

/** Signs in a teacher or helper. `device` is the number that the browser keeps, if it does. */
export async function signInStaff(
  db: Database,
  email: string,
  password: string,
  device?: string,
): Promise<SignedIn> {
  const address = email.trim().toLowerCase();
  const [person] = await db.select().from(users).where(eq(users.email, address));
  // A student has an address only on paper; it must not open this door.
  const isStaff = person !== undefined && person.role !== 'student' && person.disabledAt === null;
  const scope = isStaff ? person.id : address;
  return check(db, {
    limits: staffLimits(address, await knownDevice(db, device, scope)),
    scope,
    userId: isStaff ? person.id : undefined,
    email: isStaff ? person.email : NOBODY,
    password,
    wrong: say('The e-mail address or the password is not right.'),
    usedUp: say('Too many wrong tries today. Ask a colleague for a link to a new password.'),
    device,
  });
}

/**
 * Signs in a student by class code, sign-in name and PIN. Accents, case and spaces may be left out or put in. `device` is
 * the number that the browser keeps, if it does.
 */
export async function signInStudent(
  db: Database,
  code: string,
  name: string,
  pin: string,
  device?: string,
): Promise<SignedIn> {
  const classCode = code.replace(/\s/g, '').toUpperCase();
  const members = await db
    .select({
      id: users.id,
      email: users.email,
      classId: classMembers.classId,
      signInName: classMembers.signInName,
    })
    .from(classMembers)
    .innerJoin(classes, eq(classes.id, classMembers.classId))
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(and(eq(classes.code, classCode), isNull(classMembers.archivedAt), eq(users.role, 'student')));
  const student = memberCalled(members, name);
  const classId = members.at(0)?.classId;
  const known = classId && (await knownDevice(db, device, classId));
  const signInName = student?.signInName ?? folded(name);
  return check(db, {
    limits: classId
      ? studentLimits(classId, signInName, known)
      : [{ key: `no class ${classCode.slice(0, 40)}`, most: 8, windowMinutes: WINDOW_MINUTES }],
    scope: classId ?? '',
    userId: student?.id,
    email: student?.email ?? NOBODY,
    password: pin.replace(/[\s-]/g, ''),
    wrong: say('The class code, the name or the PIN is not right.'),
    usedUp: say('Too many wrong tries for this class today. Ask your teacher to let you in.'),
    device,
  });
}

/** Who of a class is meant: who is called so exactly, or else the only one who is, whatever accents and spaces there are. */
function memberCalled<M extends { readonly signInName: string | null }>(
  members: readonly M[],
  name: string,
): M | undefined {
  const exact = members.find(({ signInName }) => signInName === normalSignInName(name));
  if (exact) return exact;
  const alike = members.filter(
    ({ signInName }) => signInName !== null && folded(signInName) === folded(name),
  );
  return alike.length === 1 ? alike[0] : undefined;
}

function folded(name: string): string {
  return plainLetters(name).toLowerCase().replace(/\s/g, '').slice(0, 80);
}

async function check(db: Database, attempt: Attempt): Promise<SignedIn> {
  const { limits, scope, userId, email, password, wrong, usedUp } = attempt;
  const reached = await reachedLimit(db, limits);
  // The teacher is told, and can let them try again.
  if (reached?.classId) await announce(db, `class:${reached.classId}`);
  if (reached && reached !== limits[0]) return { ok: false, message: usedUp };
  if (reached) {
    return {
      ok: false,
      message: say('Too many tries for this name. Wait {minutes} minutes, or ask your teacher.', {
        minutes: WINDOW_MINUTES,
      }),
    };
  }
  try {
    const response = await auth().api.signInEmail({ body: { email, password }, asResponse: true });
    if (!response.ok || !userId) return { ok: false, message: wrong };
    const device = attempt.device ?? randomBytes(18).toString('base64url');
    await forgetTries(db, limits);
    await noteDevice(db, device, scope);
    await record(db, { id: userId }, 'sign-in', null, [userId]);
    return { ok: true, setCookies: response.headers.getSetCookie(), device };
  } catch (error) {
    if (error instanceof APIError) return { ok: false, message: wrong };
    throw error;
  }
}
