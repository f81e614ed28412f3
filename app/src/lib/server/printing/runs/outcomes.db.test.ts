import { and, desc, eq } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { NotAllowed } from '../../platform/auth/access.ts';
import { notices, batchParts, batches, printFiles, queueEntries } from '../../platform/db/schema/index.ts';
import { dropEntries, repeatPrint } from '../queue/queue.ts';
import { wholeQueue } from '../../testing/wholeQueue.ts';
import { standings } from '../../projects/projects.ts';
import { school } from '../../demo/school.ts';
import { undoDecision } from '../../review/decide.ts';
import { BatchRoom } from '../../testing/batchRoom.ts';
import { onePixel } from '../../testing/onePixel.ts';
import { correctionsOf, handOut, noteOutcomes, outcomePhoto } from './outcomes.ts';
import { layBatch } from '../batches/laying.ts';
import { takeOffBatch } from '../batches/changeBatch.ts';
import { openBatches, batchToSee } from '../batches/batches.ts';
import { printFigures } from './printFigures.ts';

const room = BatchRoom.forTests();
const { waitingIds, statesOf, printed } = room;
/** Writes down what came of one part. */
const noteOne = (batchId: string, entry: string, data: object, photo?: Uint8Array) =>
  noteOutcomes(
    room.test.db,
    room.helper,
    batchId,
    [{ entry, isCorrection: true, ...data }],
    new Map(photo ? [[entry, photo]] : []),
  );

describe('what came of it', () => {
  it('is written down for each part; a failed one waits again or goes back to its student', async () => {
    const ids = await waitingIds();
    const batchId = await printed(ids);
    expect(await statesOf(ids)).toEqual(new Set(['printed']));
    const note = (id: string, data: object, photo?: Uint8Array) => noteOne(batchId, id, data, photo);
    await expect(note(ids[0], { outcome: 'loose' })).rejects.toThrow(
      'printed again, goes back to its student, or to its teacher',
    );
    await expect(note(ids[0], { outcome: 'excellent' })).rejects.toThrow('Say what came of the part.');
    await expect(note(ids[0], { outcome: 'tight', next: 'student' })).rejects.toThrow(
      'what the student should change',
    );
    await expect(note(ids[0], { outcome: 'good' }, new Uint8Array([1, 2, 3]))).rejects.toThrow(
      'no PNG, JPEG or WebP',
    );

    const png = onePixel;
    await expect(note(ids[0], { outcome: 'good', measuredMm: '70 by 25' })).rejects.toThrow(
      'as up to three numbers, such as 69.8 × 25.1 × 2.4',
    );
    const [width, depth] = (await batchToSee(room.test.db, room.helper, batchId)).parts.find(
      ({ entryId }) => entryId === ids[0],
    )!.designedMm!;
    const measuredMm = `${String(width - 0.2).replace('.', ',')} mm × ${depth + 0.1}`;
    await note(ids[0], { outcome: 'good', note: 'hole 4.1 mm', measuredMm }, png);
    expect(
      Buffer.from(await outcomePhoto(room.test.db, room.helper, batchId, ids[0])).equals(Buffer.from(png)),
    ).toBe(true);
    // A slip of the hand is corrected: what was to follow from it follows no more, and the photo stays.
    await note(ids[0], { outcome: 'loose', next: 'again', measuredMm });
    expect(await statesOf([ids[0]])).toEqual(new Set(['waiting']));
    await note(ids[0], { outcome: 'good', note: 'hole 4.1 mm', measuredMm });
    expect(await statesOf([ids[0]])).toEqual(new Set(['printed']));
    expect((await outcomePhoto(room.test.db, room.helper, batchId, ids[0])).length).toBe(png.length);

    await note(ids[1], { outcome: 'knocked', next: 'again' });
    expect(await statesOf([ids[1]])).toEqual(new Set(['waiting']));
    expect(await waitingIds()).toEqual([ids[1]]);

    const { parts } = await batchToSee(room.test.db, room.helper, batchId);
    const third = parts.find(({ entryId }) => entryId === ids[2])!;
    await note(ids[2], { outcome: 'tight', note: 'The hole is too tight for the cane.', next: 'student' });
    expect((await standings(room.test.db, [third.projectId])).get(third.projectId)).toMatchObject({
      state: 'sent_back',
      comment: 'The hole is too tight for the cane.',
    });
    expect(await room.test.db.$count(notices, eq(notices.kind, 'sent_back'))).toBeGreaterThan(0);
    await expect(note(ids[2], { outcome: 'good' })).rejects.toThrow('Undo that in the review first');
    const figures = await printFigures(room.test.db, room.helper);
    const ofBirch = figures.worked.find(({ printer }) => printer === 'Birch')!;
    expect(ofBirch.sizes).toEqual({ medianMm: expect.closeTo(-0.05, 6), count: 2 });
    expect(figures.byPrinter).toEqual([{ name: 'Birch', usable: 1, all: 3 }]);
    expect(figures.failures.map(({ outcome }) => outcome).toSorted()).toEqual(['knocked', 'tight']);
    expect(figures.byVerdict.reduce((sum, { all }) => sum + all, 0)).toBe(3);
    expect(figures.worked.find(({ printer }) => printer === 'Alder')).toMatchObject({ runs: 2, finished: 2 });
    await expect(printFigures(room.test.db, await room.test.person('Asha'))).rejects.toThrow(NotAllowed);
    const outcomes = (await batchToSee(room.test.db, room.helper, batchId)).parts.map(
      ({ outcome }) => outcome,
    );
    expect(outcomes.toSorted()).toEqual(['good', 'knocked', 'tight']);
  });

  it('stays once the part is in another batch, or was taken out of the queue', async () => {
    const [id] = await waitingIds();
    const batchId = await printed([id]);
    const note = (data: object) => noteOne(batchId, id, data);
    await note({ outcome: 'loose', next: 'again' });
    await dropEntries(room.test.db, await room.test.person('Ms Fenwick'), [id], true);
    await expect(note({ outcome: 'good' })).rejects.toThrow('taken out of the queue');
    await dropEntries(room.test.db, await room.test.person('Ms Fenwick'), [id], false);
    const second = await layBatch(room.test.db, room.helper, [id]);
    await expect(note({ outcome: 'good' })).rejects.toThrow('in another batch since');
    await takeOffBatch(room.test.db, room.helper, second.batchId, id);
    expect(await statesOf([id])).toEqual(new Set(['waiting']));
  });

  it('is asked of printed batches alone', async () => {
    const [id] = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, [id]);
    await expect(noteOne(batchId, id, { outcome: 'good' })).rejects.toThrow('not printed yet');
  });

  it('batches are numbered, and a file is printed as it was approved', async () => {
    const all = await room.test.db.select().from(batches);
    expect(new Set(all.map(({ number }) => number)).size).toBe(all.length);
    const files = await room.test.db.select().from(printFiles);
    for (const { footprint } of files) expect(footprint.length).toBeGreaterThan(0);
  });

  it('is what an approval waits for that is to be undone, unless the part is only laid', async () => {
    const [id] = await waitingIds();
    const handInOf = async () =>
      (await wholeQueue(room.test.db, room.helper)).find((entry) => entry.id === id)!.handInId;
    const handInId = await handInOf();
    const teacher = await room.test.person(school.teacher.name);
    const { batchId } = await layBatch(room.test.db, room.helper, [id]);
    const { batch } = await batchToSee(room.test.db, room.helper, batchId);
    await expect(undoDecision(room.test.db, teacher, handInId)).rejects.toThrow(
      `It is in batch ${batch.number}: take it off there first`,
    );
    await takeOffBatch(room.test.db, room.helper, batchId, id);
    const [other] = await room.test.db
      .select({ number: batches.number, handInId: printFiles.handInId })
      .from(batchParts)
      .innerJoin(batches, and(eq(batches.id, batchParts.batchId), eq(batches.state, 'printed')))
      .innerJoin(
        queueEntries,
        and(eq(queueEntries.id, batchParts.queueEntryId), eq(queueEntries.state, 'printed')),
      )
      .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
      .orderBy(desc(batches.number));
    await expect(undoDecision(room.test.db, teacher, other.handInId)).rejects.toThrow(
      `It went to a printer in batch ${other.number}, so the approval stands.`,
    );
  });

  it('that sends a part back takes its other copies out of queue and batches, and is undone to what was printed', async () => {
    const [id] = await waitingIds();
    const batchId = await printed([id]);
    await repeatPrint(room.test.db, room.helper, id);
    await repeatPrint(room.test.db, room.helper, id);
    const copies = async () => {
      const [{ printFileId }] = await room.test.db.select().from(queueEntries).where(eq(queueEntries.id, id));
      return room.test.db.select().from(queueEntries).where(eq(queueEntries.printFileId, printFileId));
    };
    const [, second] = (await copies()).toSorted((a, b) => a.copy - b.copy);
    await layBatch(room.test.db, room.helper, [second.id]);
    expect((await copies()).map(({ state }) => state).toSorted()).toEqual(['laid', 'printed', 'waiting']);
    const note = 'Make the hole wider.';
    await noteOne(batchId, id, { outcome: 'tight', note, next: 'student' });
    expect((await copies()).map(({ state }) => state)).toEqual(['printed']);
    expect((await openBatches(room.test.db, room.helper)).filter(({ state }) => state === 'laid')).toEqual(
      [],
    );
    await expect(repeatPrint(room.test.db, room.helper, id)).rejects.toThrow('went back to its student');

    const [{ handInId, projectId }] = (await batchToSee(room.test.db, room.helper, batchId)).parts;
    const stands = async () => (await standings(room.test.db, [projectId])).get(projectId);
    expect(await stands()).toMatchObject({ state: 'sent_back', comment: note });
    await undoDecision(room.test.db, await room.test.person(school.teacher.name), handInId);
    expect(await stands()).toMatchObject({ state: 'printed', comment: undefined });
  });

  it('is written down for a whole batch at once, or for none of it, and keeps what is corrected', async () => {
    // Of parts that were printed, one more is printed.
    for (const entry of await room.test.db
      .select()
      .from(queueEntries)
      .where(eq(queueEntries.state, 'printed')))
      await repeatPrint(room.test.db, room.helper, entry.id).catch(() => {});
    const ids = (await waitingIds()).slice(0, 3);
    expect(ids).toHaveLength(3);
    const batchId = await printed(ids);
    const all = (changes: Record<string, object> = {}) =>
      noteOutcomes(
        room.test.db,
        room.helper,
        batchId,
        ids.map((entry) => ({ entry, outcome: 'good', ...changes[entry] })),
      );
    const outcomes = async () =>
      (await batchToSee(room.test.db, room.helper, batchId)).parts.map(({ outcome }) => outcome);
    const [first, last] = [ids[0], ids.at(-1)!];
    const { parts: before } = await batchToSee(room.test.db, room.helper, batchId);
    const { projectId } = before.find(({ entryId }) => entryId === last)!;
    /** How many people were told that the last of them failed. */
    const told = () =>
      room.test.db.$count(notices, and(eq(notices.kind, 'print_failed'), eq(notices.projectId, projectId)));
    await expect(all({ [last]: { outcome: 'broke', next: 'student' } })).rejects.toThrow('in the note');
    await expect(all({ [last]: { entry: first.replace(/.$/, '0') } })).rejects.toThrow();
    expect(new Set(await outcomes())).toEqual(new Set([null]));

    await all({ [last]: { outcome: 'broke', next: 'teacher', note: 'The ring is off.' } });
    expect(await statesOf([last])).toEqual(new Set(['waiting']));
    expect(
      (await wholeQueue(room.test.db, room.helper)).find(({ id }) => id === last)!.heldAt,
    ).not.toBeNull();
    expect(await room.test.db.$count(notices, eq(notices.kind, 'part_failed'))).toBe(1);
    expect(await told()).toBeGreaterThan(0);
    // Somebody who has not seen it writes nothing over; who has, may.
    await expect(all()).rejects.toThrow('Somebody has written down meanwhile');
    await noteOne(batchId, last, { outcome: 'sanded' });
    expect(await statesOf([last])).toEqual(new Set(['printed']));
    expect(await told()).toBe(0);
    expect(await correctionsOf(room.test.db, batchId)).toMatchObject([
      { entryId: last, outcome: 'broke', note: 'The ring is off.', by: 'Mr Oduya', correctedBy: 'Mr Oduya' },
    ]);

    await handOut(room.test.db, room.helper, batchId, first);
    await handOut(room.test.db, room.helper, batchId);
    await expect(handOut(room.test.db, room.helper, batchId)).rejects.toThrow('nothing to hand out');
    const { parts } = await batchToSee(room.test.db, room.helper, batchId);
    expect(parts.every(({ handedOutAt }) => handedOutAt !== null)).toBe(true);
    await expect(handOut(room.test.db, await room.test.person('Asha'), batchId)).rejects.toThrow(NotAllowed);
  });
});
