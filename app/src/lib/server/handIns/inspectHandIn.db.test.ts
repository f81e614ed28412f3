import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import { createStep, emptyRecipe, type Recipe, type Step } from '@kelbrin/core/recipe';
import type { Person } from '../platform/auth/access.ts';
import { compute } from '../platform/compute/compute.ts';
import { handIns, solids } from '../platform/db/schema/index.ts';
import { labelRecipe } from '../demo/labels.ts';
import { handIn } from './handIns.ts';
import { holdAgainst } from './recheck.ts';
import { saveDesign } from '../projects/projects.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { forgottenHandIns, inspectHandIn } from './inspectHandIn.ts';

let test: TestDatabase;
let asha: Person;
beforeAll(async () => {
  test = await demoSchool();
  asha = await test.person('Asha');
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

async function handedIn(recipe: Recipe): Promise<string> {
  const { id, revision } = await test.projectOf(asha);
  await test.db.update(handIns).set({ state: 'sent_back' }).where(eq(handIns.projectId, id));
  await saveDesign(test.db, asha, id, revision, designOf(recipe));
  return handIn(test.db, asha, id, revision + 1);
}
const found = async (id: string) => (await test.db.select().from(handIns).where(eq(handIns.id, id)))[0];

it('keeps the colours that a hand-in is wished in, with the grams of each', async () => {
  const label = labelRecipe({ words: 'Dill' });
  const letters = label.steps.find(({ kind }) => kind === 'letters')!;
  const colours: Step = {
    id: 's9',
    kind: 'colours',
    first: 'leafGreen',
    changes: [{ from: { by: 'step', of: { step: letters.id }, edge: 'low' }, colour: 'chalkWhite' }],
  };
  const plainId = await handedIn(label);
  await inspectHandIn(test.db, plainId);
  const id = await handedIn({ ...label, steps: [...label.steps, colours] });
  await inspectHandIn(test.db, id);
  const solidOf = async (handInId: string) => {
    const { solidHash } = await found(handInId);
    return (await test.db.select().from(solids).where(eq(solids.hash, solidHash!)))[0];
  };
  const [plain, coloured] = [await solidOf(plainId), await solidOf(id)];
  expect(plain.colours).toEqual([]);
  expect(coloured.colours).toEqual([
    { fromMm: 0, colour: 'leafGreen' },
    { fromMm: expect.closeTo(2.6, 3) as number, colour: 'chalkWhite' },
  ]);
  // The same shape in other colours is another file: an approval is for what was seen.
  expect(coloured.stlHash).toBe(plain.stlHash);
  expect(coloured.hash).not.toBe(plain.hash);
  const [one, two] = [(await found(plainId)).estimate!, (await found(id)).estimate!];
  const [green, white] = two.colourGrams;
  expect(green).toBeGreaterThan(white);
  expect(green + white).toBeCloseTo(one.grams, 6);
  expect(two.seconds).toBeCloseTo(one.seconds + 120, 3);
});

describe('a hand-in that cannot be inspected', () => {
  it('is refused once, with the sentence that multiplies', async () => {
    const repeat = (id: string, of: string) =>
      ({
        ...createStep('repeat', id, of),
        pattern: { type: 'grid', columns: 20, columnMm: 100, rows: 20, rowMm: 100 },
      }) as Step;
    const recipe = {
      ...emptyRecipe(),
      steps: [createStep('extrude', 's1'), repeat('s2', 's1'), repeat('s3', 's2')],
    };
    expect(JSON.stringify(recipe).length).toBeLessThan(1200);
    const id = await handedIn(recipe);
    await inspectHandIn(test.db, id);
    expect(await found(id)).toMatchObject({
      state: 'refused',
      problem: expect.stringMatching(/^Step 3: That makes [\d,]+ copies in all/),
      inspectionTries: 1,
    });
    await inspectHandIn(test.db, id);
    expect((await found(id)).inspectionTries).toBe(1);
  });

  it('is refused when its inspection has taken processes along again and again', async () => {
    const id = await handedIn(labelRecipe({ words: 'Chive' }));
    await test.db.update(handIns).set({ inspectionTries: 3 }).where(eq(handIns.id, id));
    await inspectHandIn(test.db, id);
    expect(await found(id)).toMatchObject({
      state: 'refused',
      problem: expect.stringContaining('could not inspect this part'),
    });
  });
});

describe('an inspection that is under way', () => {
  it('is left to whoever began it, until nothing was heard of it for a while', async () => {
    const id = await handedIn(labelRecipe({ words: 'Sage' }));
    await test.db.update(handIns).set({ inspectingSince: new Date() }).where(eq(handIns.id, id));
    await inspectHandIn(test.db, id);
    expect((await found(id)).state).toBe('checking');
    expect(await forgottenHandIns(test.db)).not.toContain(id);
    const longAgo = new Date(Date.now() - 60_000);
    await test.db.update(handIns).set({ inspectingSince: longAgo }).where(eq(handIns.id, id));
    expect(await forgottenHandIns(test.db)).toContain(id);
    await Promise.all([inspectHandIn(test.db, id), inspectHandIn(test.db, id)]);
    expect(await found(id)).toMatchObject({ state: 'waiting', inspectionTries: 1 });
  });

  it('stores nothing that was held against a card that is an old one by then', async () => {
    const id = await handedIn(labelRecipe({ words: 'Thyme' }));
    const { limits } = await found(id);
    const { classId } = await classOf(id);
    const inspecting = inspectHandIn(test.db, id);
    await test.db.transaction((tx) => holdAgainst(tx, [classId], { ...limits, minWallMm: 9 }));
    await inspecting;
    expect((await found(id)).state).toBe('checking');
    await inspectHandIn(test.db, id);
    expect((await found(id)).state).not.toBe('checking');
  });
});

async function classOf(handInId: string): Promise<{ classId: string }> {
  const [project] = await test.sql`
    select briefs.class_id as "classId" from hand_ins
    join projects on projects.id = hand_ins.project_id join briefs on briefs.id = projects.brief_id
    where hand_ins.id = ${handInId}`;
  return { classId: project.classId as string };
}
