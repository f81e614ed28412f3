import { timingSafeEqual } from 'node:crypto';
import { ne, sql } from 'drizzle-orm';
import { classroomLimits } from '@kelbrin/core/inspect';
import { firstTeacherDraft, type FirstTeacherDraft } from '../../shared/firstTeacherDraft.ts';
import { addStaff } from '../platform/auth/people.ts';
import { reachedLimit, TRIES, WINDOW_MINUTES } from '../platform/auth/throttle.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { serverConfig } from '../platform/basics/config.ts';
import type { Database } from '../platform/db/database.ts';
import { limitsCards, users } from '../platform/db/schema/index.ts';
import { firstCode } from './firstCode.ts';
import { say } from '@kelbrin/core/words';

/** Any number will do; it is asked for nowhere else. */
const LOCK = 6127;

const FIRST_TEACHER = {
  key: 'the first teacher',
  most: TRIES,
  windowMinutes: WINDOW_MINUTES,
};

/** Whether there is nobody yet who could teach. */
export async function isNew(db: Database): Promise<boolean> {
  return (await db.$count(users, ne(users.role, 'student'))) === 0;
}

/** Makes somebody the first teacher of a new Kelbrin, and a limits card for an ordinary printer. */
export async function beginKelbrin(db: Database, data: unknown): Promise<FirstTeacherDraft> {
  if (!(await isNew(db))) throw new CannotNow('Kelbrin has a teacher already: sign in.');
  const read = firstTeacherDraft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  if (await reachedLimit(db, [FIRST_TEACHER])) {
    throw new CannotNow('Too many tries: wait five minutes.');
  }
  if (!isCode(read.data.code)) {
    throw new CannotNow('The code is not right: you find it in the window where the server was started.');
  }
  await db.transaction(async (tx) => {
    // Of two who begin at once, one is first.
    await tx.execute(sql`select pg_advisory_xact_lock(${LOCK})`);
    if (!(await isNew(tx))) throw new CannotNow('Kelbrin has a teacher already: sign in.');
    await addStaff(tx, 'server', { ...read.data, role: 'teacher' });
    await tx
      .insert(limitsCards)
      .values({ name: say('Classroom printer, 0.4 mm nozzle'), card: classroomLimits });
  });
  return read.data;
}

function isCode(given: string): boolean {
  const plain = given.toUpperCase().replace(/[^A-Z0-9]/g, '');
  const [a, b] = [plain, firstCode(serverConfig().KELBRIN_SECRET)].map((code) => Buffer.from(code));
  return a.length === b.length && timingSafeEqual(a, b);
}
