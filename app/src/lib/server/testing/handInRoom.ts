import { desc, eq } from 'drizzle-orm';
import { afterAll, beforeAll } from 'vitest';
import type { Person } from '../platform/auth/access.ts';
import { compute } from '../platform/compute/compute.ts';
import { handIns } from '../platform/db/schema/index.ts';
import { demoSchool, type TestDatabase } from './database.ts';

const NAMES = {
  asha: 'Asha',
  bruno: 'Bruno',
  dario: 'Dario',
  elif: 'Elif',
  luca: 'Luca',
  maren: 'Maren',
  noor: 'Noor',
  teacher: 'Ms Fenwick',
  helper: 'Mr Oduya',
} as const;

/** The demo school for the tests of a file that hands in and decides, with its people by their names. */
export class HandInRoom {
  test!: TestDatabase;
  people!: Record<keyof typeof NAMES, Person>;

  /** Opens it before the tests of the file that calls this. */
  static forTests(): HandInRoom {
    const room = new HandInRoom();
    beforeAll(async () => {
      room.test = await demoSchool();
      const found = Object.entries(NAMES).map(async ([key, name]) => [key, await room.test.person(name)]);
      room.people = Object.fromEntries(await Promise.all(found)) as HandInRoom['people'];
    });
    afterAll(async () => {
      await compute().close();
      await room.test.drop();
    });
    return room;
  }

  /** The last hand-in of a student. */
  latestHandIn = async (student: Person) => {
    const { id } = await this.test.projectOf(student);
    const [latest] = await this.test.db
      .select()
      .from(handIns)
      .where(eq(handIns.projectId, id))
      .orderBy(desc(handIns.number))
      .limit(1);
    return latest;
  };
}
