import { hashPassword } from '../platform/auth/passwords.ts';
import { and, eq, inArray } from 'drizzle-orm';
import { designOf, recipeOf } from '@kelbrin/core/design';
import { classroomLimits } from '@kelbrin/core/inspect';
import { TASK_PICTURES, type TaskText } from '../../shared/taskText.ts';
import type { Person } from '../platform/auth/access.ts';
import { addStaff, addStudents } from '../platform/auth/people.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classes,
  classMembers,
  handIns,
  limitsCards,
  batches,
  printers,
  printFiles,
  projects,
  queueEntries,
  runs,
  spools,
} from '../platform/db/schema/index.ts';
import { handIn } from '../handIns/handIns.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { pictureOf } from '../projects/pictures.ts';
import { closePlaces } from '../printing/batches/batchParts.ts';
import { layBatch } from '../printing/batches/laying.ts';
import { rollAt } from '../printers/loaded.ts';
import { openProject, saveDesign } from '../projects/projects.ts';
import { moveBatch } from '../printing/batches/lifecycle.ts';
import { moveEntries } from '../printing/queue/lifecycle.ts';
import { moveRuns, newRun } from '../printing/runs/lifecycle.ts';
import { approve, sendBack } from '../review/decide.ts';
import { addRemark } from '../review/remarks.ts';
import { SentBytes } from '../platform/sent/sentBytes.ts';
import { addTaskPicture } from '../briefs/taskPictures.ts';
import { labelRecipe, labelStarter } from './labels.ts';
import { noteLesson } from './lesson.ts';
import { demoPrinters, demoShelf, demoStudents, school, type DemoStudent } from './school.ts';

/** Whether the database holds no class yet. */
export async function isEmpty(db: Database): Promise<boolean> {
  return (await db.select({ id: classes.id }).from(classes).limit(1)).length === 0;
}

/**
 * Fills an empty database with the demo school. Everything goes the way it would go in the classroom: projects are
 * opened, saved, handed in, inspected and approved by the same functions that the pages call.
 */
export async function loadDemo(db: Database): Promise<void> {
  const teacherId = await addStaff(db, 'server', { ...school.teacher, role: 'teacher' });
  const helperId = await addStaff(db, 'server', { ...school.helper, role: 'helper' });
  const [card] = await db
    .insert(limitsCards)
    .values({ name: 'Classroom printer, 0.4 mm nozzle', card: classroomLimits })
    .returning();
  const [group] = await db
    .insert(classes)
    .values({
      name: school.className,
      code: school.classCode,
      teacherId,
      limitsCardId: card.id,
      galleryOpen: true,
    })
    .returning();
  await db.insert(classMembers).values({ classId: group.id, userId: helperId });
  const dueOn = new Date(Date.now() + 9 * 24 * 3600 * 1000).toISOString().slice(0, 10);
  const teacher: Person = { id: teacherId, name: school.teacher.name, role: 'teacher' };
  const task = await withPicture(db, teacher, school.brief.task);
  const [brief] = await db
    .insert(briefs)
    .values({ classId: group.id, ...school.brief, task, dueOn, starter: labelStarter() })
    .returning();
  for (const { name, model, spool } of demoPrinters) {
    const [{ id: printerId }] = await db
      .insert(printers)
      .values({ name, model, connection: { way: 'network', host: '127.0.0.1', port: 1 } })
      .returning({ id: printers.id });
    await db.insert(spools).values({ ...spool, printerId });
  }
  await db.insert(spools).values([...demoShelf]);

  const pinHash = await hashPassword(school.studentPin);
  const newStudents = demoStudents.map(({ name, signInName }) => ({ name, signInName, pinHash }));
  const ids = await addStudents(db, group.id, newStudents);
  // A printer that is printing could finish nothing more.
  const startLast: (() => Promise<void>)[] = [];
  for (const [order, student] of demoStudents.entries()) {
    const id = ids[order];
    const person: Person = { id, name: student.name, role: 'student' };
    const start = await bringAlong(db, teacher, person, student, brief.id);
    if (start) startLast.push(start);
    const { createdAt, decidedAt } = handedInAt(student, order);
    await db
      .update(handIns)
      .set({ createdAt, decidedAt })
      .where(
        inArray(
          handIns.projectId,
          db.select({ id: projects.id }).from(projects).where(eq(projects.studentId, id)),
        ),
      );
  }
  for (const start of startLast) await start();
  await noteFinishedRuns(db, teacher);
  await noteLesson(db);
}

/** Who is at the printers already handed in some days ago; the others did in the lesson that goes on. */
function handedInAt(
  { progress, begunDaysAgo = 0 }: DemoStudent,
  order: number,
): { createdAt: Date; decidedAt?: Date } {
  const minutesAgo = 90 - 5 * order;
  if (!['queued', 'printing', 'printed'].includes(progress)) {
    return { createdAt: new Date(Date.now() - minutesAgo * 60_000) };
  }
  const at = Date.now() - (begunDaysAgo - 2) * 24 * 3600_000 - minutesAgo * 60_000;
  return { createdAt: new Date(at), decidedAt: new Date(at + 20 * 3600_000) };
}

/** A task with a picture of what it may come to. */
async function withPicture(db: Database, teacher: Person, task: TaskText): Promise<TaskText> {
  const recipe = labelRecipe({ words: 'Fennel', widthMm: 80 });
  const picture = await pictureOf(db, undefined, recipe, { colour: demoPrinters[1].spool.colour });
  const bytes = await picture.png();
  const hash = await addTaskPicture(db, teacher, { name: 'label.png', sent: new SentBytes(bytes) });
  const attrs = { src: `${TASK_PICTURES}/${hash}`, alt: 'A label for fennel with a hole at its left end' };
  return { ...task, content: [...task.content, { type: 'image', attrs }] };
}

/** Takes one student's project as far as the demo wants it; returns how to start what is to be printing when all is there. */
async function bringAlong(
  db: Database,
  teacher: Person,
  student: Person,
  plan: DemoStudent,
  briefId: string,
): Promise<(() => Promise<void>) | undefined> {
  if (plan.progress === 'nothing') return;
  const projectId = await openProject(db, student, briefId);
  if (!plan.recipe) {
    await drawPicture(db, projectId);
    return;
  }
  const revision = plan.before ? await sendBefore(db, teacher, student, plan.before, projectId) : 0;
  const saved = await saveDesign(db, student, projectId, revision, designOf(plan.recipe, 'Label'));
  await drawPicture(db, projectId);
  if (plan.progress === 'designing') return;

  const { note = '', argues } = plan;
  const handInId = await handIn(db, student, projectId, saved.revision, {
    note,
    arguments: (argues?.checks ?? []).map((check) => ({ check, words: argues!.words })),
  });
  await inspectHandIn(db, handInId);
  if (plan.progress === 'waiting') return;
  if (plan.progress === 'sentBack') {
    await sendBack(db, teacher, handInId, plan.comment ?? 'Please look at it again.');
    return;
  }
  const [{ solidHash }] = await db.select().from(handIns).where(eq(handIns.id, handInId));
  await approve(db, teacher, handInId, solidHash!);
  if (plan.progress === 'queued') return;

  const [entry] = await db
    .select({ id: queueEntries.id, estimate: printFiles.estimate })
    .from(queueEntries)
    .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
    .where(eq(printFiles.handInId, handInId));
  const [printer] = await db.select().from(printers).where(eq(printers.name, demoPrinters[0].name));
  const { batchId } = await layBatch(db, teacher, [entry.id]);
  // Alone on its batch, a part takes what it takes by itself.
  await db.update(batches).set({ estimate: entry.estimate }).where(eq(batches.id, batchId));
  const run = { batchId, entryId: entry.id, printer, estimateS: entry.estimate.seconds, student };
  if (plan.progress === 'printing') return () => startDemoRun(db, teacher, run).then(() => {});
  const runId = await startDemoRun(db, teacher, run);
  await moveRuns(db, 'finish', 'keeper', eq(runs.id, runId), { progress: 1, clearedAt: new Date() });
  await moveEntries(db, 'finish', 'keeper', eq(queueEntries.id, entry.id));
  await moveBatch(db, 'finish', 'keeper', batchId);
  await closePlaces(db, batchId);
}

/** Starts what is printed in the demo; it is left for the printer's keeper to send. */
async function startDemoRun(
  db: Database,
  teacher: Person,
  {
    batchId,
    entryId,
    printer,
    estimateS,
    student,
  }: {
    readonly batchId: string;
    readonly entryId: string;
    readonly printer: typeof printers.$inferSelect;
    readonly estimateS: number;
    readonly student: Person;
  },
): Promise<string> {
  await moveEntries(db, 'start', teacher, eq(queueEntries.id, entryId));
  await moveBatch(db, 'start', teacher, batchId);
  const { id } = await newRun(db, teacher, {
    printerId: printer.id,
    batchId,
    spoolId: (await rollAt(db, printer.id, 0))?.id,
    fileName: `demo-${student.name.toLowerCase()}.gcode`,
    estimateS,
    startedBy: teacher.id,
  });
  return id;
}

/** Has a student's earlier try handed in and sent back; returns the project's revision. */
async function sendBefore(
  db: Database,
  teacher: Person,
  student: Person,
  { recipe, comment, remark }: DemoStudent['before'] & object,
  projectId: string,
): Promise<number> {
  const { revision } = await saveDesign(db, student, projectId, 0, designOf(recipe, 'Label'));
  const handInId = await handIn(db, student, projectId, revision);
  await inspectHandIn(db, handInId);
  await addRemark(db, teacher, handInId, { words: remark, anchor: { step: recipe.steps.at(-1)!.id } });
  await sendBack(db, teacher, handInId, comment);
  return revision;
}

/** Draws the project's picture beforehand, so that the first look at the class page need not wait for all of them. */
async function drawPicture(db: Database, projectId: string): Promise<void> {
  const [{ design }] = await db.select().from(projects).where(eq(projects.id, projectId));
  const picture = await pictureOf(db, projectId, recipeOf(design), {
    colour: demoPrinters[0].spool.colour,
  });
  await picture.png();
}

/** Moves the finished runs into the past, one after the other. */
async function noteFinishedRuns(db: Database, teacher: Person): Promise<void> {
  const finished = await db
    .select()
    .from(runs)
    .where(and(eq(runs.startedBy, teacher.id), inArray(runs.state, ['finished'])));
  let end = Date.now() - 25 * 60_000;
  for (const { id, estimateS } of finished) {
    const startedAt = new Date(end - estimateS * 1000);
    await db
      .update(runs)
      .set({ startedAt, endedAt: new Date(end) })
      .where(eq(runs.id, id));
    end = startedAt.getTime() - 6 * 60_000;
  }
  await db.update(projects).set({ updatedAt: new Date(Date.now() - 40 * 60_000) });
}
