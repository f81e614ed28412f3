import { randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import postgres from 'postgres';
import type { Person } from '../platform/auth/access.ts';
import { addStaff } from '../platform/auth/people.ts';
import { connect, type Connection, type Database } from '../platform/db/database.ts';
import { projects, users } from '../platform/db/schema/index.ts';

/** A database of a test's own, and the way to be rid of it. */
export interface TestDatabase extends Connection {
  /** Its address. */
  readonly url: string;
  /** The person of that name; the demo school's people have different ones. */
  person(name: string): Promise<Person>;
  /** The student's project; each has one for the demo school's brief. */
  projectOf(student: Person): Promise<typeof projects.$inferSelect>;
  /** Mr Rook, who teaches here too and has no class yet; the same at every call. */
  otherTeacher(): Promise<Person>;
  drop(): Promise<void>;
}

/** Copies the demo school into a new database on the tests' server, and makes it the process's own. */
export async function demoSchool(): Promise<TestDatabase> {
  const server = process.env.KELBRIN_TEST_SERVER;
  if (!server)
    throw new Error('These tests are run by “./run test database”, which starts a server for them.');
  const name = `kelbrin_test_${randomBytes(6).toString('hex')}`;
  const admin = postgres(server, { max: 1, onnotice: () => {} });
  await admin`create database ${admin(name)} template kelbrin_test_school`;

  const url = new URL(server);
  url.pathname = `/${name}`;
  process.env.DATABASE_URL = url.href;
  const connection = connect(url.href);
  let rook: Promise<Person> | undefined;
  return {
    ...connection,
    url: url.href,
    async person(wanted) {
      const all = await connection.db.select().from(users);
      const { id, role } = all.find((each) => each.name === wanted)!;
      return { id, name: wanted, role };
    },
    otherTeacher: () => (rook ??= newTeacher(connection.db, 'Mr Rook')),
    async projectOf({ id }) {
      const [project] = await connection.db.select().from(projects).where(eq(projects.studentId, id));
      return project;
    },
    async drop() {
      await connection.sql.end();
      await admin`drop database ${admin(name)} with (force)`;
      await admin.end();
    },
  };
}

async function newTeacher(db: Database, name: string): Promise<Person> {
  const email = `${name.replace(/\W+/g, '-').toLowerCase()}@wrenfield.example`;
  return {
    id: await addStaff(db, 'server', { name, email, password: 'another key', role: 'teacher' }),
    name,
    role: 'teacher',
  };
}
