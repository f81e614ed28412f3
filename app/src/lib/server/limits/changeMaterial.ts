import { and, eq, inArray, ne, sql, type SQL } from 'drizzle-orm';
import { materialKey, type Material } from '@kelbrin/core/machine';
import { grouped } from '../../shared/grouped.ts';
import { readMaterialDraft } from '../../shared/materialDraft.ts';
import { holdAgainst, type ToRecheck } from '../handIns/recheck.ts';
import { record } from '../platform/audit.ts';
import { demandRole, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { classes, handIns, limitsCards, materials } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { isCalled } from '../printers/materials.ts';

/**
 * Saves what a teacher wrote of a material, a new one if none is named. Everything that is printed with it from now on is
 * printed like that, what was approved before included, and held against its limits anew; returns its id, and what the server
 * has to inspect again for that.
 */
export async function saveMaterial(
  db: Database,
  person: Person,
  form: Readonly<Record<string, unknown>>,
  materialId?: string,
): Promise<{ id: string; again: ToRecheck }> {
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
    return { id, again: await holdAllOf(tx, [draft.name, ...(old ? [old.name] : [])]) };
  });
}

/** Forgets what was noted of a material; it is printed as is usual from now on. Returns what has to be inspected again. */
export async function removeMaterial(db: Database, person: Person, materialId: string): Promise<ToRecheck> {
  demandRole(person, 'teacher');
  return db.transaction(async (tx) => {
    const { id, name } = await oneMaterial(tx, materialId);
    await tx.delete(materials).where(eq(materials.id, id));
    await noteOnCards(tx, name, undefined);
    await record(tx, person, 'remove-material', null, [id]);
    await announce(tx, 'printroom', 'queue');
    return holdAllOf(tx, [name]);
  });
}

/** A limits card says with its material what that needs, so that whoever has the card can slice by it. */
async function noteOnCards(tx: Database, name: string, needs: Material | undefined): Promise<void> {
  const noted = (card: typeof limitsCards.card | typeof handIns.limits) =>
    needs
      ? sql`jsonb_set(${card}, '{filament}', ${JSON.stringify(needs)}::jsonb)`
      : sql`${card} - 'filament'`;
  await tx
    .update(limitsCards)
    .set({ card: noted(limitsCards.card) })
    .where(isOfCard(limitsCards.card, [name]));
  await tx
    .update(handIns)
    .set({ limits: noted(handIns.limits) })
    .where(isOfCard(handIns.limits, [name]));
}

/** Holds all that is open in classes whose card is of some materials against what these need now. */
async function holdAllOf(tx: Database, names: readonly string[]): Promise<ToRecheck> {
  const using = await tx
    .select({ classId: classes.id, cardId: limitsCards.id, card: limitsCards.card })
    .from(classes)
    .innerJoin(limitsCards, eq(limitsCards.id, classes.limitsCardId))
    .where(isOfCard(limitsCards.card, names));
  const again: ToRecheck[] = [];
  for (const [, own] of grouped(using, ({ cardId }) => cardId))
    again.push(
      await holdAgainst(
        tx,
        own.map(({ classId }) => classId),
        own[0].card,
      ),
    );
  return {
    waiting: again.flatMap(({ waiting }) => waiting),
    approved: again.flatMap(({ approved }) => approved),
  };
}

/** Whether a card is of one of some materials. */
function isOfCard(card: typeof limitsCards.card | typeof handIns.limits, names: readonly string[]): SQL {
  return inArray(sql`lower(trim(${card} ->> 'material'))`, names.map(materialKey));
}

async function oneMaterial(tx: Database, materialId: string) {
  const [found] = await tx.select().from(materials).where(isId(materialId, materials.id));
  if (!found) throw new NotAllowed();
  return found;
}
