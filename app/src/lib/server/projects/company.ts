import { and, eq, gt, ne } from 'drizzle-orm';
import type { Company, Pointing, Whereabouts } from '../../shared/company.ts';
import { ownProject, projectToWatch, type Person } from '../platform/auth/access.ts';
import type { Database } from '../platform/db/database.ts';
import { pointers, seats, users } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';

/** Who has not been heard of for this long is not there any more; a bench says so each half of it. */
const GONE_AFTER_MS = 60_000;

/** Says at which step a student works. Throws {@link NotAllowed} unless the student works on the project. */
export async function takeSeat(
  db: Database,
  person: Person,
  projectId: string,
  where: Whereabouts,
): Promise<void> {
  const { project } = await ownProject(db, person, projectId);
  const seat = { partId: where.partId, stepId: where.stepId ?? null, at: new Date() };
  await db
    .insert(seats)
    .values({ projectId: project.id, personId: person.id, ...seat })
    .onConflictDoUpdate({ target: [seats.projectId, seats.personId], set: seat });
  await announce(db, `seats:${project.id}`);
}

/** Says that a student has left the bench. */
export async function leaveSeat(db: Database, person: Person, projectId: string): Promise<void> {
  const { project } = await ownProject(db, person, projectId);
  await db.delete(seats).where(and(eq(seats.projectId, project.id), eq(seats.personId, person.id)));
  await announce(db, `seats:${project.id}`);
}

/** Where the others of a team work at this moment, and what a teacher points at. */
export async function companyAt(db: Database, person: Person, projectId: string): Promise<Company> {
  const { project } = await ownProject(db, person, projectId);
  const beside = await db
    .select({ name: users.name, partId: seats.partId, stepId: seats.stepId })
    .from(seats)
    .innerJoin(users, eq(users.id, seats.personId))
    .where(
      and(
        eq(seats.projectId, project.id),
        ne(seats.personId, person.id),
        gt(seats.at, new Date(Date.now() - GONE_AFTER_MS)),
      ),
    )
    .orderBy(users.name);
  return {
    seats: beside.map(({ stepId, ...seat }) => (stepId === null ? seat : { ...seat, stepId })),
    pointer: await pointerAt(db, project.id),
  };
}

/** What a teacher points at in a project, if anything. */
export async function pointerAt(db: Database, projectId: string): Promise<Company['pointer']> {
  const [found] = await db
    .select({ pointer: pointers, teacher: users.name })
    .from(pointers)
    .innerJoin(users, eq(users.id, pointers.teacherId))
    .where(eq(pointers.projectId, projectId));
  if (!found) return undefined;
  const { stepId, placeMm, partId, words, at } = found.pointer;
  const anchor = placeMm ? { at: placeMm as [number, number, number] } : { step: stepId ?? '' };
  return { teacher: found.teacher, partId, anchor, words, at: at.toISOString() };
}

/** Points at a sentence or a place of the part that is to be handed in, in the place of what was pointed at before. */
export async function pointAt(
  db: Database,
  teacher: Person,
  projectId: string,
  { anchor, words }: Pointing,
): Promise<void> {
  const { project } = await projectToWatch(db, teacher, projectId);
  const pointer = {
    teacherId: teacher.id,
    partId: project.design.chosen,
    stepId: 'step' in anchor ? anchor.step : null,
    placeMm: 'at' in anchor ? anchor.at : null,
    words,
    at: new Date(),
  };
  await db
    .insert(pointers)
    .values({ projectId: project.id, ...pointer })
    .onConflictDoUpdate({ target: pointers.projectId, set: pointer });
  await announce(db, `seats:${project.id}`, `project:${project.id}`);
}

/** Points at nothing any more. */
export async function endPointing(db: Database, teacher: Person, projectId: string): Promise<void> {
  const { project } = await projectToWatch(db, teacher, projectId);
  await db.delete(pointers).where(eq(pointers.projectId, project.id));
  await announce(db, `seats:${project.id}`, `project:${project.id}`);
}
