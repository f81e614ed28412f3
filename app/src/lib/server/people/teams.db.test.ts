import { and, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { designOf, partOf } from '@kelbrin/core/design';
import { maySeeProject, NotAllowed, ownProject, type Person } from '../platform/auth/access.ts';
import { classWithStandings } from './classes.ts';
import { compute } from '../platform/compute/compute.ts';
import {
  auditLog,
  briefs,
  classes,
  handIns,
  printFiles,
  projects,
  teamMembers,
} from '../platform/db/schema/index.ts';
import { labelRecipe } from '../demo/labels.ts';
import { school } from '../demo/school.ts';
import { handIn } from '../handIns/handIns.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { lessonOf } from '../overview/lesson.ts';
import { deleteStudent } from './deleteStudent.ts';
import { openProject, saveDesign } from '../projects/projects.ts';
import { approve } from '../review/decide.ts';
import { handInsToReview } from '../review/stack.ts';
import { leaveTeam, makeTeam, teamsOf } from './teams.ts';
import { teacherHome } from '../overview/teacherHome.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let teacher: Person;
let brief: string;
let wren: string;
const people: Record<string, Person> = {};
beforeAll(async () => {
  test = await demoSchool();
  teacher = await test.person(school.teacher.name);
  for (const name of ['Asha', 'Bruno', 'Dario', 'Luca', 'Maren', 'Noor']) {
    people[name.toLowerCase()] = await test.person(name);
  }
  [{ id: brief }] = await test.db.select().from(briefs);
  [{ id: wren }] = await test.db.select().from(classes);
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

const team = (...members: Person[]) =>
  makeTeam(
    test.db,
    teacher,
    brief,
    members.map(({ id }) => id),
  );
const projectFor = (person: Person) => openProject(test.db, person, brief);

/** How many students have begun the brief, as the teacher's home says. */
const begun = async () => (await teacherHome(test.db, teacher)).classes[0].briefs[0].begun;

describe('a team', () => {
  it('shares the project of the one who began, and opens, saves and hands it in together', async () => {
    const { luca, noor } = people;
    const project = await test.projectOf(luca);
    expect(await begun()).toBe(13);
    await team(luca, noor);
    expect(await begun()).toBe(14);
    expect(await projectFor(noor)).toBe(project.id);
    const { revision } = project;
    const saved = await saveDesign(
      test.db,
      noor,
      project.id,
      revision,
      designOf(labelRecipe({ words: 'Rocket' })),
    );
    expect(saved).toEqual({ ok: true, revision: revision + 1 });
    expect(await maySeeProject(test.db, noor, project.id)).toBe(true);
    const id = await handIn(test.db, noor, project.id, revision + 1);
    await inspectHandIn(test.db, id);
    const handedIn = (await handInsToReview(test.db, teacher)).find((each) => each.id === id);
    expect(handedIn).toMatchObject({ student: 'Luca & Noor', state: 'waiting' });
    // One hand-in of two students: it is told alike on every page.
    const ofBrief = ({ id: each }: { id: string }) => each === brief;
    const home = (await teacherHome(test.db, teacher)).classes[0].briefs.find(ofBrief)!;
    const group = (await classWithStandings(test.db, teacher, wren)).briefs.find(ofBrief)!;
    const lesson = await lessonOf(test.db, teacher, brief);
    const rows = await handInsToReview(test.db, teacher);
    const waiting = rows.filter(
      ({ state, ...row }) => state === 'waiting' && row.brief === home.title,
    ).length;
    expect([home.toReview, group.counts.toReview, lesson.toReview]).toEqual([waiting, waiting, waiting]);
    expect(group.counts.begun).toBe(home.begun);
    await approve(test.db, teacher, id, handedIn!.solidHash!);
    const [file] = await test.db.select().from(printFiles).where(eq(printFiles.handInId, id));
    expect(file.name).toMatch(/luca.*noor/i);
  });

  it('is one in the lesson, and everyone’s card in the class shows its project', async () => {
    const { learners } = await lessonOf(test.db, teacher, brief);
    expect(learners.filter(({ name }) => /Luca|Noor/.test(name)).map(({ name }) => name)).toEqual([
      'Luca & Noor',
    ]);
    const { briefs: set } = await classWithStandings(test.db, teacher, wren);
    const [luca, noor] = ['Luca', 'Noor'].map((each) => set[0].students.find(({ name }) => name === each)!);
    expect(noor.project).toMatchObject({ id: luca.project!.id, withNames: ['Luca'] });
    expect(luca.project!.withNames).toEqual(['Noor']);
  });

  it('takes along what one who joins began alone', async () => {
    const { asha, luca, maren } = people;
    const begun = await test.projectOf(maren);
    const words = designOf(labelRecipe({ words: 'Marigold' }), 'Label');
    await saveDesign(test.db, maren, begun.id, begun.revision, words);
    await team(luca, maren);
    const [{ design }] = await test.db
      .select()
      .from(projects)
      .where(eq(projects.id, await projectFor(luca)));
    expect(design.parts.map(({ name }) => name)).toContain('Label, Maren');
    expect(design.chosen).toBe(partOf(design, design.parts[0].id).id);
    expect(await projectFor(maren)).toBe(await projectFor(luca));
    expect(await test.db.$count(projects, eq(projects.id, begun.id))).toBe(0);
    await expect(ownProject(test.db, asha, await projectFor(luca))).rejects.toThrow(NotAllowed);
  });

  it('refuses who has handed in alone already, in a sentence, and changes nothing', async () => {
    const { bruno, dario, luca } = people;
    await expect(team(luca, dario)).rejects.toThrow(
      'Dario has handed in or kept versions alone already, so cannot join Luca & Maren & Noor.',
    );
    await expect(team(bruno, dario)).rejects.toThrow('has handed in or kept versions alone already');
    await expect(team(bruno)).rejects.toThrow('A team is two students or more');
    expect((await teamsOf(test.db, teacher, brief)).teams.map(({ names }) => names)).toEqual([
      'Luca & Maren & Noor',
    ]);
  });

  it('goes on without one who leaves with a copy', async () => {
    const { luca, maren } = people;
    const shared = await test.projectOf(luca);
    await leaveTeam(test.db, teacher, brief, luca.id);
    const [left] = await test.db.select().from(projects).where(eq(projects.id, shared.id));
    expect(left).toMatchObject({ studentId: maren.id, design: shared.design });
    const own = await test.projectOf(luca);
    expect(own.id).not.toBe(shared.id);
    expect(own).toMatchObject({ design: shared.design, tickedPrompts: shared.tickedPrompts });
    await expect(leaveTeam(test.db, teacher, brief, luca.id)).rejects.toThrow(NotAllowed);
    const log = await test.db.select().from(auditLog).where(eq(auditLog.action, 'leave-team'));
    expect(log).toMatchObject([{ subjectId: luca.id }]);
  });

  it('keeps its work when one of it is deleted, under the names of the others', async () => {
    const { maren, noor } = people;
    const shared = await test.projectOf(maren);
    await deleteStudent(test.db, teacher, wren, maren.id);
    const [left] = await test.db.select().from(projects).where(eq(projects.id, shared.id));
    expect(left.studentId).toBe(noor.id);
    const [file] = await test.db
      .select({ name: printFiles.name })
      .from(printFiles)
      .innerJoin(handIns, and(eq(handIns.id, printFiles.handInId), eq(handIns.projectId, shared.id)));
    expect(file.name).toMatch(/noor/i);
    expect(file.name).not.toMatch(/luca|maren/i);
    expect(await test.db.select().from(teamMembers)).toEqual([]);
  });

  it('is made and changed by the class’s own teacher alone', async () => {
    const { asha, noor } = people;
    for (const person of [asha, await test.person(school.helper.name), await test.otherTeacher()]) {
      await expect(teamsOf(test.db, person, brief)).rejects.toThrow(NotAllowed);
      await expect(makeTeam(test.db, person, brief, [asha.id, noor.id])).rejects.toThrow(NotAllowed);
      await expect(leaveTeam(test.db, person, brief, asha.id)).rejects.toThrow(NotAllowed);
    }
  });
});
