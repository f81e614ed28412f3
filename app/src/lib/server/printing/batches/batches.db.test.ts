import { and, desc, eq, inArray } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { conflictsOf } from '@kelbrin/core/plate';
import { plateOf, gapOf } from '../../../shared/plate.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import {
  handIns,
  notices,
  batchParts,
  batches,
  printers,
  printFiles,
  queueEntries,
  runs,
} from '../../platform/db/schema/index.ts';
import { dropEntry, holdEntry, queue, repeatPrint } from '../queue/queue.ts';
import { standings } from '../../projects/projects.ts';
import { school } from '../../demo/school.ts';
import { undoDecision } from '../../review/decide.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { onePixel } from '../../testing/onePixel.ts';
import { endRun } from '../runs/endRun.ts';
import { gcodeOfBatch } from './gcode.ts';
import { noteOutcome, outcomePhoto } from '../runs/outcomes.ts';
import { addToBatch, arrangeBatch, layBatch } from './laying.ts';
import { chooseForBatch, discardBatch, movePart, takeOffBatch } from './changeBatch.ts';
import { fileOnBatch, openBatches, batchToSee } from './batches.ts';
import { planBatch } from './planning.ts';
import { printFigures } from '../runs/printFigures.ts';
import { startBatch } from '../runs/startBatch.ts';
import { startChecks } from '../../../shared/startChecks.ts';

let test: TestDatabase;
let helper: Person;
let birch: typeof printers.$inferSelect;

beforeAll(async () => {
  test = await demoSchool();
  helper = await test.person('Mr Oduya');
  const [found] = await test.db.select().from(printers).where(eq(printers.name, 'Birch'));
  birch = found;
  const status = { online: true, nozzleC: 20, nozzleTargetC: 0, bedC: 20, bedTargetC: 0 };
  await test.db.update(printers).set({ status });
});
afterAll(async () => {
  await compute().close();
  await test.drop();
});
beforeEach(async () => {
  for (const { id } of await openBatches(test.db, helper)) {
    await discardBatch(test.db, helper, id).catch(() => {});
  }
});

const waiting = async () =>
  (await queue(test.db, helper)).filter(({ state, heldAt }) => state === 'waiting' && !heldAt);
const waitingIds = async () => (await waiting()).map(({ id }) => id);
const statesOf = async (ids: string[]) => {
  const rows = await test.db.select().from(queueEntries).where(inArray(queueEntries.id, ids));
  return new Set(rows.map(({ state }) => state));
};
const printed = async (ids: string[]) => {
  const { batchId } = await layBatch(test.db, helper, ids);
  await startBatch(test.db, helper, batchId, birch.id, startChecks);
  const [run] = await test.db.select().from(runs).where(eq(runs.batchId, batchId));
  await endRun(test.db, run.id, { state: 'finished' });
  return batchId;
};

describe('laying', () => {
  it('is planned for a printer, for another, and for none', async () => {
    const [first] = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, [first], { plannedFor: birch.id });
    const plannedFor = async () => (await batchToSee(test.db, helper, batchId)).batch.plannedFor;
    expect(await plannedFor()).toBe(birch.id);
    await expect(planBatch(test.db, helper, batchId, 'nowhere')).rejects.toThrow(NotAllowed);
    await planBatch(test.db, helper, batchId, undefined);
    expect(await plannedFor()).toBeNull();
  });

  it('takes waiting parts onto one batch, where none is too near to another', async () => {
    const ids = await waitingIds();
    const { batchId, left } = await layBatch(test.db, helper, ids);
    expect(left).toBe(0);
    const { parts, batch } = await batchToSee(test.db, helper, batchId);
    const placed = parts.map((part) => ({ ...part, id: part.entryId }));
    expect(conflictsOf(placed, plateOf(parts[0].limits), gapOf(batch.choice))).toEqual({
      pairs: [],
      outside: [],
    });
    expect(await statesOf(ids)).toEqual(new Set(['laid']));
    await expect(layBatch(test.db, helper, ids)).rejects.toThrow('not waiting any more');
  });

  it('puts a part on one batch when two people lay it at once', async () => {
    const ids = await waitingIds();
    const results = await Promise.allSettled([1, 2, 3].map(() => layBatch(test.db, helper, ids)));
    expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(
      await test.db.$count(batchParts, and(inArray(batchParts.queueEntryId, ids), batchParts.isCurrent)),
    ).toBe(ids.length);
  });

  it('keeps materials apart, and leaves out what is held back', async () => {
    const [first, second] = await waiting();
    const [{ limits }] = await test.db.select().from(handIns).where(eq(handIns.id, second.handInId));
    await test.db
      .update(handIns)
      .set({ limits: { ...limits, material: 'PETG' } })
      .where(eq(handIns.id, second.handInId));
    await expect(layBatch(test.db, helper, [first.id, second.id])).rejects.toThrow(
      /is for PLA, .* for PETG: lay them/,
    );
    await test.db.update(handIns).set({ limits }).where(eq(handIns.id, second.handInId));

    await holdEntry(test.db, helper, first.id, true);
    await expect(layBatch(test.db, helper, [first.id])).rejects.toThrow('not waiting any more');
    await holdEntry(test.db, helper, first.id, false);
    expect((await layBatch(test.db, helper, [first.id])).left).toBe(0);
  });

  it('adds parts around those that are there, takes them off, and forgets an empty batch', async () => {
    const [first, ...others] = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, [first]);
    await movePart(test.db, helper, batchId, first, { xMm: 60, yMm: 60, turnDeg: 30 });
    expect(await addToBatch(test.db, helper, batchId, others)).toBe(0);
    const { parts } = await batchToSee(test.db, helper, batchId);
    expect(parts.find(({ entryId }) => entryId === first)).toMatchObject({ xMm: 60, yMm: 60, turnDeg: 30 });
    await takeOffBatch(test.db, helper, batchId, first);
    expect(await statesOf([first])).toEqual(new Set(['waiting']));
    for (const id of others) await takeOffBatch(test.db, helper, batchId, id);
    await expect(batchToSee(test.db, helper, batchId)).rejects.toThrow(NotAllowed);
  });

  it('refuses places and settings that cannot be', async () => {
    const [first] = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, [first]);
    await expect(movePart(test.db, helper, batchId, first, { xMm: NaN })).rejects.toThrow('not on the plate');
    await expect(chooseForBatch(test.db, helper, batchId, { infillShare: 7 })).rejects.toThrow('cannot be');
    await chooseForBatch(test.db, helper, batchId, { set: 'trial', infillShare: 0.5 });
    expect((await batchToSee(test.db, helper, batchId)).batch.choice).toEqual({
      set: 'trial',
      infillShare: 0.5,
    });
  });

  it('is for those who run the print room', async () => {
    const asha = await test.person('Asha');
    const ids = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, ids);
    const [{ fileId }] = (await batchToSee(test.db, helper, batchId)).parts;
    for (const refused of [
      layBatch(test.db, asha, ids),
      batchToSee(test.db, asha, batchId),
      arrangeBatch(test.db, asha, batchId),
      fileOnBatch(test.db, asha, batchId, fileId),
      discardBatch(test.db, asha, batchId),
      startBatch(test.db, asha, batchId, birch.id, startChecks),
    ]) {
      await expect(refused).rejects.toThrow(NotAllowed);
    }
    expect((await fileOnBatch(test.db, helper, batchId, fileId)).length).toBeGreaterThan(84);
  });
});

describe('starting', () => {
  it('refuses parts that lie on each other or over the edge, by the names of their students', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, ids);
    await movePart(test.db, helper, batchId, ids[0], { xMm: 1, yMm: 100, turnDeg: 0 });
    await expect(startBatch(test.db, helper, batchId, birch.id, startChecks)).rejects.toThrow(
      /part of Femi reaches over the edge/,
    );
    const { parts } = await batchToSee(test.db, helper, batchId);
    const [, { xMm, yMm, turnDeg, entryId }] = parts.toSorted((a) => (a.entryId === ids[0] ? -1 : 1));
    expect(entryId).not.toBe(ids[0]);
    await movePart(test.db, helper, batchId, ids[0], { xMm: xMm + 5, yMm, turnDeg });
    await expect(startBatch(test.db, helper, batchId, birch.id, startChecks)).rejects.toThrow(
      /too near to each other/,
    );
    expect(await arrangeBatch(test.db, helper, batchId)).toBe(0);
    await startBatch(test.db, helper, batchId, birch.id, startChecks);
    expect(await statesOf(ids)).toEqual(new Set(['printing']));
    await expect(
      movePart(test.db, helper, batchId, ids[0], { xMm: 50, yMm: 50, turnDeg: 0 }),
    ).rejects.toThrow('on a printer');

    const [run] = await test.db.select().from(runs).where(eq(runs.batchId, batchId));
    await endRun(test.db, run.id, { state: 'failed', problem: 'The heater failed.' });
    expect(await statesOf(ids)).toEqual(new Set(['laid']));
  });

  it('writes G-code that names each file with its hash and its student', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, ids);
    const { gcode, estimate } = await gcodeOfBatch(test.db, batchId);
    const { parts, batch } = await batchToSee(test.db, helper, batchId);
    for (const { student, hash } of parts) expect(gcode).toContain(`for ${student}, print file ${hash}`);
    expect(batch.estimate).toEqual(estimate);
    const alone = parts.reduce((sum, part) => sum + part.estimate.grams, 0);
    expect(estimate.grams / alone).toBeCloseTo(1, 1);
    await movePart(test.db, helper, batchId, ids[0], { xMm: 60, yMm: 60, turnDeg: 0 });
    expect((await batchToSee(test.db, helper, batchId)).batch.estimate).toBeNull();
  });
});

describe('what came of it', () => {
  it('is written down for each part; a failed one waits again or goes back to its student', async () => {
    const ids = await waitingIds();
    const batchId = await printed(ids);
    expect(await statesOf(ids)).toEqual(new Set(['printed']));
    const note = (id: string, data: object, photo?: Uint8Array) =>
      noteOutcome(test.db, helper, batchId, id, data, photo);
    await expect(note(ids[0], { outcome: 'loose' })).rejects.toThrow('printed again or goes back');
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
    const [width, depth] = (await batchToSee(test.db, helper, batchId)).parts.find(
      ({ entryId }) => entryId === ids[0],
    )!.designedMm!;
    const measuredMm = `${String(width - 0.2).replace('.', ',')} mm × ${depth + 0.1}`;
    await note(ids[0], { outcome: 'good', note: 'hole 4.1 mm', measuredMm }, png);
    expect(Buffer.from(await outcomePhoto(test.db, helper, batchId, ids[0])).equals(Buffer.from(png))).toBe(
      true,
    );
    // A slip of the hand is corrected: what was to follow from it follows no more, and the photo stays.
    await note(ids[0], { outcome: 'loose', next: 'again', measuredMm });
    expect(await statesOf([ids[0]])).toEqual(new Set(['waiting']));
    await note(ids[0], { outcome: 'good', note: 'hole 4.1 mm', measuredMm });
    expect(await statesOf([ids[0]])).toEqual(new Set(['printed']));
    expect((await outcomePhoto(test.db, helper, batchId, ids[0])).length).toBe(png.length);

    await note(ids[1], { outcome: 'knocked', next: 'again' });
    expect(await statesOf([ids[1]])).toEqual(new Set(['waiting']));
    expect(await waitingIds()).toEqual([ids[1]]);

    const { parts } = await batchToSee(test.db, helper, batchId);
    const third = parts.find(({ entryId }) => entryId === ids[2])!;
    await note(ids[2], { outcome: 'tight', note: 'The hole is too tight for the cane.', next: 'student' });
    expect((await standings(test.db, [third.projectId])).get(third.projectId)).toMatchObject({
      state: 'sent_back',
      comment: 'The hole is too tight for the cane.',
    });
    expect(await test.db.$count(notices, eq(notices.kind, 'sent_back'))).toBeGreaterThan(0);
    await expect(note(ids[2], { outcome: 'good' })).rejects.toThrow('Undo that in the review first');
    const figures = await printFigures(test.db, helper);
    const birch = figures.worked.find(({ printer }) => printer === 'Birch')!;
    expect(birch.sizes).toEqual({ medianMm: expect.closeTo(-0.05, 6), count: 2 });
    expect(figures.byPrinter).toEqual([{ name: 'Birch', usable: 1, all: 3 }]);
    expect(figures.failures.map(({ outcome }) => outcome).toSorted()).toEqual(['knocked', 'tight']);
    expect(figures.byVerdict.reduce((sum, { all }) => sum + all, 0)).toBe(3);
    expect(figures.worked.find(({ printer }) => printer === 'Alder')).toMatchObject({ runs: 2, finished: 2 });
    await expect(printFigures(test.db, await test.person('Asha'))).rejects.toThrow(NotAllowed);
    const outcomes = (await batchToSee(test.db, helper, batchId)).parts.map(({ outcome }) => outcome);
    expect(outcomes.toSorted()).toEqual(['good', 'knocked', 'tight']);
  });

  it('stays once the part is in another batch, or was taken out of the queue', async () => {
    const [id] = await waitingIds();
    const batchId = await printed([id]);
    const note = (data: object) => noteOutcome(test.db, helper, batchId, id, data);
    await note({ outcome: 'loose', next: 'again' });
    await dropEntry(test.db, await test.person('Ms Fenwick'), id, true);
    await expect(note({ outcome: 'good' })).rejects.toThrow('taken out of the queue');
    await dropEntry(test.db, await test.person('Ms Fenwick'), id, false);
    const second = await layBatch(test.db, helper, [id]);
    await expect(note({ outcome: 'good' })).rejects.toThrow('in another batch since');
    await takeOffBatch(test.db, helper, second.batchId, id);
    expect(await statesOf([id])).toEqual(new Set(['waiting']));
  });

  it('is asked of printed batches alone', async () => {
    const [id] = await waitingIds();
    const { batchId } = await layBatch(test.db, helper, [id]);
    await expect(noteOutcome(test.db, helper, batchId, id, { outcome: 'good' })).rejects.toThrow(
      'not printed yet',
    );
  });

  it('batches are numbered, and a file is printed as it was approved', async () => {
    const all = await test.db.select().from(batches);
    expect(new Set(all.map(({ number }) => number)).size).toBe(all.length);
    const files = await test.db.select().from(printFiles);
    for (const { footprint } of files) expect(footprint.length).toBeGreaterThan(0);
  });

  it('is what an approval waits for that is to be undone, unless the part is only laid', async () => {
    const [id] = await waitingIds();
    const handInOf = async () => (await queue(test.db, helper)).find((entry) => entry.id === id)!.handInId;
    const handInId = await handInOf();
    const teacher = await test.person(school.teacher.name);
    const { batchId } = await layBatch(test.db, helper, [id]);
    const { batch } = await batchToSee(test.db, helper, batchId);
    await expect(undoDecision(test.db, teacher, handInId)).rejects.toThrow(
      `It is in batch ${batch.number}: take it off there first`,
    );
    await takeOffBatch(test.db, helper, batchId, id);
    const [other] = await test.db
      .select({ number: batches.number, handInId: printFiles.handInId })
      .from(batchParts)
      .innerJoin(batches, and(eq(batches.id, batchParts.batchId), eq(batches.state, 'printed')))
      .innerJoin(
        queueEntries,
        and(eq(queueEntries.id, batchParts.queueEntryId), eq(queueEntries.state, 'printed')),
      )
      .innerJoin(printFiles, eq(printFiles.id, queueEntries.printFileId))
      .orderBy(desc(batches.number));
    await expect(undoDecision(test.db, teacher, other.handInId)).rejects.toThrow(
      `It went to a printer in batch ${other.number}, so the approval stands.`,
    );
  });

  it('that sends a part back takes its other copies out of queue and batches, and is undone to what was printed', async () => {
    const [id] = await waitingIds();
    const batchId = await printed([id]);
    await repeatPrint(test.db, helper, id);
    await repeatPrint(test.db, helper, id);
    const copies = async () => {
      const [{ printFileId }] = await test.db.select().from(queueEntries).where(eq(queueEntries.id, id));
      return test.db.select().from(queueEntries).where(eq(queueEntries.printFileId, printFileId));
    };
    const [, second] = (await copies()).toSorted((a, b) => a.copy - b.copy);
    await layBatch(test.db, helper, [second.id]);
    expect((await copies()).map(({ state }) => state).toSorted()).toEqual(['laid', 'printed', 'waiting']);
    const note = 'Make the hole wider.';
    await noteOutcome(test.db, helper, batchId, id, { outcome: 'tight', note, next: 'student' });
    expect((await copies()).map(({ state }) => state)).toEqual(['printed']);
    expect((await openBatches(test.db, helper)).filter(({ state }) => state === 'laid')).toEqual([]);
    await expect(repeatPrint(test.db, helper, id)).rejects.toThrow('went back to its student');

    const [{ handInId, projectId }] = (await batchToSee(test.db, helper, batchId)).parts;
    const stands = async () => (await standings(test.db, [projectId])).get(projectId);
    expect(await stands()).toMatchObject({ state: 'sent_back', comment: note });
    await undoDecision(test.db, await test.person(school.teacher.name), handInId);
    expect(await stands()).toMatchObject({ state: 'printed', comment: undefined });
  });
});
