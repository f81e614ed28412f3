import { and, eq, gt, inArray, like, sql } from 'drizzle-orm';
import type { Database } from '../db/database.ts';
import { signInAttempts } from '../db/schema/index.ts';

/** After this many wrong tries for one name the door stays shut for the rest of the window. */
export const TRIES = 8;
export const WINDOW_MINUTES = 5;
const DAY_MINUTES = 24 * 60;
/** How many wrong tries a day one device may have that is known, and one class and one colleague from all that are not. */
export const DEVICE_TRIES_A_DAY = 60;
export const CLASS_TRIES_A_DAY = 300;
const STAFF_TRIES_A_DAY = 100;

/** A bound on wrong tries. */
export interface TryLimit {
  readonly key: string;
  readonly most: number;
  readonly windowMinutes: number;
  /** Where its teacher can lift it. */
  readonly classId?: string;
  readonly signInName?: string;
}

/**
 * The bounds on tries for a student's name, the narrow one first. A device that was signed in on before is counted by
 * itself, so that strangers cannot shut it out; all others are counted together, by name and by class.
 */
export function studentLimits(classId: string, signInName: string, deviceHash?: string): TryLimit[] {
  const ofClass = { classId };
  const ofName = { classId, signInName };
  return deviceHash === undefined
    ? [
        { key: `name ${classId} ${signInName}`, most: TRIES, windowMinutes: WINDOW_MINUTES, ...ofName },
        { key: `class ${classId}`, most: CLASS_TRIES_A_DAY, windowMinutes: DAY_MINUTES, ...ofClass },
      ]
    : [
        {
          key: `device ${deviceHash} ${classId} ${signInName}`,
          most: TRIES,
          windowMinutes: WINDOW_MINUTES,
          ...ofName,
        },
        { key: `device ${deviceHash}`, most: DEVICE_TRIES_A_DAY, windowMinutes: DAY_MINUTES, ...ofClass },
      ];
}

/** The bounds on tries for a colleague's address. */
export function staffLimits(email: string, deviceHash?: string): TryLimit[] {
  const key = deviceHash === undefined ? `staff ${email}` : `device ${deviceHash} ${email}`;
  return [
    { key, most: TRIES, windowMinutes: WINDOW_MINUTES },
    { key: `${key}, a day`, most: STAFF_TRIES_A_DAY, windowMinutes: DAY_MINUTES },
  ];
}

/**
 * Notes a try before its password is looked at, so that many at once cannot slip past the count. Returns the bound that
 * is reached, if one is; the wider ones do not count what a narrower one has refused.
 */
export async function reachedLimit(db: Database, limits: readonly TryLimit[]): Promise<TryLimit | undefined> {
  for (const limit of limits) {
    const { key, classId, signInName, windowMinutes } = limit;
    const isOver = sql`${signInAttempts.since} < now() - make_interval(mins => ${windowMinutes})`;
    const [{ failures }] = await db
      .insert(signInAttempts)
      .values({ key, classId, signInName, failures: 1, since: new Date() })
      .onConflictDoUpdate({
        target: signInAttempts.key,
        set: {
          failures: sql`case when ${isOver} then 1 else ${signInAttempts.failures} + 1 end`,
          since: sql`case when ${isOver} then now() else ${signInAttempts.since} end`,
        },
      })
      .returning({ failures: signInAttempts.failures });
    if (failures > limit.most) return limit;
  }
  return undefined;
}

/** Takes back what was noted, once the right password was given: a name begins anew, a day has one try less. */
export async function forgetTries(db: Database, [narrow, ...wide]: readonly TryLimit[]): Promise<void> {
  await db.delete(signInAttempts).where(eq(signInAttempts.key, narrow.key));
  const keys = wide.map(({ key }) => key);
  if (keys.length === 0) return;
  await db
    .update(signInAttempts)
    .set({ failures: sql`${signInAttempts.failures} - 1` })
    .where(and(inArray(signInAttempts.key, keys), gt(signInAttempts.failures, 0)));
}

/** What is shut in a class: names, and the class as a whole for devices that nobody has signed in on before. */
export async function shutIn(db: Database, classId: string): Promise<{ names: string[]; isClass: boolean }> {
  const within = (minutes: number) =>
    sql`${signInAttempts.since} > now() - make_interval(mins => ${minutes})`;
  const ofClass = eq(signInAttempts.classId, classId);
  const names = await db
    .selectDistinct({ name: signInAttempts.signInName })
    .from(signInAttempts)
    .where(
      and(
        ofClass,
        sql`${signInAttempts.signInName} is not null`,
        gt(signInAttempts.failures, TRIES),
        within(WINDOW_MINUTES),
      ),
    );
  const whole = await db.$count(
    signInAttempts,
    and(
      ofClass,
      like(signInAttempts.key, 'class %'),
      gt(signInAttempts.failures, CLASS_TRIES_A_DAY),
      within(DAY_MINUTES),
    ),
  );
  return { names: names.map(({ name }) => name!).sort(), isClass: whole > 0 };
}

/** Lets everyone of a class try again at once. */
export async function forgetTriesIn(db: Database, classId: string): Promise<void> {
  await db.delete(signInAttempts).where(eq(signInAttempts.classId, classId));
}
