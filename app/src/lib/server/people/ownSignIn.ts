import { and, desc, eq, gt, ne, sql } from 'drizzle-orm';
import { newPinField, passwordField } from '../../shared/newcomerDraft.ts';
import { record } from '../platform/audit.ts';
import type { Person } from '../platform/auth/access.ts';
import { hashPassword, verifyPassword } from '../platform/auth/passwords.ts';
import { forgetTries, reachedLimit, TRIES, WINDOW_MINUTES } from '../platform/auth/throttle.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { accounts, sessions } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { say } from '@kelbrin/core/words';

/** Where somebody is signed in, the last used first. */
export async function sessionsOf(db: Database, { id }: Person) {
  return db
    .select({
      id: sessions.id,
      device: sessions.userAgent,
      since: sessions.createdAt,
      usedAt: sessions.updatedAt,
    })
    .from(sessions)
    .where(and(eq(sessions.userId, id), gt(sessions.expiresAt, sql`now()`)))
    .orderBy(desc(sessions.updatedAt));
}

/** Ends one of a person's own sessions, or all but one. */
export async function endOwn(
  db: Database,
  person: Person,
  which: { readonly sessionId: string } | { readonly allBut: string },
): Promise<void> {
  await db.transaction(async (tx) => {
    const ended = await tx
      .delete(sessions)
      .where(
        and(
          eq(sessions.userId, person.id),
          'allBut' in which ? ne(sessions.id, which.allBut) : eq(sessions.id, which.sessionId),
        ),
      )
      .returning({ id: sessions.id });
    if (ended.length > 0) await record(tx, person, 'end-session', null, [person.id]);
    await announce(tx, `sessions:${person.id}`);
  });
}

/** Changes a person's own password, or PIN; wherever else they are signed in, they are signed out. */
export async function changePassword(
  db: Database,
  person: Person,
  { before, next, sessionId }: { readonly before: string; readonly next: string; readonly sessionId: string },
): Promise<void> {
  const isStudent = person.role === 'student';
  const plain = (words: string) => (isStudent ? words.replace(/[\s-]/g, '') : words);
  const read = (isStudent ? newPinField : passwordField).safeParse(plain(next));
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  const limit = { key: `own password ${person.id}`, most: TRIES, windowMinutes: WINDOW_MINUTES };
  if (await reachedLimit(db, [limit]))
    throw new CannotNow('Too many tries: wait {minutes} minutes.', { minutes: WINDOW_MINUTES });
  const [account] = await db.select().from(accounts).where(eq(accounts.userId, person.id));
  if (!(await verifyPassword({ hash: account.password!, password: plain(before) })))
    throw new CannotNow(isStudent ? say('That is not your PIN.') : say('That is not your password.'));
  await forgetTries(db, [limit]);
  const hash = await hashPassword(read.data);
  await db.transaction(async (tx) => {
    await tx.update(accounts).set({ password: hash }).where(eq(accounts.id, account.id));
    await record(tx, person, 'change-password', null, [person.id]);
  });
  await endOwn(db, person, { allBut: sessionId });
}
