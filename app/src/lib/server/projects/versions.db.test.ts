import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { designDifferences, designOf, partOf, recipeOf } from '@kelbrin/core/design';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { setFilePattern } from '../people/classes.ts';
import { compute } from '../platform/compute/compute.ts';
import { classes, handIns, printFiles, projects, users } from '../platform/db/schema/index.ts';
import { labelRecipe } from '../demo/labels.ts';
import { handIn } from '../handIns/handIns.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { saveDesign } from './projects.ts';
import { approve } from '../review/decide.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { deleteVersion, designOfVersion, keepVersion, versionsOf } from './versions.ts';

let test: TestDatabase;
let luca: Person;
let asha: Person;
let teacher: Person;
beforeAll(async () => {
  test = await demoSchool();
  [luca, asha, teacher] = await Promise.all(['Luca', 'Asha', 'Ms Fenwick'].map((name) => test.person(name)));
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

describe('versions', () => {
  it('keep what was saved, and say what changed since', async () => {
    const { id, revision, design } = await test.projectOf(luca);
    const kept = await keepVersion(test.db, luca, id, revision, '  before it grows ');
    expect(kept).toMatchObject({ number: 1, name: 'before it grows' });
    const wider = designOf(labelRecipe({ words: 'Rocket', widthMm: 90 }), 'Label');
    const saved = await saveDesign(test.db, luca, id, revision, wider);
    expect(await designOfVersion(test.db, luca, id, 1)).toEqual(design);
    expect(designDifferences(await designOfVersion(test.db, luca, id, 1), wider)).toMatchObject([
      { changes: [{ words: 'Step 1: width 80 → 90 mm' }] },
    ]);
    await expect(keepVersion(test.db, luca, id, revision, 'late')).rejects.toThrow('changed in another tab');
    await keepVersion(test.db, luca, id, saved.revision, '');
    expect((await versionsOf(test.db, luca, id)).map(({ name }) => name)).toEqual([
      'Version 2',
      'before it grows',
    ]);
  });

  it('are counted without a gap however many are kept at once', async () => {
    const { id, revision } = await test.projectOf(asha);
    await Promise.all(Array.from({ length: 6 }, (_, i) => keepVersion(test.db, asha, id, revision, `v${i}`)));
    expect((await versionsOf(test.db, asha, id)).map(({ number }) => number)).toEqual([6, 5, 4, 3, 2, 1]);
  });

  it('are deleted by their student, and numbers go on', async () => {
    const { id, revision } = await test.projectOf(asha);
    const before = await versionsOf(test.db, asha, id);
    await deleteVersion(test.db, asha, id, before[0].number);
    await deleteVersion(test.db, asha, id, 2);
    expect((await versionsOf(test.db, asha, id)).map(({ number }) => number)).toEqual([5, 4, 3, 1]);
    expect(await keepVersion(test.db, asha, id, revision, '')).toMatchObject({
      number: 6,
      name: 'Version 6',
    });
    await expect(deleteVersion(test.db, asha, id, 2)).rejects.toThrow(NotAllowed);
    await expect(deleteVersion(test.db, luca, id, 3)).rejects.toThrow(NotAllowed);
    await expect(deleteVersion(test.db, teacher, id, 3)).rejects.toThrow(NotAllowed);
  });

  it('stay where they were handed in', async () => {
    const [handedIn] = await test.db.select().from(handIns).limit(1);
    const [owner] = await test.db.select().from(projects).where(eq(projects.id, handedIn.projectId));
    const [{ name }] = await test.db.select().from(users).where(eq(users.id, owner.studentId));
    const student = await test.person(name);
    const lines = await versionsOf(test.db, student, handedIn.projectId);
    const { number } = lines.find(({ id }) => id === handedIn.versionId)!;
    await expect(deleteVersion(test.db, student, handedIn.projectId, number)).rejects.toThrow(
      'was handed in',
    );
    expect(await versionsOf(test.db, student, handedIn.projectId)).toHaveLength(lines.length);
  });

  it('are nobody else’s to see or keep', async () => {
    const { id, revision } = await test.projectOf(luca);
    await expect(keepVersion(test.db, asha, id, revision, 'mine')).rejects.toThrow(NotAllowed);
    await expect(versionsOf(test.db, asha, id)).rejects.toThrow(NotAllowed);
    await expect(designOfVersion(test.db, asha, id, 1)).rejects.toThrow(NotAllowed);
    await expect(designOfVersion(test.db, luca, id, 99)).rejects.toThrow(NotAllowed);
    expect(await versionsOf(test.db, teacher, id)).toHaveLength(2);
  });
});

describe('a hand-in of a project with several parts', () => {
  it('is of the chosen part, becomes a version, and is called by the class’s pattern', async () => {
    const [{ id: classId }] = await test.db.select().from(classes);
    await expect(setFilePattern(test.db, teacher, classId, '{brief}_{pupil}')).rejects.toThrow('{pupil}');
    await expect(setFilePattern(test.db, luca, classId, '{student}')).rejects.toThrow(NotAllowed);
    await setFilePattern(test.db, teacher, classId, '{student}-{part}-{n}');

    const { id, revision, design } = await test.projectOf(luca);
    const two = {
      ...design,
      parts: [
        ...design.parts,
        { id: 'p2', name: 'Small one', recipe: labelRecipe({ words: 'Rue', widthMm: 50 }) },
      ],
      chosen: 'p2',
    };
    const saved = await saveDesign(test.db, luca, id, revision, two);
    const handInId = await handIn(test.db, luca, id, saved.revision);
    const [frozen] = await test.db.select().from(handIns).where(eq(handIns.id, handInId));
    expect(frozen.recipe).toEqual(recipeOf(two, 'p2'));
    expect(frozen.part).toBe(partOf(two, 'p2').name);
    expect((await versionsOf(test.db, luca, id))[0]).toMatchObject({ number: 3, name: 'Hand-in 1' });
    expect(await designOfVersion(test.db, luca, id, 3)).toEqual(two);

    await inspectHandIn(test.db, handInId);
    const [{ solidHash }] = await test.db.select().from(handIns).where(eq(handIns.id, handInId));
    await approve(test.db, teacher, handInId, solidHash!);
    const [file] = await test.db.select().from(printFiles).where(eq(printFiles.handInId, handInId));
    expect(file.name).toBe('Luca-Small-one-3');
  });
});
