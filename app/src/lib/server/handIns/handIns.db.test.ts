import { eq } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import {
  NotAllowed,
  ownProject,
  handInToTeach,
  maySeeClass,
  maySeeProject,
  type Person,
} from '../platform/auth/access.ts';
import { designOf, recipeOf } from '@kelbrin/core/design';
import { labelRecipe } from '../demo/labels.ts';
import { handIns, notices, solids } from '../platform/db/schema/index.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import { handIn, withdraw } from './handIns.ts';
import { inspectHandIn } from './inspectHandIn.ts';
import { tellStudents } from '../platform/notices.ts';
import { openProject, saveDesign, standings } from '../projects/projects.ts';
import { approve, sendBack } from '../review/decide.ts';
import { feedbackOf } from '../review/feedback.ts';
import { handInsToReview, handInToReview, noteSeen } from '../review/stack.ts';
import { sha256 } from '../platform/basics/sha256.ts';
import { HandInRoom } from '../testing/handInRoom.ts';

const room = HandInRoom.forTests();
const { latestHandIn } = room;

describe('saving', () => {
  it('takes a save made from the newest revision and refuses any other, handing back what is there', async () => {
    const { asha } = room.people;
    const { id, revision } = await room.test.projectOf(asha);
    const mine = designOf(labelRecipe({ words: 'Mine' }));
    const first = await saveDesign(room.test.db, asha, id, revision, mine);
    expect(first).toEqual({ ok: true, revision: revision + 1 });
    const second = await saveDesign(
      room.test.db,
      asha,
      id,
      revision,
      designOf(labelRecipe({ words: 'Other' })),
    );
    expect(second).toMatchObject({ ok: false, revision: revision + 1, design: mine });
  });

  it('lets exactly one of many saves at once win', async () => {
    const { asha } = room.people;
    const { id, revision } = await room.test.projectOf(asha);
    const saves = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        saveDesign(room.test.db, asha, id, revision, designOf(labelRecipe({ words: `Try ${i}` }))),
      ),
    );
    expect(saves.filter(({ ok }) => ok)).toHaveLength(1);
  });

  it('begins one project however often it is opened', async () => {
    const { noor } = room.people;
    const { briefId } = await room.test.projectOf(room.people.asha);
    const opened = await Promise.all(
      Array.from({ length: 5 }, () => openProject(room.test.db, noor, briefId)),
    );
    expect(new Set(opened).size).toBe(1);
  });
});

describe('access', () => {
  it('keeps students out of each other’s projects, and everyone out of what does not exist', async () => {
    const { asha, bruno, teacher, helper } = room.people;
    const { id } = await room.test.projectOf(bruno);
    for (const person of [asha, teacher, helper]) {
      await expect(ownProject(room.test.db, person, id)).rejects.toThrow(NotAllowed);
      await expect(
        saveDesign(room.test.db, person, id, 1, designOf(labelRecipe({ words: 'x' }))),
      ).rejects.toThrow(NotAllowed);
      await expect(handIn(room.test.db, person, id, 1)).rejects.toThrow(NotAllowed);
    }
    for (const wrong of ['', 'x', "' or 1=1 --", '00000000-0000-0000-0000-000000000000']) {
      await expect(ownProject(room.test.db, asha, wrong)).rejects.toThrow(NotAllowed);
    }
    expect(await maySeeProject(room.test.db, asha, id)).toBe(false);
    expect(await maySeeProject(room.test.db, bruno, id)).toBe(true);
    expect(await maySeeProject(room.test.db, helper, id)).toBe(true);
  });

  it('lets only the class’s teacher look at and decide on hand-ins', async () => {
    const { asha, bruno, helper, teacher } = room.people;
    const { id, solidHash } = await latestHandIn(room.people.dario);
    const stranger: Person = { id: 'stranger', name: 'Stranger', role: 'teacher' };
    for (const person of [asha, bruno, helper, stranger]) {
      await expect(handInToTeach(room.test.db, person, id)).rejects.toThrow(NotAllowed);
      await expect(approve(room.test.db, person, id, solidHash!)).rejects.toThrow(NotAllowed);
      await expect(sendBack(room.test.db, person, id, 'No.')).rejects.toThrow(NotAllowed);
    }
    await expect(handInsToReview(room.test.db, helper)).rejects.toThrow(NotAllowed);
    expect(await handInsToReview(room.test.db, stranger)).toEqual([]);
    expect((await handInsToReview(room.test.db, teacher)).length).toBeGreaterThan(5);
    const { classId } = (await handInsToReview(room.test.db, teacher))[0];
    expect(await maySeeClass(room.test.db, stranger, classId)).toBe(false);
    expect(await maySeeClass(room.test.db, asha, classId)).toBe(false);
    expect(await maySeeClass(room.test.db, helper, classId)).toBe(true);
  });
});

describe('handing in', () => {
  it('freezes what the server has, inspects it there, and waits for the teacher', async () => {
    const { luca } = room.people;
    const { id, revision, design } = await room.test.projectOf(luca);
    const handInId = await handIn(room.test.db, luca, id, revision);
    expect((await standings(room.test.db, [id])).get(id)).toMatchObject({ state: 'checking' });
    await inspectHandIn(room.test.db, handInId);
    const done = await latestHandIn(luca);
    expect(done).toMatchObject({
      number: 1,
      state: 'waiting',
      recipe: recipeOf(design),
      inspection: { verdict: 'pass' },
    });
    const [solid] = await room.test.db.select().from(solids).where(eq(solids.hash, done.solidHash!));
    expect(sha256(solid.threeMf)).toBe(solid.hash);
    expect(sha256(solid.stl)).toBe(solid.stlHash);
    expect(done.estimate!.grams).toBeGreaterThan(1);
    await expect(handIn(room.test.db, luca, id, revision)).rejects.toThrow('handed in already');
  });

  it('is refused for a revision that is not the newest', async () => {
    const { maren } = room.people;
    const { id, revision } = await room.test.projectOf(maren);
    await expect(handIn(room.test.db, maren, id, revision + 1)).rejects.toThrow(CannotNow);
  });

  it('tells the student when the server cannot build the recipe', async () => {
    const { maren } = room.people;
    const { id, revision } = await room.test.projectOf(maren);
    const saved = await saveDesign(room.test.db, maren, id, revision, designOf(labelRecipe({ words: '李' })));
    const handInId = await handIn(room.test.db, maren, id, saved.revision);
    await inspectHandIn(room.test.db, handInId);
    expect(await latestHandIn(maren)).toMatchObject({ state: 'refused', solidHash: null });
    expect((await standings(room.test.db, [id])).get(id)).toMatchObject({
      state: 'sent_back',
      comment: expect.stringContaining('李') as string,
    });
  });

  it('is handed in again at the very moment at which the one before is refused, and neither waits for the other', async () => {
    const { maren } = room.people;
    const { id, revision } = await room.test.projectOf(maren);
    await saveDesign(room.test.db, maren, id, revision, designOf(labelRecipe({ words: 'One' })));
    // The first notice of its kind looks at the project's row; later ones are counted up.
    await room.test.db.delete(notices).where(eq(notices.projectId, id));
    const before = await handIn(room.test.db, maren, id, revision + 1);
    await saveDesign(room.test.db, maren, id, revision + 1, designOf(labelRecipe({ words: 'Two' })));
    let again: Promise<string> | undefined;
    await room.test.db.transaction(async (tx) => {
      await tx.update(handIns).set({ state: 'refused', problem: 'Too long.' }).where(eq(handIns.id, before));
      again = handIn(room.test.db, maren, id, revision + 2);
      // The second holds the project by now, and waits for the first.
      await expect
        .poll(async () => {
          const [{ waiting }] = await room.test.sql<{ waiting: number }[]>`select count(*)::int as waiting
            from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`;
          return waiting;
        })
        .toBe(1);
      await tellStudents(tx, id, 'refused');
    });
    const second = await again;
    expect(await latestHandIn(maren)).toMatchObject({ id: second, state: 'checking' });
    await withdraw(room.test.db, maren, id);
  });
});

describe('taking back', () => {
  it('is possible until the teacher has looked', async () => {
    const { luca, teacher } = room.people;
    const { id } = await room.test.projectOf(luca);
    const first = await latestHandIn(luca);
    await withdraw(room.test.db, luca, id);
    expect((await standings(room.test.db, [id])).get(id)).toMatchObject({ state: 'designing' });
    expect((await handInsToReview(room.test.db, teacher)).map((each) => each.id)).not.toContain(first.id);
    const { revision } = await room.test.projectOf(luca);
    await inspectHandIn(room.test.db, await handIn(room.test.db, luca, id, revision));
    const second = await latestHandIn(luca);
    expect(second).toMatchObject({ number: 2, state: 'waiting' });
    await noteSeen(room.test.db, teacher, second.id);
    expect(await feedbackOf(room.test.db, id)).toMatchObject({ isSeen: true, mayWithdraw: false });
    await expect(withdraw(room.test.db, luca, id)).rejects.toThrow('looking at it already');
  });

  it('happens by handing in a changed design, until the teacher has looked', async () => {
    const { maren, teacher } = room.people;
    const { id } = await room.test.projectOf(maren);
    const handInWords = async (words: string) => {
      const { revision } = await room.test.projectOf(maren);
      const saved = await saveDesign(room.test.db, maren, id, revision, designOf(labelRecipe({ words })));
      const handInId = await handIn(room.test.db, maren, id, saved.revision);
      await inspectHandIn(room.test.db, handInId);
      return handInId;
    };
    const first = await handInWords('Fern');
    const second = await handInWords('Ferns');
    const waiting = (await handInsToReview(room.test.db, teacher)).map((each) => each.id);
    expect(waiting).toContain(second);
    expect(waiting).not.toContain(first);
    await noteSeen(room.test.db, teacher, second);
    await expect(handInWords('Moss')).rejects.toThrow('looking at what you handed in');
  });

  it('is no matter of what was handed in of another part', async () => {
    const { maren, teacher } = room.people;
    const { id } = await room.test.projectOf(maren);
    const seen = await latestHandIn(maren);
    await sendBack(room.test.db, teacher, seen.id, 'Wider.');
    const { revision, design } = await room.test.projectOf(maren);
    const lid = { ...design.parts[0], id: 'p2', name: 'Lid' };
    const both = { ...design, parts: [...design.parts, lid], chosen: 'p2' };
    const saved = await saveDesign(room.test.db, maren, id, revision, both);
    const handInId = await handIn(room.test.db, maren, id, saved.revision);
    const { before, other, handIn: shown } = await handInToReview(room.test.db, teacher, handInId);
    expect(shown).toMatchObject({ part: 'Lid', partId: 'p2' });
    expect(before).toBeUndefined();
    expect(other).toEqual({ number: seen.number, part: seen.part });
  });
});
