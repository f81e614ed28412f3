import { ordinaryPlanning, planning, type Planning } from '../../../shared/planning.ts';
import { record } from '../../platform/audit.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { schools } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { schoolDayOf } from '../../printers/schoolDay.ts';

/** When somebody is in the print room; on school days, until somebody says otherwise. */
export async function planningOf(db: Database): Promise<Planning> {
  const [school] = await db.select({ planning: schools.planning }).from(schools);
  return school?.planning ?? ordinaryPlanning;
}

/** Sets when somebody is in the print room. */
export async function setPlanning(db: Database, person: Person, data: unknown): Promise<void> {
  demandRole(person, 'teacher');
  const read = planning.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  const day = await schoolDayOf(db);
  await db
    .insert(schools)
    .values({ day, planning: read.data })
    .onConflictDoUpdate({ target: schools.id, set: { planning: read.data } });
  await record(db, person, 'set-planning', null, [person.id]);
  await announce(db, 'queue');
}
