import { desc, eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  NotAllowed,
  ownProject,
  handInToTeach,
  maySeeClass,
  maySeeProject,
  type Person,
} from '../platform/auth/access.ts';
import { designOf, recipeOf } from '@kelbrin/core/design';
import { compute } from '../platform/compute/compute.ts';
import { labelRecipe } from '../demo/labels.ts';
import { handIns, notices, printFiles, queueEntries, solids } from '../platform/db/schema/index.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { handIn, withdraw } from './handIns.ts';
import { inspectHandIn } from './inspectHandIn.ts';
import { tellStudents } from '../platform/notices.ts';
import { openProject, saveDesign, standings } from '../projects/projects.ts';
import { approve, sendBack } from '../review/decide.ts';
import { feedbackOf } from '../review/feedback.ts';
import { handInsToReview, handInToReview, noteSeen } from '../review/stack.ts';
import { sha256 } from '../platform/basics/sha256.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';

let test: TestDatabase;
let people: Record<
  'asha' | 'bruno' | 'dario' | 'elif' | 'luca' | 'maren' | 'noor' | 'teacher' | 'helper',
  Person
>;
beforeAll(async () => {
  test = await demoSchool();
  const [asha, bruno, dario, elif, luca, maren, noor, teacher, helper] = await Promise.all(
    ['Asha', 'Bruno', 'Dario', 'Elif', 'Luca', 'Maren', 'Noor', 'Ms Fenwick', 'Mr Oduya'].map((name) =>
      test.person(name),
    ),
  );
  people = { asha, bruno, dario, elif, luca, maren, noor, teacher, helper };
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

async function latestHandIn(student: Person) {
  const { id } = await test.projectOf(student);
  const [latest] = await test.db
    .select()
    .from(handIns)
    .where(eq(handIns.projectId, id))
    .orderBy(desc(handIns.number))
    .limit(1);
  return latest;
}

describe('saving', () => {
  it('takes a save made from the newest revision and refuses any other, handing back what is there', async () => {
    const { asha } = people;
    const { id, revision } = await test.projectOf(asha);
    const mine = designOf(labelRecipe({ words: 'Mine' }));
    const first = await saveDesign(test.db, asha, id, revision, mine);
    expect(first).toEqual({ ok: true, revision: revision + 1 });
    const second = await saveDesign(test.db, asha, id, revision, designOf(labelRecipe({ words: 'Other' })));
    expect(second).toEqual({ ok: false, revision: revision + 1, design: mine });
  });

  it('lets exactly one of many saves at once win', async () => {
    const { asha } = people;
    const { id, revision } = await test.projectOf(asha);
    const saves = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        saveDesign(test.db, asha, id, revision, designOf(labelRecipe({ words: `Try ${i}` }))),
      ),
    );
    expect(saves.filter(({ ok }) => ok)).toHaveLength(1);
  });

  it('begins one project however often it is opened', async () => {
    const { noor } = people;
    const { briefId } = await test.projectOf(people.asha);
    const opened = await Promise.all(Array.from({ length: 5 }, () => openProject(test.db, noor, briefId)));
    expect(new Set(opened).size).toBe(1);
  });
});

describe('access', () => {
  it('keeps students out of each other’s projects, and everyone out of what does not exist', async () => {
    const { asha, bruno, teacher, helper } = people;
    const { id } = await test.projectOf(bruno);
    for (const person of [asha, teacher, helper]) {
      await expect(ownProject(test.db, person, id)).rejects.toThrow(NotAllowed);
      await expect(saveDesign(test.db, person, id, 1, designOf(labelRecipe({ words: 'x' })))).rejects.toThrow(
        NotAllowed,
      );
      await expect(handIn(test.db, person, id, 1)).rejects.toThrow(NotAllowed);
    }
    for (const wrong of ['', 'x', "' or 1=1 --", '00000000-0000-0000-0000-000000000000']) {
      await expect(ownProject(test.db, asha, wrong)).rejects.toThrow(NotAllowed);
    }
    expect(await maySeeProject(test.db, asha, id)).toBe(false);
    expect(await maySeeProject(test.db, bruno, id)).toBe(true);
    expect(await maySeeProject(test.db, helper, id)).toBe(true);
  });

  it('lets only the class’s teacher look at and decide on hand-ins', async () => {
    const { asha, bruno, helper, teacher } = people;
    const { id, solidHash } = await latestHandIn(people.dario);
    const stranger: Person = { id: 'stranger', name: 'Stranger', role: 'teacher' };
    for (const person of [asha, bruno, helper, stranger]) {
      await expect(handInToTeach(test.db, person, id)).rejects.toThrow(NotAllowed);
      await expect(approve(test.db, person, id, solidHash!)).rejects.toThrow(NotAllowed);
      await expect(sendBack(test.db, person, id, 'No.')).rejects.toThrow(NotAllowed);
    }
    await expect(handInsToReview(test.db, helper)).rejects.toThrow(NotAllowed);
    expect(await handInsToReview(test.db, stranger)).toEqual([]);
    expect((await handInsToReview(test.db, teacher)).length).toBeGreaterThan(5);
    const { classId } = (await handInsToReview(test.db, teacher))[0];
    expect(await maySeeClass(test.db, stranger, classId)).toBe(false);
    expect(await maySeeClass(test.db, asha, classId)).toBe(false);
    expect(await maySeeClass(test.db, helper, classId)).toBe(true);
  });
});

describe('handing in', () => {
  it('freezes what the server has, inspects it there, and waits for the teacher', async () => {
    const { luca } = people;
    const { id, revision, design } = await test.projectOf(luca);
    const handInId = await handIn(test.db, luca, id, revision);
    expect((await standings(test.db, [id])).get(id)).toMatchObject({ state: 'checking' });
    await inspectHandIn(test.db, handInId);
    const done = await latestHandIn(luca);
    expect(done).toMatchObject({
      number: 1,
      state: 'waiting',
      recipe: recipeOf(design),
      inspection: { verdict: 'pass' },
    });
    const [solid] = await test.db.select().from(solids).where(eq(solids.hash, done.solidHash!));
    expect(sha256(solid.threeMf)).toBe(solid.hash);
    expect(sha256(solid.stl)).toBe(solid.stlHash);
    expect(solid.estimate.grams).toBeGreaterThan(1);
    await expect(handIn(test.db, luca, id, revision)).rejects.toThrow('handed in already');
  });

  it('is refused for a revision that is not the newest', async () => {
    const { maren } = people;
    const { id, revision } = await test.projectOf(maren);
    await expect(handIn(test.db, maren, id, revision + 1)).rejects.toThrow(CannotNow);
  });

  it('tells the student when the server cannot build the recipe', async () => {
    const { maren } = people;
    const { id, revision } = await test.projectOf(maren);
    const saved = await saveDesign(test.db, maren, id, revision, designOf(labelRecipe({ words: 'Ω' })));
    const handInId = await handIn(test.db, maren, id, saved.revision);
    await inspectHandIn(test.db, handInId);
    expect(await latestHandIn(maren)).toMatchObject({ state: 'refused', solidHash: null });
    expect((await standings(test.db, [id])).get(id)).toMatchObject({
      state: 'sent_back',
      comment: expect.stringContaining('Ω') as string,
    });
  });

  it('is handed in again at the very moment at which the one before is refused, and neither waits for the other', async () => {
    const { maren } = people;
    const { id, revision } = await test.projectOf(maren);
    await saveDesign(test.db, maren, id, revision, designOf(labelRecipe({ words: 'One' })));
    // The first notice of its kind looks at the project's row; later ones are counted up.
    await test.db.delete(notices).where(eq(notices.projectId, id));
    const before = await handIn(test.db, maren, id, revision + 1);
    await saveDesign(test.db, maren, id, revision + 1, designOf(labelRecipe({ words: 'Two' })));
    let again: Promise<string> | undefined;
    await test.db.transaction(async (tx) => {
      await tx.update(handIns).set({ state: 'refused', problem: 'Too long.' }).where(eq(handIns.id, before));
      again = handIn(test.db, maren, id, revision + 2);
      // The second holds the project by now, and waits for the first.
      await expect
        .poll(async () => {
          const [{ waiting }] = await test.sql<{ waiting: number }[]>`select count(*)::int as waiting
            from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`;
          return waiting;
        })
        .toBe(1);
      await tellStudents(tx, id, 'refused');
    });
    const second = await again;
    expect(await latestHandIn(maren)).toMatchObject({ id: second, state: 'checking' });
    await withdraw(test.db, maren, id);
  });
});

describe('taking back', () => {
  it('is possible until the teacher has looked', async () => {
    const { luca, teacher } = people;
    const { id } = await test.projectOf(luca);
    const first = await latestHandIn(luca);
    await withdraw(test.db, luca, id);
    expect((await standings(test.db, [id])).get(id)).toMatchObject({ state: 'designing' });
    expect((await handInsToReview(test.db, teacher)).map((each) => each.id)).not.toContain(first.id);
    const { revision } = await test.projectOf(luca);
    await inspectHandIn(test.db, await handIn(test.db, luca, id, revision));
    const second = await latestHandIn(luca);
    expect(second).toMatchObject({ number: 2, state: 'waiting' });
    await noteSeen(test.db, teacher, second.id);
    expect(await feedbackOf(test.db, id)).toMatchObject({ isSeen: true, mayWithdraw: false });
    await expect(withdraw(test.db, luca, id)).rejects.toThrow('looking at it already');
  });

  it('happens by handing in a changed design, until the teacher has looked', async () => {
    const { maren, teacher } = people;
    const { id } = await test.projectOf(maren);
    const handInWords = async (words: string) => {
      const { revision } = await test.projectOf(maren);
      const saved = await saveDesign(test.db, maren, id, revision, designOf(labelRecipe({ words })));
      const handInId = await handIn(test.db, maren, id, saved.revision);
      await inspectHandIn(test.db, handInId);
      return handInId;
    };
    const first = await handInWords('Fern');
    const second = await handInWords('Ferns');
    const waiting = (await handInsToReview(test.db, teacher)).map((each) => each.id);
    expect(waiting).toContain(second);
    expect(waiting).not.toContain(first);
    await noteSeen(test.db, teacher, second);
    await expect(handInWords('Moss')).rejects.toThrow('looking at what you handed in');
  });

  it('is no matter of what was handed in of another part', async () => {
    const { maren, teacher } = people;
    const { id } = await test.projectOf(maren);
    const seen = await latestHandIn(maren);
    await sendBack(test.db, teacher, seen.id, 'Wider.');
    const { revision, design } = await test.projectOf(maren);
    const lid = { ...design.parts[0], id: 'p2', name: 'Lid' };
    const both = { ...design, parts: [...design.parts, lid], chosen: 'p2' };
    const saved = await saveDesign(test.db, maren, id, revision, both);
    const handInId = await handIn(test.db, maren, id, saved.revision);
    const { before, other, handIn: shown } = await handInToReview(test.db, teacher, handInId);
    expect(shown).toMatchObject({ part: 'Lid', partId: 'p2' });
    expect(before).toBeUndefined();
    expect(other).toEqual({ number: seen.number, part: seen.part });
  });
});

describe('what fails', () => {
  it('comes back at once unless the student says why it has to be so', async () => {
    const { asha, teacher } = people;
    const { id, revision } = await test.projectOf(asha);
    const tiny = designOf(labelRecipe({ words: 'Basil', holeMm: 1.6 }));
    const saved = await saveDesign(test.db, asha, id, revision, tiny);
    await inspectHandIn(test.db, await handIn(test.db, asha, id, saved.revision));
    expect((await standings(test.db, [id])).get(id)).toMatchObject({
      state: 'sent_back',
      comment: expect.stringMatching(/^“Holes” fails: mend that, or say why/) as string,
    });
    const said = {
      note: 'Look at the hole, please.',
      arguments: ['hole', 'brief'].map((check) => ({ check, words: 'It is for a very thin wire.' })),
    };
    await inspectHandIn(test.db, await handIn(test.db, asha, id, saved.revision, said));
    const waiting = await latestHandIn(asha);
    expect(waiting).toMatchObject({ state: 'waiting', ...said, inspection: { verdict: 'fail' } });
    expect((await handInsToReview(test.db, teacher)).map((each) => each.id)).toContain(waiting.id);
  });
});

describe('deciding', () => {
  it('approves exactly what was inspected, freezes it, and puts it in the queue', async () => {
    const { teacher, dario } = people;
    const { id, solidHash } = await latestHandIn(dario);
    await expect(approve(test.db, teacher, id, 'another hash')).rejects.toThrow('not what was inspected');
    await approve(test.db, teacher, id, solidHash!);
    const [file] = await test.db.select().from(printFiles).where(eq(printFiles.handInId, id));
    expect(file.hash).toBe(solidHash);
    expect(sha256(file.threeMf)).toBe(file.hash);
    const [entry] = await test.db.select().from(queueEntries).where(eq(queueEntries.printFileId, file.id));
    expect(entry.state).toBe('waiting');
    await expect(approve(test.db, teacher, id, solidHash!)).rejects.toThrow('not waiting');
    await expect(sendBack(test.db, teacher, id, 'Too late.')).rejects.toThrow('not waiting');
  });

  it('refuses to approve what failed its inspection', async () => {
    const { teacher, bruno } = people;
    const { id, solidHash } = await latestHandIn(bruno);
    await expect(approve(test.db, teacher, id, solidHash!)).rejects.toThrow(
      'fails, so the printer cannot make this',
    );
  });

  it('refuses to approve a solid that was altered after its inspection', async () => {
    const { teacher, elif } = people;
    const { id, solidHash } = await latestHandIn(elif);
    const [{ stl }] = await test.db.select().from(solids).where(eq(solids.hash, solidHash!));
    const altered = Uint8Array.from(stl);
    altered[200] ^= 1;
    await test.db.update(solids).set({ stl: altered }).where(eq(solids.hash, solidHash!));
    await expect(approve(test.db, teacher, id, solidHash!)).rejects.toThrow('altered');
    expect(await latestHandIn(elif)).toMatchObject({ state: 'waiting' });
    expect(await test.db.select().from(printFiles).where(eq(printFiles.handInId, id))).toEqual([]);
  });

  it('sends back with a comment, and the student can hand in again', async () => {
    const { teacher, elif } = people;
    const { id } = await latestHandIn(elif);
    await expect(sendBack(test.db, teacher, id, '  ')).rejects.toThrow('Say in a sentence');
    await sendBack(test.db, teacher, id, 'A wider hole, please.');
    const project = await test.projectOf(elif);
    expect((await standings(test.db, [project.id])).get(project.id)).toMatchObject({
      state: 'sent_back',
      comment: 'A wider hole, please.',
    });
    await handIn(test.db, elif, project.id, project.revision);
    expect(await latestHandIn(elif)).toMatchObject({ number: 3, state: 'checking' });
  });
});
