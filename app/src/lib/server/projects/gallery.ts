import { and, asc, desc, eq, exists, isNull, or, sql, type SQL } from 'drizzle-orm';
import { classToTeach, isId, NotAllowed, type Person } from '../platform/auth/access.ts';
import { namesOnProject } from '../platform/auth/team.ts';
import { handInsWithOwner, projectsWithOwner } from '../platform/auth/withOwner.ts';
import { record } from '../platform/audit.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classes,
  classMembers,
  handIns,
  limitsCards,
  projects,
  versions,
} from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { filesFor } from './projectFiles.ts';

/** Opens a class's gallery to everyone of the class, or closes it. */
export async function setGallery(
  db: Database,
  teacher: Person,
  classId: string,
  isOpen: boolean,
): Promise<void> {
  const { id } = await classToTeach(db, teacher, classId);
  await db.transaction(async (tx) => {
    await tx.update(classes).set({ galleryOpen: isOpen }).where(eq(classes.id, id));
    await record(tx, teacher, isOpen ? 'open-gallery' : 'close-gallery', id, [id]);
    await announce(tx, `class:${id}`);
  });
}

/** The classes whose gallery is open to a student or helper. */
export async function galleriesFor(db: Database, person: Person): Promise<{ id: string; name: string }[]> {
  return db
    .select({ id: classes.id, name: classes.name })
    .from(classes)
    .where(and(classes.galleryOpen, isOf(db, person)))
    .orderBy(asc(classes.name));
}

/** What a class has made: of every project the last approved hand-in, the newest first. */
export async function galleryOf(db: Database, person: Person, classId: string) {
  const [group] = await db
    .select({ id: classes.id, name: classes.name, isOpen: classes.galleryOpen })
    .from(classes)
    .where(and(isId(classId, classes.id), mayEnter(db, person)));
  if (!group) throw new NotAllowed();
  const newest = db
    .selectDistinctOn([handIns.projectId], {
      id: handIns.id,
      projectId: handIns.projectId,
      part: handIns.part,
      decidedAt: handIns.decidedAt,
    })
    .from(handIns)
    .where(eq(handIns.state, 'approved'))
    .orderBy(handIns.projectId, desc(handIns.number))
    .as('newest');
  const pieces = await projectsWithOwner(db, {
    id: newest.id,
    part: newest.part,
    student: namesOnProject,
    brief: briefs.title,
  })
    .innerJoin(newest, eq(newest.projectId, projects.id))
    .where(eq(briefs.classId, group.id))
    .orderBy(desc(newest.decidedAt));
  return { group, pieces };
}

/** One piece of an open gallery with all there is to look at; throws {@link NotAllowed} for anything else. */
export async function pieceToLookAt(db: Database, person: Person, classId: string, handInId: string) {
  const [found] = await handInsWithOwner(db, {
    projectId: projects.id,
    recipe: handIns.recipe,
    part: handIns.part,
    number: versions.number,
    student: namesOnProject,
    brief: briefs.title,
    limits: limitsCards.card,
  })
    .innerJoin(versions, eq(versions.id, handIns.versionId))
    .innerJoin(limitsCards, eq(limitsCards.id, classes.limitsCardId))
    .where(
      and(
        isId(handInId, handIns.id),
        eq(handIns.state, 'approved'),
        isId(classId, classes.id),
        mayEnter(db, person),
      ),
    );
  if (!found) throw new NotAllowed();
  return found;
}

/** A mesh that a piece of the gallery imports; throws {@link NotAllowed} for any other. */
export async function pieceFile(
  db: Database,
  person: Person,
  classId: string,
  handInId: string,
  hash: string,
): Promise<Uint8Array> {
  const { projectId, recipe } = await pieceToLookAt(db, person, classId, handInId);
  const stl = (await filesFor(db, projectId, recipe)).get(hash);
  if (!stl) throw new NotAllowed();
  return stl;
}

/** Whether a person may see the picture of a hand-in because it hangs in a gallery. */
export async function hangsFor(db: Database, person: Person, handInId: string): Promise<boolean> {
  const found = await handInsWithOwner(db, { id: handIns.id }).where(
    and(isId(handInId, handIns.id), eq(handIns.state, 'approved'), mayEnter(db, person)),
  );
  return found.length > 0;
}

/** The teacher enters always, everyone else of the class while it is open. */
function mayEnter(db: Database, person: Person): SQL | undefined {
  return or(eq(classes.teacherId, person.id), and(classes.galleryOpen, isOf(db, person)));
}

function isOf(db: Database, person: Person): SQL {
  return exists(
    db
      .select({ one: sql`1` })
      .from(classMembers)
      .where(
        and(
          eq(classMembers.classId, classes.id),
          eq(classMembers.userId, person.id),
          isNull(classMembers.archivedAt),
        ),
      ),
  );
}
