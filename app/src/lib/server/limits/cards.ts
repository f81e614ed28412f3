import { and, asc, eq, inArray, isNull, or } from 'drizzle-orm';
import { classroomLimits } from '@kelbrin/core/inspect';
import { readCardDraft } from '../../shared/cardDraft.ts';
import { record } from '../platform/audit.ts';
import { classToTeach, demandRole, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { currencyOf } from './currency.ts';
import { materialCalled } from '../printers/materials.ts';
import type { Database } from '../platform/db/database.ts';
import { classes, limitsCards } from '../platform/db/schema/index.ts';
import { holdAgainst, type ToRecheck } from '../handIns/recheck.ts';
import { say } from '@kelbrin/core/words';

/** The school's cards and the teacher's own. */
const visibleTo = ({ id }: Person) => or(isNull(limitsCards.ownerId), eq(limitsCards.ownerId, id));

/** The limits cards that a teacher may use, each with the teacher's classes that go by it. */
export async function cardsOf(db: Database, teacher: Person) {
  demandRole(teacher, 'teacher');
  const cards = await db.select().from(limitsCards).where(visibleTo(teacher)).orderBy(asc(limitsCards.name));
  const own = await db
    .select({ name: classes.name, limitsCardId: classes.limitsCardId })
    .from(classes)
    .where(eq(classes.teacherId, teacher.id))
    .orderBy(asc(classes.name));
  return cards.map((card) => ({
    ...card,
    classes: own.filter(({ limitsCardId }) => limitsCardId === card.id).map(({ name }) => name),
  }));
}

/** A card that a teacher may change; throws {@link NotAllowed} otherwise. */
export async function cardToEdit(db: Database, teacher: Person, cardId: string) {
  demandRole(teacher, 'teacher');
  const [card] = await db
    .select()
    .from(limitsCards)
    .where(and(isId(cardId, limitsCards.id), visibleTo(teacher)));
  if (!card) throw new NotAllowed();
  return card;
}

/** Begins a card of the teacher's own, like another one if that is named; returns its id. */
export async function createCard(db: Database, teacher: Person, likeId?: string): Promise<string> {
  demandRole(teacher, 'teacher');
  const like = likeId ? await cardToEdit(db, teacher, likeId) : undefined;
  const [{ id }] = await db
    .insert(limitsCards)
    .values({
      name: like ? say('{name} (copy)', { name: like.name }).slice(0, 80) : say('New limits card'),
      printerModel: like?.printerModel ?? '',
      card: { ...(like?.card ?? classroomLimits), currency: await currencyOf(db) },
      ownerId: teacher.id,
    })
    .returning({ id: limitsCards.id });
  await record(db, teacher, 'create-card', null, [id]);
  return id;
}

/**
 * Saves what a teacher wrote on a card. Everything that is open and goes by it is held against it anew; returns what the
 * server has to inspect again for that.
 */
export async function saveCard(
  db: Database,
  teacher: Person,
  cardId: string,
  data: unknown,
): Promise<ToRecheck> {
  const { id } = await cardToEdit(db, teacher, cardId);
  const read = readCardDraft(data);
  if (!read.ok) throw new CannotNow(read.message);
  read.draft.card.currency = await currencyOf(db);
  read.draft.card.filament = (await materialCalled(db, read.draft.card.material))?.needs;
  return db.transaction(async (tx) => {
    await tx.update(limitsCards).set(read.draft).where(eq(limitsCards.id, id));
    await record(tx, teacher, 'edit-card', null, [id]);
    const using = await tx.select({ id: classes.id }).from(classes).where(eq(classes.limitsCardId, id));
    return holdAgainst(
      tx,
      using.map((each) => each.id),
      read.draft.card,
    );
  });
}

/** Deletes a card that no class goes by. */
export async function deleteCard(db: Database, teacher: Person, cardId: string): Promise<void> {
  const { id } = await cardToEdit(db, teacher, cardId);
  await db.transaction(async (tx) => {
    const using = await tx
      .select({ name: classes.name })
      .from(classes)
      .where(eq(classes.limitsCardId, id))
      .limit(1);
    if (using.length > 0)
      throw new CannotNow('{name} uses this card, so it stays: give that class another card first.', {
        name: using[0].name,
      });
    await tx.delete(limitsCards).where(inArray(limitsCards.id, [id]));
    await record(tx, teacher, 'delete-card', null, [id]);
  });
}

/** Has a class go by another card; returns what the server has to inspect again for that. */
export async function chooseCard(
  db: Database,
  teacher: Person,
  classId: string,
  cardId: string,
): Promise<ToRecheck> {
  const group = await classToTeach(db, teacher, classId);
  const { id, card } = await cardToEdit(db, teacher, cardId);
  return db.transaction(async (tx) => {
    await tx.update(classes).set({ limitsCardId: id }).where(eq(classes.id, group.id));
    await record(tx, teacher, 'choose-card', group.id, [id]);
    return holdAgainst(tx, [group.id], card);
  });
}
