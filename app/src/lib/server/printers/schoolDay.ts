import { ordinaryDay, parseSchoolDay, type SchoolDay } from '../../shared/schoolDay.ts';
import { record } from '../platform/audit.ts';
import { demandRole, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { schools } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';

/** The lessons of the school's day; an ordinary day's until somebody says otherwise. */
export async function schoolDayOf(db: Database): Promise<SchoolDay> {
  const [school] = await db.select().from(schools);
  return school?.day ?? ordinaryDay;
}

/** Sets when the bells ring, from lines such as "08:40 09:30". */
export async function setSchoolDay(db: Database, person: Person, words: string): Promise<void> {
  demandRole(person, 'teacher');
  const read = parseSchoolDay(words);
  if (!read.ok) throw new CannotNow(read.problem);
  await db
    .insert(schools)
    .values({ day: read.day })
    .onConflictDoUpdate({ target: schools.id, set: { day: read.day } });
  await record(db, person, 'set-bells', null, [person.id]);
  await announce(db, 'printroom');
}
