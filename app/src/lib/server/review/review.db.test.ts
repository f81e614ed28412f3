import { and, desc, eq, inArray } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { designOf } from '@kelbrin/core/design';
import { NotAllowed, type Person } from '../platform/auth/access.ts';
import { compute } from '../platform/compute/compute.ts';
import { auditLog, briefs, handIns, printFiles, queueEntries, waivers } from '../platform/db/schema/index.ts';
import { labelRecipe } from '../demo/labels.ts';
import { school } from '../demo/school.ts';
import { handIn } from '../handIns/handIns.ts';
import { inspectHandIn } from '../handIns/inspectHandIn.ts';
import { discardBatch } from '../printing/batches/changeBatch.ts';
import { layBatch } from '../printing/batches/laying.ts';
import { saveDesign, standings } from '../projects/projects.ts';
import { wholeQueue } from '../testing/wholeQueue.ts';
import { demoSchool, type TestDatabase } from '../testing/database.ts';
import { approve, approveAll, sendBack, undoDecision } from './decide.ts';
import { feedbackOf } from './feedback.ts';
import {
  addRemark,
  forgetRemark,
  keepRemark,
  keptRemarksOf,
  remarkCounts,
  remarksOf,
  removeRemark,
} from './remarks.ts';
import { handInsToReview, handInToReview } from './stack.ts';

let test: TestDatabase;
let teacher: Person;
let helper: Person;
beforeAll(async () => {
  test = await demoSchool();
  [teacher, helper] = await Promise.all(
    [school.teacher.name, school.helper.name].map((name) => test.person(name)),
  );
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});

/** The last hand-in of a student. */
async function lastOf(name: string) {
  const { id } = await test.projectOf(await test.person(name));
  const [last] = await test.db
    .select()
    .from(handIns)
    .where(eq(handIns.projectId, id))
    .orderBy(desc(handIns.number))
    .limit(1);
  return last;
}

/** Hands in another label of a student's, inspected by the server. */
async function handInAnew(name: string, words: string) {
  const student = await test.person(name);
  const { id, revision } = await test.projectOf(student);
  const saved = await saveDesign(test.db, student, id, revision, designOf(labelRecipe({ words })));
  await inspectHandIn(test.db, await handIn(test.db, student, id, saved.revision));
  return lastOf(name);
}

const inQueue = async (handInId: string) =>
  (await wholeQueue(test.db, teacher)).find((entry) => entry.handInId === handInId);

describe('remarks', () => {
  it('are the teacher’s alone until the hand-in is sent back, and then say what to change', async () => {
    const { id, projectId } = await lastOf('Dario');
    const step = await addRemark(test.db, teacher, id, { words: ' A wider hole. ', anchor: { step: 's2' } });
    await addRemark(test.db, teacher, id, { words: 'Thin here.', anchor: { at: [1, 2, 3] } });
    const gone = await addRemark(test.db, teacher, id, { words: 'Nice!', anchor: { step: 's1' } });
    await removeRemark(test.db, teacher, id, gone);
    expect(await feedbackOf(test.db, projectId)).toMatchObject({ remarks: [] });
    expect(await remarkCounts(test.db, [id])).toEqual(new Map());
    await sendBack(test.db, teacher, id, '');
    expect(await remarkCounts(test.db, [id])).toEqual(new Map([[id, 2]]));
    expect(await feedbackOf(test.db, projectId)).toMatchObject({
      remarks: [
        { id: step, words: 'A wider hole.', anchor: { step: 's2' } },
        { words: 'Thin here.', anchor: { at: [1, 2, 3] } },
      ],
    });
    const late = { words: 'One more.', anchor: { step: 's1' } };
    await expect(addRemark(test.db, teacher, id, late)).rejects.toThrow('not waiting');
    await expect(removeRemark(test.db, teacher, id, step)).rejects.toThrow('not waiting');
  });

  it('have words, and stand at a step that is there or at a place that can be', async () => {
    const { id } = await lastOf('Elif');
    const attempts: [unknown, RegExp][] = [
      [{ words: '  ', anchor: { step: 's1' } }, /Write the remark first/],
      [{ words: 'x'.repeat(601), anchor: { step: 's1' } }, /at most 600 characters/],
      [{ words: 'Here.', anchor: { step: 's99' } }, /no such step/],
      [{ words: 'Here.', anchor: { at: [1, 2, 1e9] } }, /./],
      [{ words: 'Here.' }, /./],
    ];
    for (const [draft, message] of attempts) {
      await expect(addRemark(test.db, teacher, id, draft)).rejects.toThrow(message);
    }
    expect(await remarksOf(test.db, id)).toEqual([]);
  });

  it('are kept for others, each once and the latest first, and forgotten', async () => {
    for (const words of ['A wider hole, please.', 'Lovely letters!', 'A wider hole, please.']) {
      await keepRemark(test.db, teacher, words);
    }
    const kept = await keptRemarksOf(test.db, teacher);
    expect(kept.map(({ words }) => words)).toEqual(['A wider hole, please.', 'Lovely letters!']);
    await forgetRemark(test.db, teacher, kept[0].id);
    expect((await keptRemarksOf(test.db, teacher)).map(({ words }) => words)).toEqual(['Lovely letters!']);
  });

  it('are written, read and kept by the class’s own teacher', async () => {
    const { id } = await lastOf('Elif');
    const draft = { words: 'No.', anchor: { step: 's1' } };
    for (const person of [helper, await test.person('Elif'), { ...teacher, id: 'stranger' }]) {
      await expect(addRemark(test.db, person, id, draft)).rejects.toThrow(NotAllowed);
      await expect(removeRemark(test.db, person, id, id)).rejects.toThrow(NotAllowed);
      await expect(handInToReview(test.db, person, id)).rejects.toThrow(NotAllowed);
      await expect(undoDecision(test.db, person, id)).rejects.toThrow(NotAllowed);
    }
    await expect(keepRemark(test.db, helper, 'No.')).rejects.toThrow(NotAllowed);
  });
});

describe('a waiver', () => {
  it('needs a reason for every check that fails, and goes wherever the file goes', async () => {
    const { id, solidHash, inspection, projectId } = await lastOf('Bruno');
    const failing = inspection!.checks
      .filter(({ verdict }) => verdict === 'fail')
      .map(({ id: check }) => check);
    expect(failing.length).toBeGreaterThan(1);
    const all = failing.map((check) => ({ check, reason: 'We try it once, with supports.' }));
    await expect(approve(test.db, teacher, id, solidHash!, all.slice(1))).rejects.toThrow(
      'say why it may fail',
    );
    await expect(
      approve(test.db, teacher, id, solidHash!, [{ ...all[0], reason: '  ' }, ...all.slice(1)]),
    ).rejects.toThrow('say why it may fail');
    await approve(test.db, teacher, id, solidHash!, [...all, { check: 'size', reason: 'That one passes.' }]);

    const stored = await test.db.select().from(waivers).where(eq(waivers.handInId, id));
    expect(stored.map(({ check }) => check).sort()).toEqual([...failing].sort());
    expect(stored.every(({ waivedBy, waivedAt }) => waivedBy === teacher.id && waivedAt <= new Date())).toBe(
      true,
    );
    const line = { check: failing[0], reason: all[0].reason, by: teacher.name };
    expect((await inQueue(id))!.waivers).toEqual(expect.arrayContaining([expect.objectContaining(line)]));
    expect((await feedbackOf(test.db, projectId))!.waivers).toHaveLength(failing.length);
    const log = await test.db.select().from(auditLog).where(eq(auditLog.subjectId, id));
    expect(log.map(({ action }) => action)).toEqual(expect.arrayContaining(['approve', 'waive']));
  });
});

describe('undoing', () => {
  it('takes an approval back with its waivers and its place in the queue', async () => {
    const { id, solidHash } = await lastOf('Bruno');
    await undoDecision(test.db, teacher, id);
    expect(await lastOf('Bruno')).toMatchObject({ state: 'waiting', decidedBy: null, solidHash });
    expect(await inQueue(id)).toBeUndefined();
    expect(await test.db.select().from(printFiles).where(eq(printFiles.handInId, id))).toEqual([]);
    expect(await test.db.select().from(waivers).where(eq(waivers.handInId, id))).toEqual([]);
    await expect(undoDecision(test.db, teacher, id)).rejects.toThrow('no decision to undo');
  });

  it('takes sending back back, until the student has handed in again', async () => {
    const { id } = await lastOf('Dario');
    await undoDecision(test.db, teacher, id);
    expect(await lastOf('Dario')).toMatchObject({ state: 'waiting', comment: null });
    expect(await remarksOf(test.db, id)).toHaveLength(2);
    await sendBack(test.db, teacher, id, 'A wider hole.');
    await handInAnew('Dario', 'Sage');
    await expect(undoDecision(test.db, teacher, id)).rejects.toThrow('handed in again');
  });

  it('leaves an approval alone that was on a printer', async () => {
    const { id } = await lastOf('Jonah');
    await expect(undoDecision(test.db, teacher, id)).rejects.toThrow(/in batch \d+/);
    const femi = await lastOf('Femi');
    const entry = (await inQueue(femi.id))!;
    const { batchId } = await layBatch(test.db, teacher, [entry.id]);
    await expect(undoDecision(test.db, teacher, femi.id)).rejects.toThrow(/in batch \d+/);
    await discardBatch(test.db, teacher, batchId);
  });
});

describe('a version after an approval', () => {
  it('needs its own approval, and then takes the place of the one that waits; undone, that comes back', async () => {
    const first = await lastOf('Greta');
    const place = (await inQueue(first.id))!;
    const greta = await test.person('Greta');
    const { id, revision } = await test.projectOf(greta);
    await expect(handIn(test.db, greta, id, revision)).rejects.toThrow('approved already');

    const second = await handInAnew('Greta', 'Thyme');
    expect(second).toMatchObject({ number: 2, state: 'waiting' });
    expect((await inQueue(first.id))!.id).toBe(place.id);
    await approve(test.db, teacher, second.id, second.solidHash!);
    expect(await inQueue(first.id)).toBeUndefined();
    expect((await inQueue(second.id))!.id).toBe(place.id);
    const [{ hash }] = await test.db.select().from(printFiles).where(eq(printFiles.handInId, first.id));
    expect(hash).toBe(first.solidHash);

    await undoDecision(test.db, teacher, second.id);
    expect((await inQueue(first.id))!.id).toBe(place.id);
    expect(await test.db.$count(queueEntries, eq(queueEntries.id, place.id))).toBe(1);
  });
});

describe('several copies', () => {
  it('take a place in the queue each, are replaced together, and come back together', async () => {
    const first = await lastOf('Femi');
    const { briefId } = await test.projectOf(await test.person('Femi'));
    await test.db.update(briefs).set({ copies: 3 }).where(eq(briefs.id, briefId));
    const second = await handInAnew('Femi', 'Mint');
    await approve(test.db, teacher, second.id, second.solidHash!);
    const copiesOf = async (handInId: string) =>
      await test.db
        .select({ copy: queueEntries.copy, state: queueEntries.state })
        .from(queueEntries)
        .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
        .where(eq(printFiles.handInId, handInId))
        .orderBy(queueEntries.copy);
    const waiting = [1, 2, 3].map((copy) => ({ copy, state: 'waiting' }));
    expect(await copiesOf(second.id)).toEqual(waiting);
    expect(await copiesOf(first.id)).toEqual([]);
    await undoDecision(test.db, teacher, second.id);
    expect(await copiesOf(first.id)).toEqual(waiting);

    // One of them prints: that is where the project stands, until the last is printed.
    const { id } = await test.projectOf(await test.person('Femi'));
    const [file] = await test.db.select().from(printFiles).where(eq(printFiles.handInId, first.id));
    const stateWith = async (state: 'printing' | 'printed', copies: number[]) => {
      await test.db
        .update(queueEntries)
        .set({ state })
        .where(and(eq(queueEntries.printFileId, file.id), inArray(queueEntries.copy, copies)));
      return (await standings(test.db, [id])).get(id)!.state;
    };
    await test.db.delete(handIns).where(eq(handIns.id, second.id));
    expect(await stateWith('printing', [2])).toBe('printing');
    expect(await stateWith('printed', [1, 2])).toBe('approved');
    expect(await stateWith('printed', [3])).toBe('printed');
  });
});

describe('the stack', () => {
  it('shows a hand-in with the one before it', async () => {
    const { id } = await lastOf('Dario');
    const { before, stack } = await handInToReview(test.db, teacher, id);
    expect(before).toMatchObject({ number: 1, comment: 'A wider hole.', remarks: [{}, {}] });
    expect(stack).toContain(id);
  });

  it('approves together what passes everything, and says why another was not', async () => {
    const waiting = (await handInsToReview(test.db, teacher)).filter(({ state }) => state === 'waiting');
    const bruno = await lastOf('Bruno');
    expect(waiting.map(({ id }) => id)).toContain(bruno.id);
    const chosen = waiting.map(({ id, solidHash }) => ({ id, solidHash: solidHash! }));
    const passing = waiting.filter(({ verdict }) => verdict === 'pass');
    const { approved, refused } = await approveAll(test.db, teacher, chosen);
    expect(approved).toBe(passing.length);
    expect(refused).toContain('Bruno: It does not pass every check: open it to decide on it alone.');
    for (const { id } of passing) expect(await inQueue(id)).toBeDefined();
    await expect(approveAll(test.db, helper, chosen)).rejects.toThrow(NotAllowed);
  });
});
