import { asc, sql } from 'drizzle-orm';
import { materialKey, materialNamed, type Material } from '@kelbrin/core/machine';
import { demandRole, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import { materials } from '../platform/db/schema/index.ts';

/** The materials that the school has noted, by their names. */
export async function materialsOf(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  return db
    .select()
    .from(materials)
    .orderBy(asc(sql`lower(${materials.name})`));
}

/** What the school has noted of a material, by its name; undefined where that is nothing. */
export async function materialCalled(db: Database, name: string) {
  const [found] = await db.select().from(materials).where(isCalled(name));
  return found as typeof materials.$inferSelect | undefined;
}

/** What printing with a material needs: as the school has noted, or else as is usual. */
export async function needsOf(db: Database, name: string): Promise<Material> {
  return (await materialCalled(db, name))?.needs ?? materialNamed(name);
}

/** Finds a material by its name, however that is written. */
export function isCalled(name: string) {
  return sql`lower(${materials.name}) = ${materialKey(name)}`;
}
