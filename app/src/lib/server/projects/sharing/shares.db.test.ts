import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { auditLog, classes, shares } from '../../platform/db/schema/index.ts';
import { school } from '../../demo/school.ts';
import { designOf, recipeOf } from '@kelbrin/core/design';
import { labelRecipe } from '../../demo/labels.ts';
import { saveDesign } from '../projects.ts';
import { setArchived } from '../../people/classPeople.ts';
import { revokeShare, share, sharedFile, sharedVersion, sharesInClass, sharesOf, unshare } from './shares.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { keepVersion } from '../versions.ts';

let test: TestDatabase;
let luca: Person;
let projectId: string;
let version: number;
beforeAll(async () => {
  test = await demoSchool();
  luca = await test.person('Luca');
  const { id, revision } = await test.projectOf(luca);
  projectId = id;
  version = (await keepVersion(test.db, luca, id, revision, 'with a wide hole')).number;
});
afterAll(() => test.drop());

it('shows one version to whoever has the link, as it was when it was kept', async () => {
  const before = await test.projectOf(luca);
  const token = await share(test.db, luca, projectId, version, 7);
  await saveDesign(test.db, luca, projectId, before.revision, designOf(labelRecipe({ words: 'Other' })));
  const shown = await sharedVersion(test.db, token);
  expect(shown).toMatchObject({ student: 'Luca', brief: school.brief.title, number: version });
  expect(shown.recipe).toEqual(recipeOf(before.design));
  expect(token.length).toBeGreaterThanOrEqual(24);
  await expect(sharedFile(test.db, token, '0'.repeat(64))).rejects.toThrow(NotAllowed);
});

it('leads nowhere once it was taken back or its time is over', async () => {
  const token = await share(test.db, luca, projectId, version, 1);
  const link = (await sharesOf(test.db, luca, projectId)).find((each) => each.token === token)!;
  await unshare(test.db, luca, projectId, link.id);
  await expect(sharedVersion(test.db, token)).rejects.toThrow('leads nowhere');

  const other = await share(test.db, luca, projectId, version, 1);
  await test.db
    .update(shares)
    .set({ expiresAt: new Date(Date.now() - 1000) })
    .where(eq(shares.token, other));
  await expect(sharedVersion(test.db, other)).rejects.toThrow('leads nowhere');
  expect((await sharesOf(test.db, luca, projectId)).map(({ token: each }) => each)).not.toContain(other);
  await expect(sharedVersion(test.db, 'made up')).rejects.toThrow('leads nowhere');
  const log = await test.db.select().from(auditLog).where(eq(auditLog.subjectId, projectId));
  expect(log.map(({ action }) => action)).toEqual(expect.arrayContaining(['share', 'unshare']));
});

it('is made for a time that is offered, of a version that is there, and not without end', async () => {
  await expect(share(test.db, luca, projectId, version, 400)).rejects.toThrow('works for 1, 7, 30 days');
  await expect(share(test.db, luca, projectId, 99, 7)).rejects.toThrow(NotAllowed);
  const held = (await sharesOf(test.db, luca, projectId)).length;
  for (let i = held; i < 20; i++) await share(test.db, luca, projectId, version, 1);
  await expect(share(test.db, luca, projectId, version, 1)).rejects.toThrow('at most 20 links');
});

it('is made, listed and taken back by the project’s own student', async () => {
  const [{ id }] = await sharesOf(test.db, luca, projectId);
  for (const name of ['Asha', school.teacher.name, school.helper.name]) {
    const person = await test.person(name);
    await expect(share(test.db, person, projectId, version, 7)).rejects.toThrow(NotAllowed);
    await expect(sharesOf(test.db, person, projectId)).rejects.toThrow(NotAllowed);
    await expect(unshare(test.db, person, projectId, id)).rejects.toThrow(NotAllowed);
  }
  expect((await sharesOf(test.db, luca, projectId)).map((each) => each.id)).toContain(id);
});

it('is listed for the teacher, who takes it back; and ends when a student is archived', async () => {
  const teacher = await test.person(school.teacher.name);
  const [{ id: wren }] = await test.db.select().from(classes);
  await test.db.delete(shares);
  const token = await share(test.db, luca, projectId, version, 7);
  const [first] = await sharesInClass(test.db, wren);
  expect(first).toMatchObject({ student: 'Luca', version });
  await expect(revokeShare(test.db, luca, wren, first.id)).rejects.toThrow(NotAllowed);
  await revokeShare(test.db, teacher, wren, first.id);
  await expect(sharedVersion(test.db, token)).rejects.toThrow(NotAllowed);
  await expect(revokeShare(test.db, teacher, wren, first.id)).rejects.toThrow(NotAllowed);
  const other = await share(test.db, luca, projectId, version, 7);
  await setArchived(test.db, teacher, wren, [luca.id], true);
  await expect(sharedVersion(test.db, other)).rejects.toThrow(NotAllowed);
  await setArchived(test.db, teacher, wren, [luca.id], false);
});
