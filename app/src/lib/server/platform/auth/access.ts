import { and, eq, inArray, or, type SQL } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { Database } from '../db/database.ts';
import { briefs, classes, classMembers, handIns, projects, versions } from '../db/schema/index.ts';
import { isTeamProject, namesOnProject, worksOn } from './team.ts';
import { handInsWithOwner, projectsWithOwner } from './withOwner.ts';
import { say } from '@kelbrin/core/words';

/** The person behind a request. */
export interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: 'student' | 'teacher' | 'helper';
}

/** Refusal of what a person may not see or do. Pages answer it like something that does not exist. */
export class NotAllowed extends Error {
  constructor(message = say('There is no such page, or it is not yours.')) {
    super(message);
    this.name = 'NotAllowed';
  }
}

/** Teachers and helpers run the print room. */
export function isStaff({ role }: Person): boolean {
  return role === 'teacher' || role === 'helper';
}

/** Throws unless the person has one of the roles. */
export function demandRole(person: Person, ...roles: Person['role'][]): void {
  if (!roles.includes(person.role)) throw new NotAllowed();
}

/** A project that a student works on, alone or in a team; throws {@link NotAllowed} for anyone else and for one that does not exist. */
export async function ownProject(db: Database, person: Person, projectId: string) {
  demandRole(person, 'student');
  const [found] = await projectsWithOwner(db, {
    project: projects,
    brief: briefs,
    limitsCardId: classes.limitsCardId,
    filePattern: classes.filePattern,
    isTeam: isTeamProject,
  }).where(and(isId(projectId, projects.id), worksOn(db, person.id)));
  if (!found) throw new NotAllowed();
  return found;
}

/** One of the teacher's own classes; throws {@link NotAllowed} otherwise. */
export async function classToTeach(db: Database, person: Person, classId: string) {
  demandRole(person, 'teacher');
  const [found] = await db
    .select()
    .from(classes)
    .where(and(isId(classId, classes.id), eq(classes.teacherId, person.id)));
  if (!found) throw new NotAllowed();
  return found;
}

/** A brief of one of the teacher's own classes; throws {@link NotAllowed} otherwise. */
export async function briefToTeach(db: Database, person: Person, briefId: string) {
  demandRole(person, 'teacher');
  const [found] = await db
    .select({ brief: briefs, className: classes.name })
    .from(briefs)
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(and(isId(briefId, briefs.id), eq(classes.teacherId, person.id)));
  if (!found) throw new NotAllowed();
  return found;
}

/** A hand-in to one of the teacher's own classes; throws {@link NotAllowed} otherwise. */
export async function handInToTeach(db: Database, person: Person, handInId: string) {
  demandRole(person, 'teacher');
  const [found] = await handInsWithOwner(db, {
    handIn: handIns,
    project: projects,
    brief: briefs,
    filePattern: classes.filePattern,
    limitsCardId: classes.limitsCardId,
    student: namesOnProject,
    version: versions.number,
  })
    .innerJoin(versions, eq(versions.id, handIns.versionId))
    .where(and(isId(handInId, handIns.id), eq(classes.teacherId, person.id)));
  if (!found) throw new NotAllowed();
  return found;
}

/** A project of one of the teacher's own classes, to be looked at; throws {@link NotAllowed} otherwise. */
export async function projectToWatch(db: Database, person: Person, projectId: string) {
  demandRole(person, 'teacher');
  const [found] = await projectsWithOwner(db, {
    project: projects,
    brief: briefs,
    student: namesOnProject,
    limitsCardId: classes.limitsCardId,
  }).where(and(isId(projectId, projects.id), eq(classes.teacherId, person.id)));
  if (!found) throw new NotAllowed();
  return found;
}

/** A project for those who may see it, which is who works on it and the staff of its class; undefined for anyone else. */
export async function visibleProject(db: Database, person: Person, projectId: string) {
  const [found] = await projectsWithOwner(db, { id: projects.id, design: projects.design })
    .leftJoin(classMembers, and(eq(classMembers.classId, classes.id), eq(classMembers.userId, person.id)))
    .where(
      and(
        isId(projectId, projects.id),
        person.role === 'student'
          ? worksOn(db, person.id)
          : or(eq(classes.teacherId, person.id), eq(classMembers.userId, person.id)),
      ),
    );
  return found as typeof found | undefined;
}

/** Whether a person may follow what happens to a project. */
export async function maySeeProject(db: Database, person: Person, projectId: string): Promise<boolean> {
  return (await visibleProject(db, person, projectId)) !== undefined;
}

/** Whether a person may follow a whole class: its teacher and its helpers. */
export async function maySeeClass(db: Database, person: Person, classId: string): Promise<boolean> {
  if (!isStaff(person)) return false;
  const found = await db
    .select({ id: classes.id })
    .from(classes)
    .leftJoin(classMembers, and(eq(classMembers.classId, classes.id), eq(classMembers.userId, person.id)))
    .where(
      and(
        isId(classId, classes.id),
        or(eq(classes.teacherId, person.id), eq(classMembers.userId, person.id)),
      ),
    );
  return found.length > 0;
}

/** Equality that is false, and no database error, for what cannot be an id at all. */
export function isId(value: string, column: AnyPgColumn): SQL {
  if (!UUID.test(value)) throw new NotAllowed();
  return eq(column, value);
}

/** The same of a list: one of the ids. */
export function isOneOf(values: readonly string[], column: AnyPgColumn): SQL {
  if (!values.every((value) => UUID.test(value))) throw new NotAllowed();
  return inArray(column, [...values]);
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/i;
