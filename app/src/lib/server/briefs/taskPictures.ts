import { and, eq, exists, inArray, isNull, like, lt, notExists, or, sql } from 'drizzle-orm';
import { picturesIn, type TaskText } from '../../shared/taskText.ts';
import { demandRole, NotAllowed, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { briefs, classes, classMembers, keptBriefs, taskPictures } from '../platform/db/schema/index.ts';
import type { SentFile } from '../platform/sent/sentBytes.ts';
import { takenPicture } from '../platform/compute/takenPicture.ts';

/** What a task mentions of a picture, in SQL; a hash has no letter that means something there. */
const mentions = (task: typeof briefs.task | typeof keptBriefs.task) =>
  like(sql`${task}::text`, sql`'%' || ${taskPictures.hash} || '%'`);

/** Takes a picture for a teacher's tasks; returns its hash. Those that no task mentions are dropped after a day. */
export async function addTaskPicture(db: Database, teacher: Person, file: SentFile): Promise<string> {
  demandRole(teacher, 'teacher');
  const taken = await takenPicture(file);
  const { hash } = file.sent;
  const inBrief = db
    .select({ id: briefs.id })
    .from(briefs)
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .where(and(eq(classes.teacherId, taskPictures.teacherId), mentions(briefs.task)));
  const inLibrary = db
    .select({ id: keptBriefs.id })
    .from(keptBriefs)
    .where(and(eq(keptBriefs.teacherId, taskPictures.teacherId), mentions(keptBriefs.task)));
  await db
    .delete(taskPictures)
    .where(
      and(
        eq(taskPictures.teacherId, teacher.id),
        lt(taskPictures.addedAt, sql`now() - interval '1 day'`),
        notExists(inBrief),
        notExists(inLibrary),
      ),
    );
  await db
    .insert(taskPictures)
    .values({ teacherId: teacher.id, hash, ...taken })
    .onConflictDoUpdate({
      target: [taskPictures.teacherId, taskPictures.hash],
      set: { addedAt: new Date() },
    });
  return hash;
}

/** Throws unless every picture of a task is one that its teacher added. */
export async function demandPictures(db: Database, teacher: Person, task: TaskText): Promise<void> {
  const wanted = picturesIn(task);
  if (wanted.length === 0) return;
  const there = await db.$count(
    taskPictures,
    and(eq(taskPictures.teacherId, teacher.id), inArray(taskPictures.hash, wanted)),
  );
  if (there < wanted.length) throw new CannotNow('Task: a picture is not there any more, so add it again.');
}

/** A picture of a task, for the teacher who added it and for everyone of a class for which such a task is set. */
export async function taskPicture(db: Database, person: Person, hash: string) {
  if (!/^[0-9a-f]{64}$/.test(hash)) throw new NotAllowed();
  const setForPerson = db
    .select({ id: briefs.id })
    .from(briefs)
    .innerJoin(classes, eq(classes.id, briefs.classId))
    .innerJoin(classMembers, eq(classMembers.classId, classes.id))
    .where(
      and(
        eq(classes.teacherId, taskPictures.teacherId),
        eq(classMembers.userId, person.id),
        isNull(classMembers.archivedAt),
        mentions(briefs.task),
      ),
    );
  const [found] = await db
    .select({ mediaType: taskPictures.mediaType, picture: taskPictures.picture })
    .from(taskPictures)
    .where(and(eq(taskPictures.hash, hash), or(eq(taskPictures.teacherId, person.id), exists(setForPerson))))
    .limit(1);
  if (!found) throw new NotAllowed();
  return found;
}
