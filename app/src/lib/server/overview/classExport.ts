import { asc, eq } from 'drizzle-orm';
import { strToU8 } from 'fflate';
import Papa from 'papaparse';
import { fileName } from '@kelbrin/core/format';
import { sayingOf } from '../../shared/briefDraft.ts';
import { picturesIn } from '../../shared/taskText.ts';
import { record } from '../platform/audit.ts';
import { classToTeach, type Person } from '../platform/auth/access.ts';
import { namesOnProject } from '../platform/auth/team.ts';
import type { Database } from '../platform/db/database.ts';
import {
  briefs,
  classMembers,
  handIns,
  limitsCards,
  projects,
  solids,
  users,
  versions,
} from '../platform/db/schema/index.ts';
import { remarksOf } from '../review/remarks.ts';
import { waiversOf } from '../handIns/waivers.ts';
import { taskPicture } from '../briefs/taskPictures.ts';
import { zipped, type ZipEntry } from '../platform/basics/zipped.ts';

/** What a person's words are called as a part of a path. */
const named = (words: string) => fileName('{part}', { brief: '', student: '', part: words, n: 1 });

const json = (data: unknown) => strToU8(JSON.stringify(data, null, 2));

/** A table that a spreadsheet opens; what looks like a formula is kept from being one. */
const csv = (rows: readonly Record<string, unknown>[]) =>
  strToU8(Papa.unparse([...rows], { escapeFormulae: true, newline: '\n' }));

/**
 * Everything of one of the teacher's classes in open formats, as a zip: who is in it (CSV), its briefs and limits card
 * (JSON, with the pictures of tasks), and of every project the design as it stands, its versions, and its hand-ins with what was said about them
 * (JSON) and the solid that was inspected (3MF). It is made while it is fetched, a file at a time.
 */
export async function classAsZip(
  db: Database,
  teacher: Person,
  classId: string,
): Promise<{ name: string; zip: ReadableStream<Uint8Array> }> {
  const group = await classToTeach(db, teacher, classId);
  await record(db, teacher, 'export-class', group.id, [group.id]);
  return { name: `${named(group.name)}.zip`, zip: zipped(filesOfClass(db, teacher, group)) };
}

/** The files one after the other, each read when the one before it is written. */
async function* filesOfClass(
  db: Database,
  teacher: Person,
  group: Awaited<ReturnType<typeof classToTeach>>,
): AsyncGenerator<ZipEntry> {
  const [card] = await db.select().from(limitsCards).where(eq(limitsCards.id, group.limitsCardId));
  const members = await db
    .select({ name: users.name, signInName: classMembers.signInName, archivedAt: classMembers.archivedAt })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(eq(classMembers.classId, group.id))
    .orderBy(asc(users.name));
  yield {
    name: 'class.json',
    bytes: json({ name: group.name, filePattern: group.filePattern, limits: card.card }),
  };
  yield {
    name: 'people.csv',
    bytes: csv(
      members.map(({ name, signInName, archivedAt }) => ({
        name,
        'sign-in name': signInName ?? '',
        archived: archivedAt?.toISOString() ?? '',
      })),
    ),
  };
  const set = await db.select().from(briefs).where(eq(briefs.classId, group.id)).orderBy(asc(briefs.title));
  for (const [i, brief] of set.entries()) {
    const folder = `${i + 1} ${named(brief.title)}`;
    yield { name: `${folder}/brief.json`, bytes: json({ ...sayingOf(brief), dueOn: brief.dueOn }) };
    for (const hash of picturesIn(brief.task)) {
      const { mediaType, picture } = await taskPicture(db, teacher, hash);
      const kind = mediaType.replace('image/', '');
      yield { name: `${folder}/picture ${hash.slice(0, 12)}.${kind}`, bytes: picture, isPacked: true };
    }
    const begun = await db
      .select({ id: projects.id, student: namesOnProject })
      .from(projects)
      .innerJoin(users, eq(users.id, projects.studentId))
      .where(eq(projects.briefId, brief.id))
      .orderBy(asc(users.name), asc(projects.id));
    for (const [j, { id, student }] of begun.entries()) {
      // Two students may have one name.
      yield* filesOfProject(db, `${folder}/${j + 1} ${named(student)}`, id);
    }
  }
}

/** What there is of a project, under a folder. */
async function* filesOfProject(db: Database, folder: string, projectId: string): AsyncGenerator<ZipEntry> {
  const [project] = await db.select().from(projects).where(eq(projects.id, projectId));
  // It may have been deleted since the list was made.
  if (!project) return;
  yield { name: `${folder}/design.json`, bytes: json(project.design) };
  const kept = await db.select().from(versions).where(eq(versions.projectId, project.id));
  for (const { number, name, design, createdAt } of kept)
    yield { name: `${folder}/version ${number}.json`, bytes: json({ name, createdAt, design }) };
  const handedIn = await db
    .select({ handIn: handIns })
    .from(handIns)
    .where(eq(handIns.projectId, project.id));
  const waived = await waiversOf(
    db,
    handedIn.map(({ handIn }) => handIn.id),
  );
  for (const { handIn } of handedIn) {
    const { id, number, state, note, comment, createdAt, decidedAt, recipe, inspection } = handIn;
    const said = json({
      state,
      createdAt,
      decidedAt,
      note,
      arguments: handIn.arguments,
      comment,
      remarks: (await remarksOf(db, id)).map(({ words, anchor }) => ({ words, anchor })),
      waivers: waived.get(id) ?? [],
      recipe,
      inspection,
    });
    yield { name: `${folder}/hand-in ${number}.json`, bytes: said };
    if (handIn.solidHash === null) continue;
    const [solid] = await db
      .select({ threeMf: solids.threeMf })
      .from(solids)
      .where(eq(solids.hash, handIn.solidHash));
    if (solid) yield { name: `${folder}/hand-in ${number}.3mf`, bytes: solid.threeMf, isPacked: true };
  }
}
