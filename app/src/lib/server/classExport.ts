import { asc, eq } from 'drizzle-orm';
import { strToU8, zipSync, type Zippable } from 'fflate';
import Papa from 'papaparse';
import { fileName } from '@kelbrin/core/format';
import { sayingOf } from '../shared/briefDraft.ts';
import { picturesIn } from '../shared/taskText.ts';
import { classToTeach, type Person } from './auth/access.ts';
import { namesOnProject } from './auth/team.ts';
import type { Database } from './db/database.ts';
import {
  briefs,
  classMembers,
  handIns,
  limitsCards,
  projects,
  solids,
  users,
  versions,
} from './db/schema/index.ts';
import { remarksOf } from './review/remarks.ts';
import { waiversOf } from './review/waivers.ts';
import { taskPicture } from './taskPictures.ts';

/** What a person's words are called as a part of a path. */
const named = (words: string) => fileName('{part}', { brief: '', student: '', part: words, n: 1 });

const json = (data: unknown) => strToU8(JSON.stringify(data, null, 2));

/** A table that a spreadsheet opens; what looks like a formula is kept from being one. */
const csv = (rows: readonly Record<string, unknown>[]) =>
  strToU8(Papa.unparse([...rows], { escapeFormulae: true, newline: '\n' }));

/**
 * Everything of one of the teacher's classes in open formats, as a zip: who is in it (CSV), its briefs and limits card
 * (JSON, with the pictures of tasks), and of every project the design as it stands, its versions, and its hand-ins with what was said about them
 * (JSON) and the solid that was inspected (3MF).
 */
export async function classAsZip(
  db: Database,
  teacher: Person,
  classId: string,
): Promise<{ name: string; bytes: Uint8Array }> {
  const group = await classToTeach(db, teacher, classId);
  const [card] = await db.select().from(limitsCards).where(eq(limitsCards.id, group.limitsCardId));
  const members = await db
    .select({ name: users.name, signInName: classMembers.signInName, archivedAt: classMembers.archivedAt })
    .from(classMembers)
    .innerJoin(users, eq(users.id, classMembers.userId))
    .where(eq(classMembers.classId, group.id))
    .orderBy(asc(users.name));
  const files: Zippable = {
    'class.json': json({ name: group.name, filePattern: group.filePattern, limits: card.card }),
    'people.csv': csv(
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
    files[`${folder}/brief.json`] = json({ ...sayingOf(brief), dueOn: brief.dueOn });
    for (const hash of picturesIn(brief.task)) {
      const { mediaType, picture } = await taskPicture(db, teacher, hash);
      const kind = mediaType.replace('image/', '');
      files[`${folder}/picture ${hash.slice(0, 12)}.${kind}`] = [picture, { level: 0 }];
    }
    const begun = await db
      .select({ project: projects, student: namesOnProject })
      .from(projects)
      .innerJoin(users, eq(users.id, projects.studentId))
      .where(eq(projects.briefId, brief.id))
      .orderBy(asc(users.name), asc(projects.id));
    for (const [j, { project, student }] of begun.entries()) {
      // Two students may have one name.
      await addProject(db, files, `${folder}/${j + 1} ${named(student)}`, project);
    }
  }
  return { name: `${named(group.name)}.zip`, bytes: zipSync(files) };
}

/** Adds what there is of a project under a folder. */
async function addProject(
  db: Database,
  files: Zippable,
  folder: string,
  project: typeof projects.$inferSelect,
): Promise<void> {
  files[`${folder}/design.json`] = json(project.design);
  const kept = await db.select().from(versions).where(eq(versions.projectId, project.id));
  for (const { number, name, design, createdAt } of kept) {
    files[`${folder}/version ${number}.json`] = json({ name, createdAt, design });
  }
  const handedIn = await db
    .select({ handIn: handIns, threeMf: solids.threeMf })
    .from(handIns)
    .leftJoin(solids, eq(solids.hash, handIns.solidHash))
    .where(eq(handIns.projectId, project.id));
  const waived = await waiversOf(
    db,
    handedIn.map(({ handIn }) => handIn.id),
  );
  for (const { handIn, threeMf } of handedIn) {
    const { id, number, state, note, comment, createdAt, decidedAt, recipe, inspection } = handIn;
    files[`${folder}/hand-in ${number}.json`] = json({
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
    // A 3MF is a zip already.
    if (threeMf) files[`${folder}/hand-in ${number}.3mf`] = [threeMf, { level: 0 }];
  }
}
