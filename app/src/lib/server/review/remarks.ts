import { and, asc, count, desc, eq, inArray, sql } from 'drizzle-orm';
import { remarkDraft } from '../../shared/remark.ts';
import { demandRole, handInToTeach, isId, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { handIns, keptRemarks, remarks } from '../platform/db/schema/index.ts';
import { notWaiting } from './notWaiting.ts';

/** More than anybody reads. */
const MOST_REMARKS = 40;
/** More kept remarks than this nobody finds again. */
const MOST_KEPT = 60;

/** The remarks on a hand-in, in the order in which they were written. */
export async function remarksOf(db: Database, handInId: string) {
  return db
    .select({ id: remarks.id, words: remarks.words, anchor: remarks.anchor })
    .from(remarks)
    .where(eq(remarks.handInId, handInId))
    .orderBy(asc(remarks.createdAt));
}

/** How many remarks hand-ins have, by hand-in; they are told of only once these are decided. */
export async function remarkCounts(
  db: Database,
  handInIds: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  if (handInIds.length === 0) return new Map();
  const rows = await db
    .select({ handInId: remarks.handInId, remarks: count() })
    .from(remarks)
    .innerJoin(handIns, eq(handIns.id, remarks.handInId))
    .where(and(inArray(remarks.handInId, [...handInIds]), inArray(handIns.state, ['sent_back', 'approved'])))
    .groupBy(remarks.handInId);
  return new Map(rows.map((row) => [row.handInId, row.remarks]));
}

/** Writes a remark on a hand-in that waits; returns its id. A sentence must be one of the recipe's. */
export async function addRemark(
  db: Database,
  teacher: Person,
  handInId: string,
  data: unknown,
): Promise<string> {
  const { handIn } = await handInToTeach(db, teacher, handInId);
  const read = remarkDraft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  const { words, anchor } = read.data;
  if ('step' in anchor && !handIn.recipe.steps.some(({ id }) => id === anchor.step)) {
    throw new CannotNow('The recipe has no such step: load the page again.');
  }
  return db.transaction(async (tx) => {
    await demandWaiting(tx, handIn.id);
    if ((await tx.$count(remarks, eq(remarks.handInId, handIn.id))) >= MOST_REMARKS) {
      throw new CannotNow('A hand-in has at most {most} remarks: delete one first.', { most: MOST_REMARKS });
    }
    const [{ id }] = await tx
      .insert(remarks)
      .values({ handInId: handIn.id, authorId: teacher.id, words, anchor })
      .returning({ id: remarks.id });
    return id;
  });
}

/** Takes a remark away while its hand-in waits. */
export async function removeRemark(
  db: Database,
  teacher: Person,
  handInId: string,
  remarkId: string,
): Promise<void> {
  const { handIn } = await handInToTeach(db, teacher, handInId);
  await db.transaction(async (tx) => {
    await demandWaiting(tx, handIn.id);
    await tx.delete(remarks).where(and(isId(remarkId, remarks.id), eq(remarks.handInId, handIn.id)));
  });
}

/** A decision and what is said with it belong together, so after it nothing is said any more. */
async function demandWaiting(tx: Database, handInId: string): Promise<void> {
  const [{ state }] = await tx
    .select({ state: handIns.state })
    .from(handIns)
    .where(eq(handIns.id, handInId))
    .for('no key update');
  if (state !== 'waiting') throw notWaiting();
}

/** The remarks that a teacher keeps, the newest first. */
export async function keptRemarksOf(db: Database, teacher: Person) {
  demandRole(teacher, 'teacher');
  return db
    .select({ id: keptRemarks.id, words: keptRemarks.words })
    .from(keptRemarks)
    .where(eq(keptRemarks.teacherId, teacher.id))
    .orderBy(desc(keptRemarks.keptAt))
    .limit(MOST_KEPT);
}

/** Keeps a remark for other hand-ins. Keeping it twice puts it first. */
export async function keepRemark(db: Database, teacher: Person, words: string): Promise<void> {
  demandRole(teacher, 'teacher');
  const kept = words.trim().slice(0, 600);
  if (kept === '') throw new CannotNow('Write the remark first.');
  await db
    .insert(keptRemarks)
    .values({ teacherId: teacher.id, words: kept })
    .onConflictDoUpdate({ target: [keptRemarks.teacherId, keptRemarks.words], set: { keptAt: sql`now()` } });
}

/** Forgets a remark that a teacher kept. */
export async function forgetRemark(db: Database, teacher: Person, keptId: string): Promise<void> {
  demandRole(teacher, 'teacher');
  await db
    .delete(keptRemarks)
    .where(and(isId(keptId, keptRemarks.id), eq(keptRemarks.teacherId, teacher.id)));
}
