import { and, eq, inArray } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { conflictsOf } from '@kelbrin/core/plate';
import { plateOf, gapOf } from '../../../shared/plate.ts';
import { NotAllowed } from '../../platform/auth/access.ts';
import { batches, handIns, batchParts, printFiles, runs } from '../../platform/db/schema/index.ts';
import { holdEntries } from '../queue/queue.ts';
import { BatchRoom } from '../../testing/batchRoom.ts';
import { endRun } from '../runs/endRun.ts';
import { noteOutcomes } from '../runs/outcomes.ts';
import { gcodeOfBatch } from './gcode.ts';
import { addToBatch, arrangeBatch, layBatch } from './laying.ts';
import { chooseForBatch, chooseForPart, discardBatch, movePart, takeOffBatch } from './changeBatch.ts';
import { fileOnBatch, batchToSee } from './batches.ts';
import { takeFileOut } from './takeFileOut.ts';
import { planBatch } from './planning.ts';
import { startBatch } from '../runs/startBatch.ts';
import { startChecks } from '../../../shared/startChecks.ts';

const room = BatchRoom.forTests();
const { waitingIds, statesOf } = room;

describe('laying', () => {
  it('is planned for a printer, for another, and for none', async () => {
    const [first] = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, [first], { plannedFor: room.birch.id });
    const plannedFor = async () => (await batchToSee(room.test.db, room.helper, batchId)).batch.plannedFor;
    expect(await plannedFor()).toBe(room.birch.id);
    await expect(planBatch(room.test.db, room.helper, batchId, 'nowhere')).rejects.toThrow(NotAllowed);
    await planBatch(room.test.db, room.helper, batchId, undefined);
    expect(await plannedFor()).toBeNull();
  });

  it('takes waiting parts onto one batch, where none is too near to another', async () => {
    const ids = await waitingIds();
    const { batchId, left } = await layBatch(room.test.db, room.helper, ids);
    expect(left).toBe(0);
    const { parts, batch } = await batchToSee(room.test.db, room.helper, batchId);
    const placed = parts.map((part) => ({ ...part, id: part.entryId }));
    expect(conflictsOf(placed, plateOf(parts[0].limits), gapOf(batch.choice))).toEqual({
      pairs: [],
      outside: [],
    });
    expect(await statesOf(ids)).toEqual(new Set(['laid']));
    await expect(layBatch(room.test.db, room.helper, ids)).rejects.toThrow('not waiting any more');
  });

  it('puts a part on one batch when two people lay it at once', async () => {
    const ids = await waitingIds();
    const results = await Promise.allSettled([1, 2, 3].map(() => layBatch(room.test.db, room.helper, ids)));
    expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(
      await room.test.db.$count(batchParts, and(inArray(batchParts.queueEntryId, ids), batchParts.isCurrent)),
    ).toBe(ids.length);
  });

  it('keeps materials apart, and leaves out what is held back', async () => {
    const [first, second] = await room.waiting();
    const [{ limits }] = await room.test.db.select().from(handIns).where(eq(handIns.id, second.handInId));
    await room.test.db
      .update(handIns)
      .set({ limits: { ...limits, material: 'PETG' } })
      .where(eq(handIns.id, second.handInId));
    await expect(layBatch(room.test.db, room.helper, [first.id, second.id])).rejects.toThrow(
      /is for PLA, .* for PETG: lay them/,
    );
    await room.test.db.update(handIns).set({ limits }).where(eq(handIns.id, second.handInId));

    await holdEntries(room.test.db, room.helper, [first.id], true);
    await expect(layBatch(room.test.db, room.helper, [first.id])).rejects.toThrow('not waiting any more');
    await holdEntries(room.test.db, room.helper, [first.id], false);
    expect((await layBatch(room.test.db, room.helper, [first.id])).left).toBe(0);
  });

  it('adds parts around those that are there, takes them off, and forgets an empty batch', async () => {
    const [first, ...others] = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, [first]);
    await movePart(room.test.db, room.helper, batchId, first, { xMm: 60, yMm: 60, turnDeg: 30 });
    expect(await addToBatch(room.test.db, room.helper, batchId, others)).toBe(0);
    const { parts } = await batchToSee(room.test.db, room.helper, batchId);
    expect(parts.find(({ entryId }) => entryId === first)).toMatchObject({ xMm: 60, yMm: 60, turnDeg: 30 });
    await takeOffBatch(room.test.db, room.helper, batchId, first);
    expect(await statesOf([first])).toEqual(new Set(['waiting']));
    for (const id of others) await takeOffBatch(room.test.db, room.helper, batchId, id);
    await expect(batchToSee(room.test.db, room.helper, batchId)).rejects.toThrow(NotAllowed);
  });

  it('refuses places and settings that cannot be', async () => {
    const [first] = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, [first]);
    await expect(movePart(room.test.db, room.helper, batchId, first, { xMm: NaN })).rejects.toThrow(
      'not on the plate',
    );
    await expect(chooseForBatch(room.test.db, room.helper, batchId, { infillShare: 7 })).rejects.toThrow(
      'cannot be',
    );
    await chooseForBatch(room.test.db, room.helper, batchId, { set: 'trial', infillShare: 0.5 });
    expect((await batchToSee(room.test.db, room.helper, batchId)).batch.choice).toEqual({
      set: 'trial',
      infillShare: 0.5,
    });
  });

  it('is for those who run the print room', async () => {
    const asha = await room.test.person('Asha');
    const ids = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, ids);
    const [{ fileId }] = (await batchToSee(room.test.db, room.helper, batchId)).parts;
    for (const refused of [
      layBatch(room.test.db, asha, ids),
      batchToSee(room.test.db, asha, batchId),
      arrangeBatch(room.test.db, asha, batchId),
      fileOnBatch(room.test.db, asha, batchId, fileId),
      discardBatch(room.test.db, asha, batchId),
      startBatch(room.test.db, asha, batchId, room.birch.id, startChecks),
    ]) {
      await expect(refused).rejects.toThrow(NotAllowed);
    }
    expect((await fileOnBatch(room.test.db, room.helper, batchId, fileId)).length).toBeGreaterThan(84);
  });
});

describe('starting', () => {
  it('refuses parts that lie on each other or over the edge, by the names of their students', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, ids);
    await movePart(room.test.db, room.helper, batchId, ids[0], { xMm: 1, yMm: 100, turnDeg: 0 });
    await expect(startBatch(room.test.db, room.helper, batchId, room.birch.id, startChecks)).rejects.toThrow(
      /part of Femi reaches over the edge/,
    );
    const { parts } = await batchToSee(room.test.db, room.helper, batchId);
    const [, { xMm, yMm, turnDeg, entryId }] = parts.toSorted((a) => (a.entryId === ids[0] ? -1 : 1));
    expect(entryId).not.toBe(ids[0]);
    await movePart(room.test.db, room.helper, batchId, ids[0], { xMm: xMm + 5, yMm, turnDeg });
    await expect(startBatch(room.test.db, room.helper, batchId, room.birch.id, startChecks)).rejects.toThrow(
      /too near to each other/,
    );
    expect(await arrangeBatch(room.test.db, room.helper, batchId)).toBe(0);
    await startBatch(room.test.db, room.helper, batchId, room.birch.id, startChecks);
    expect(await statesOf(ids)).toEqual(new Set(['printing']));
    await expect(
      movePart(room.test.db, room.helper, batchId, ids[0], { xMm: 50, yMm: 50, turnDeg: 0 }),
    ).rejects.toThrow('on a printer');

    const [run] = await room.test.db.select().from(runs).where(eq(runs.batchId, batchId));
    await endRun(room.test.db, run.id, { state: 'failed', problem: 'The heater failed.' });
    expect(await statesOf(ids)).toEqual(new Set(['laid']));
  });

  it('writes G-code that names each file with its hash and its student', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, ids);
    const { gcode, estimate } = await gcodeOfBatch(room.test.db, batchId);
    const { parts, batch } = await batchToSee(room.test.db, room.helper, batchId);
    for (const { student, hash } of parts) expect(gcode).toContain(`for ${student}, print file ${hash}`);
    expect(batch.estimate).toEqual(estimate);
    const alone = parts.reduce((sum, part) => sum + part.estimate.grams, 0);
    expect(estimate.grams / alone).toBeCloseTo(1, 1);
    await movePart(room.test.db, room.helper, batchId, ids[0], { xMm: 60, yMm: 60, turnDeg: 0 });
    expect((await batchToSee(room.test.db, room.helper, batchId)).batch.estimate).toBeNull();
  });

  it('prints one part otherwise than the others, and as they are again', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, ids);
    const before = await gcodeOfBatch(room.test.db, batchId);
    const grams = async () => (await gcodeOfBatch(room.test.db, batchId)).estimate.grams;
    await chooseForPart(room.test.db, room.helper, batchId, ids[0], { wallLines: 1, infillShare: 0 });
    const { gcode, estimate } = await gcodeOfBatch(room.test.db, batchId);
    expect(estimate.grams).toBeLessThan(before.estimate.grams - 0.1);
    expect(gcode).toContain('otherwise {"infillShare":0,"wallLines":1}');
    // The same for all takes as much off each of the others.
    await chooseForBatch(room.test.db, room.helper, batchId, {
      set: 'everyday',
      wallLines: 1,
      infillShare: 0,
    });
    expect(await grams()).toBeLessThan(estimate.grams - 0.1);
    await chooseForBatch(room.test.db, room.helper, batchId, { set: 'everyday' });
    await chooseForPart(room.test.db, room.helper, batchId, ids[0], {});
    expect(await grams()).toBeCloseTo(before.estimate.grams, 6);

    const asked = { layerMm: 0.3 };
    await expect(chooseForPart(room.test.db, room.helper, batchId, ids[0], asked)).rejects.toThrow(
      'cannot be used',
    );
    await expect(chooseForPart(room.test.db, room.helper, batchId, batchId, {})).rejects.toThrow(NotAllowed);
    const asha = await room.test.person('Asha');
    await expect(chooseForPart(room.test.db, asha, batchId, ids[0], {})).rejects.toThrow();
  });

  it('prints parts one after another where the head gets between them, and not where it would touch them', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, ids);
    await chooseForBatch(room.test.db, room.helper, batchId, { set: 'everyday', isOneByOne: true });
    const near = /Between the parts of \w+ and \w+ the print head needs 35/;
    await expect(gcodeOfBatch(room.test.db, batchId)).rejects.toThrow(near);
    await expect(startBatch(room.test.db, room.helper, batchId, room.birch.id, startChecks)).rejects.toThrow(
      near,
    );
    await arrangeBatch(room.test.db, room.helper, batchId);
    const { gcode } = await gcodeOfBatch(room.test.db, batchId);
    const heights = [...gcode.matchAll(/^G0 Z([\d.]+)/gm)].map(([, z]) => Number(z));
    const { parts } = await batchToSee(room.test.db, room.helper, batchId);
    expect(heights.filter((z) => z === 0.2)).toHaveLength(parts.length);
    // Where its colours change at a height they grow together, wherever they lie.
    await chooseForBatch(room.test.db, room.helper, batchId, {
      set: 'everyday',
      isOneByOne: true,
      colourChangesMm: [1],
    });
    const together = (await gcodeOfBatch(room.test.db, batchId)).gcode;
    expect([...together.matchAll(/^G0 Z0\.2 /gm)]).toHaveLength(1);
  });

  it('writes G-code that stops where the colours of its parts change, unless other heights were chosen', async () => {
    const ids = await waitingIds();
    const { batchId } = await layBatch(room.test.db, room.helper, ids);
    const [{ fileId }] = (await batchToSee(room.test.db, room.helper, batchId)).parts;
    const colours = [
      { fromMm: 0, colour: 'leafGreen' as const },
      { fromMm: 1.4, colour: 'chalkWhite' as const },
    ];
    await room.test.db.update(printFiles).set({ colours }).where(eq(printFiles.id, fileId));
    const stops = (gcode: string) => gcode.split('\n').filter((line) => line.startsWith('M600')).length;
    const coloured = await gcodeOfBatch(room.test.db, batchId);
    expect(stops(coloured.gcode)).toBe(1);
    expect(coloured.gcode).toContain('begins in leafGreen');
    expect(coloured.gcode).toContain('from 1.4 mm up in chalkWhite');
    expect(coloured.estimate.colourGrams).toHaveLength(2);
    await chooseForBatch(room.test.db, room.helper, batchId, {
      set: 'everyday',
      colourChangesMm: [0.8, 1.8],
    });
    expect(stops((await gcodeOfBatch(room.test.db, batchId)).gcode)).toBe(2);
    await room.test.db.update(printFiles).set({ colours: [] }).where(eq(printFiles.id, fileId));
  });
});

// Last, since a file goes out of the queue for good.
it('a batch that was tried is kept with its tries, however its parts come off, and takes them in again', async () => {
  const { db } = room.test;
  const [first, second] = await waitingIds();
  const tried = async (...ids: string[]) => {
    const { batchId } = await layBatch(db, room.helper, ids);
    await startBatch(db, room.helper, batchId, room.birch.id, startChecks);
    const [run] = await db.select().from(runs).where(eq(runs.batchId, batchId));
    await endRun(db, run.id, { state: 'failed', problem: 'It stopped.' });
    return batchId;
  };
  const kept = async (batchId: string) => [
    (await db.select().from(batches).where(eq(batches.id, batchId))).map(({ state }) => state),
    await db.$count(runs, eq(runs.batchId, batchId)),
  ];
  const batchId = await tried(first, second);
  await takeOffBatch(db, room.helper, batchId, first);
  expect(await statesOf([first])).toEqual(new Set(['waiting']));
  expect(await addToBatch(db, room.helper, batchId, [first])).toBe(0);
  expect(await statesOf([first])).toEqual(new Set(['laid']));
  for (const id of [first, second]) await takeOffBatch(db, room.helper, batchId, id);
  expect(await statesOf([first, second])).toEqual(new Set(['waiting']));
  expect(await kept(batchId)).toEqual([['discarded'], 1]);

  // The file of its only part goes out of the queue, as when its approval ends.
  const other = await tried(first);
  const [{ fileId }] = (await batchToSee(db, room.helper, other)).parts;
  await takeFileOut(db, room.helper, fileId);
  expect(await kept(other)).toEqual([['discarded'], 1]);
  // What came of a part is asked where it was printed to the end alone.
  await expect(
    noteOutcomes(db, room.helper, batchId, [{ entry: second, outcome: 'good' }], new Map()),
  ).rejects.toThrow('not printed');
});
