import { and, asc, eq, ne, sql } from 'drizzle-orm';
import { materialKey, materialNamed, type Material } from '@kelbrin/core/machine';
import { readMaterialDraft } from '../../shared/materialDraft.ts';
import { record } from '../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns, limitsCards, materials } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';

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

/**
 * Saves what a teacher wrote of a material, a new one if none is named. Everything that is printed with it from now on is
 * printed like that, what was approved before included; returns its id.
 */
export async function saveMaterial(
  db: Database,
  person: Person,
  form: Readonly<Record<string, unknown>>,
  materialId?: string,
): Promise<string> {
  demandRole(person, 'teacher');
  const read = readMaterialDraft(form);
  if (!read.ok) throw new CannotNow(read.message);
  const { draft } = read;
  return db.transaction(async (tx) => {
    const old = materialId === undefined ? undefined : await oneMaterial(tx, materialId);
    const others = old ? and(isCalled(draft.name), ne(materials.id, old.id)) : isCalled(draft.name);
    if ((await tx.$count(materials, others)) > 0)
      throw new CannotNow('{name} is noted already: change that one.', { name: draft.name });
    const [{ id }] = old
      ? await tx.update(materials).set(draft).where(eq(materials.id, old.id)).returning({ id: materials.id })
      : await tx.insert(materials).values(draft).returning({ id: materials.id });
    if (old && materialKey(old.name) !== materialKey(draft.name)) await noteOnCards(tx, old.name, undefined);
    await noteOnCards(tx, draft.name, draft.needs);
    await record(tx, person, 'save-material', null, [id]);
    await announce(tx, 'printroom', 'queue');
    return id;
  });
}

/** Forgets what was noted of a material; it is printed as is usual from now on. */
export async function removeMaterial(db: Database, person: Person, materialId: string): Promise<void> {
  demandRole(person, 'teacher');
  await db.transaction(async (tx) => {
    const { id, name } = await oneMaterial(tx, materialId);
    await tx.delete(materials).where(eq(materials.id, id));
    await noteOnCards(tx, name, undefined);
    await record(tx, person, 'remove-material', null, [id]);
    await announce(tx, 'printroom', 'queue');
  });
}

/** A limits card says with its material what that needs, so that whoever has the card can slice by it. */
async function noteOnCards(tx: Database, name: string, needs: Material | undefined): Promise<void> {
  for (const [table, column] of [
    [limitsCards, limitsCards.card],
    [handIns, handIns.limits],
  ] as const) {
    const changed = needs
      ? sql`jsonb_set(${column}, '{filament}', ${JSON.stringify(needs)}::jsonb)`
      : sql`${column} - 'filament'`;
    await tx
      .update(table)
      .set({ [column === limitsCards.card ? 'card' : 'limits']: changed })
      .where(sql`lower(trim(${column} ->> 'material')) = ${materialKey(name)}`);
  }
}

async function oneMaterial(tx: Database, materialId: string) {
  const [found] = await tx.select().from(materials).where(isId(materialId, materials.id));
  if (!found) throw new NotAllowed();
  return found;
}

function isCalled(name: string) {
  return sql`lower(${materials.name}) = ${materialKey(name)}`;
}
