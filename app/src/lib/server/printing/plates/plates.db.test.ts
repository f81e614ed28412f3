import { and, eq, inArray } from 'drizzle-orm';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { conflictsOf } from '@kelbrin/core/plate';
import { bedOf, gapOf } from '../../../shared/plate.ts';
import { NotAllowed, type Person } from '../../platform/auth/access.ts';
import { compute } from '../../platform/compute/compute.ts';
import {
  handIns,
  notices,
  plateParts,
  plates,
  printers,
  printFiles,
  queueEntries,
  runs,
} from '../../platform/db/schema/index.ts';
import { holdEntry, queue, repeatPrint } from '../queue/queue.ts';
import { standings } from '../../projects/projects.ts';
import { school } from '../../demo/school.ts';
import { undoDecision } from '../../review/decide.ts';
import { demoSchool, type TestDatabase } from '../../testing/database.ts';
import { onePixel } from '../../testing/onePixel.ts';
import { endRun } from '../runs/endRun.ts';
import { gcodeOfPlate } from './gcode.ts';
import { noteOutcome, outcomePhoto } from '../runs/outcomes.ts';
import {
  addToPlate,
  arrangePlate,
  chooseForPlate,
  discardPlate,
  fileOnPlate,
  layPlate,
  movePart,
  openPlates,
  planPlate,
  plateToSee,
  takeOffPlate,
} from './plates.ts';
import { printFigures } from '../runs/printFigures.ts';
import { startPlate } from '../runs/startPlate.ts';
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
  for (const { id } of await openPlates(test.db, helper)) {
    await discardPlate(test.db, helper, id).catch(() => {});
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
  const { plateId } = await layPlate(test.db, helper, ids);
  await startPlate(test.db, helper, plateId, birch.id, startChecks);
  const [run] = await test.db.select().from(runs).where(eq(runs.plateId, plateId));
  await endRun(test.db, run.id, { state: 'finished' });
  return plateId;
};

describe('laying', () => {
  it('is planned for a printer, for another, and for none', async () => {
    const [first] = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, [first], { plannedFor: birch.id });
    const plannedFor = async () => (await plateToSee(test.db, helper, plateId)).plate.plannedFor;
    expect(await plannedFor()).toBe(birch.id);
    await expect(planPlate(test.db, helper, plateId, 'nowhere')).rejects.toThrow(NotAllowed);
    await planPlate(test.db, helper, plateId, undefined);
    expect(await plannedFor()).toBeNull();
  });

  it('takes waiting parts onto one plate, where none is too near to another', async () => {
    const ids = await waitingIds();
    const { plateId, left } = await layPlate(test.db, helper, ids);
    expect(left).toBe(0);
    const { parts, plate } = await plateToSee(test.db, helper, plateId);
    const placed = parts.map((part) => ({ ...part, id: part.entryId }));
    expect(conflictsOf(placed, bedOf(parts[0].limits), gapOf(plate.choice))).toEqual({
      pairs: [],
      outside: [],
    });
    expect(await statesOf(ids)).toEqual(new Set(['laid']));
    await expect(layPlate(test.db, helper, ids)).rejects.toThrow('not waiting any more');
  });

  it('puts a part on one plate when two people lay it at once', async () => {
    const ids = await waitingIds();
    const results = await Promise.allSettled([1, 2, 3].map(() => layPlate(test.db, helper, ids)));
    expect(results.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(
      await test.db.$count(plateParts, and(inArray(plateParts.queueEntryId, ids), plateParts.isCurrent)),
    ).toBe(ids.length);
  });

  it('keeps materials apart, and leaves out what is held back', async () => {
    const [first, second] = await waiting();
    const [{ limits }] = await test.db.select().from(handIns).where(eq(handIns.id, second.handInId));
    await test.db
      .update(handIns)
      .set({ limits: { ...limits, material: 'PETG' } })
      .where(eq(handIns.id, second.handInId));
    await expect(layPlate(test.db, helper, [first.id, second.id])).rejects.toThrow(
      /is for PLA, .* for PETG: lay them/,
    );
    await test.db.update(handIns).set({ limits }).where(eq(handIns.id, second.handInId));

    await holdEntry(test.db, helper, first.id, true);
    await expect(layPlate(test.db, helper, [first.id])).rejects.toThrow('not waiting any more');
    await holdEntry(test.db, helper, first.id, false);
    expect((await layPlate(test.db, helper, [first.id])).left).toBe(0);
  });

  it('adds parts around those that are there, takes them off, and forgets an empty plate', async () => {
    const [first, ...others] = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, [first]);
    await movePart(test.db, helper, plateId, first, { xMm: 60, yMm: 60, turnDeg: 30 });
    expect(await addToPlate(test.db, helper, plateId, others)).toBe(0);
    const { parts } = await plateToSee(test.db, helper, plateId);
    expect(parts.find(({ entryId }) => entryId === first)).toMatchObject({ xMm: 60, yMm: 60, turnDeg: 30 });
    await takeOffPlate(test.db, helper, plateId, first);
    expect(await statesOf([first])).toEqual(new Set(['waiting']));
    for (const id of others) await takeOffPlate(test.db, helper, plateId, id);
    await expect(plateToSee(test.db, helper, plateId)).rejects.toThrow(NotAllowed);
  });

  it('refuses places and settings that cannot be', async () => {
    const [first] = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, [first]);
    await expect(movePart(test.db, helper, plateId, first, { xMm: NaN })).rejects.toThrow('not on the bed');
    await expect(chooseForPlate(test.db, helper, plateId, { infillShare: 7 })).rejects.toThrow('cannot be');
    await chooseForPlate(test.db, helper, plateId, { set: 'trial', infillShare: 0.5 });
    expect((await plateToSee(test.db, helper, plateId)).plate.choice).toEqual({
      set: 'trial',
      infillShare: 0.5,
    });
  });

  it('is for those who run the print room', async () => {
    const asha = await test.person('Asha');
    const ids = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, ids);
    const [{ fileId }] = (await plateToSee(test.db, helper, plateId)).parts;
    for (const refused of [
      layPlate(test.db, asha, ids),
      plateToSee(test.db, asha, plateId),
      arrangePlate(test.db, asha, plateId),
      fileOnPlate(test.db, asha, plateId, fileId),
      discardPlate(test.db, asha, plateId),
      startPlate(test.db, asha, plateId, birch.id, startChecks),
    ]) {
      await expect(refused).rejects.toThrow(NotAllowed);
    }
    expect((await fileOnPlate(test.db, helper, plateId, fileId)).length).toBeGreaterThan(84);
  });
});

describe('starting', () => {
  it('refuses parts that lie on each other or over the edge, by the names of their students', async () => {
    const ids = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, ids);
    await movePart(test.db, helper, plateId, ids[0], { xMm: 1, yMm: 100, turnDeg: 0 });
    await expect(startPlate(test.db, helper, plateId, birch.id, startChecks)).rejects.toThrow(
      /part of Femi reaches over the edge/,
    );
    const { parts } = await plateToSee(test.db, helper, plateId);
    const [, { xMm, yMm, turnDeg, entryId }] = parts.toSorted((a) => (a.entryId === ids[0] ? -1 : 1));
    expect(entryId).not.toBe(ids[0]);
    await movePart(test.db, helper, plateId, ids[0], { xMm: xMm + 5, yMm, turnDeg });
    await expect(startPlate(test.db, helper, plateId, birch.id, startChecks)).rejects.toThrow(
      /too near to each other/,
    );
    expect(await arrangePlate(test.db, helper, plateId)).toBe(0);
    await startPlate(test.db, helper, plateId, birch.id, startChecks);
    expect(await statesOf(ids)).toEqual(new Set(['printing']));
    await expect(
      movePart(test.db, helper, plateId, ids[0], { xMm: 50, yMm: 50, turnDeg: 0 }),
    ).rejects.toThrow('on a printer');

    const [run] = await test.db.select().from(runs).where(eq(runs.plateId, plateId));
    await endRun(test.db, run.id, { state: 'failed', problem: 'The heater failed.' });
    expect(await statesOf(ids)).toEqual(new Set(['laid']));
  });

  it('writes G-code that names each file with its hash and its student', async () => {
    const ids = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, ids);
    const { gcode, estimate } = await gcodeOfPlate(test.db, plateId);
    const { parts, plate } = await plateToSee(test.db, helper, plateId);
    for (const { student, hash } of parts) expect(gcode).toContain(`for ${student}, print file ${hash}`);
    expect(plate.estimate).toEqual(estimate);
    const alone = parts.reduce((sum, part) => sum + part.estimate.grams, 0);
    expect(estimate.grams / alone).toBeCloseTo(1, 1);
    await movePart(test.db, helper, plateId, ids[0], { xMm: 60, yMm: 60, turnDeg: 0 });
    expect((await plateToSee(test.db, helper, plateId)).plate.estimate).toBeNull();
  });
});

describe('what came of it', () => {
  it('is written down for each part; a failed one waits again or goes back to its student', async () => {
    const ids = await waitingIds();
    const plateId = await printed(ids);
    expect(await statesOf(ids)).toEqual(new Set(['printed']));
    const note = (id: string, data: object, photo?: Uint8Array) =>
      noteOutcome(test.db, helper, plateId, id, data, photo);
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
    const [width, depth] = (await plateToSee(test.db, helper, plateId)).parts.find(
      ({ entryId }) => entryId === ids[0],
    )!.designedMm!;
    const measuredMm = `${String(width - 0.2).replace('.', ',')} mm × ${depth + 0.1}`;
    await note(ids[0], { outcome: 'good', note: 'hole 4.1 mm', measuredMm }, png);
    expect(Buffer.from(await outcomePhoto(test.db, helper, plateId, ids[0])).equals(Buffer.from(png))).toBe(
      true,
    );
    await expect(note(ids[0], { outcome: 'good' })).rejects.toThrow('written down already');

    await note(ids[1], { outcome: 'knocked', next: 'again' });
    expect(await statesOf([ids[1]])).toEqual(new Set(['waiting']));
    expect(await waitingIds()).toEqual([ids[1]]);

    const { parts } = await plateToSee(test.db, helper, plateId);
    const third = parts.find(({ entryId }) => entryId === ids[2])!;
    await note(ids[2], { outcome: 'tight', note: 'The hole is too tight for the cane.', next: 'student' });
    expect((await standings(test.db, [third.projectId])).get(third.projectId)).toMatchObject({
      state: 'sent_back',
      comment: 'The hole is too tight for the cane.',
    });
    expect(await test.db.$count(notices, eq(notices.kind, 'sent_back'))).toBeGreaterThan(0);
    const figures = await printFigures(test.db, helper);
    const birch = figures.worked.find(({ printer }) => printer === 'Birch')!;
    expect(birch.sizes).toEqual({ medianMm: expect.closeTo(-0.05, 6), count: 2 });
    expect(figures.byPrinter).toEqual([{ name: 'Birch', usable: 1, all: 3 }]);
    expect(figures.failures.map(({ outcome }) => outcome).toSorted()).toEqual(['knocked', 'tight']);
    expect(figures.byVerdict.reduce((sum, { all }) => sum + all, 0)).toBe(3);
    expect(figures.worked.find(({ printer }) => printer === 'Alder')).toMatchObject({ runs: 2, finished: 2 });
    await expect(printFigures(test.db, await test.person('Asha'))).rejects.toThrow(NotAllowed);
    const outcomes = (await plateToSee(test.db, helper, plateId)).parts.map(({ outcome }) => outcome);
    expect(outcomes.toSorted()).toEqual(['good', 'knocked', 'tight']);
  });

  it('is asked of printed plates alone', async () => {
    const [id] = await waitingIds();
    const { plateId } = await layPlate(test.db, helper, [id]);
    await expect(noteOutcome(test.db, helper, plateId, id, { outcome: 'good' })).rejects.toThrow(
      'not printed yet',
    );
  });

  it('plates are numbered, and a file is printed as it was approved', async () => {
    const all = await test.db.select().from(plates);
    expect(new Set(all.map(({ number }) => number)).size).toBe(all.length);
    const files = await test.db.select().from(printFiles);
    for (const { footprint } of files) expect(footprint.length).toBeGreaterThan(0);
  });

  it('that sends a part back takes its other copies out of queue and plates, and is undone to what was printed', async () => {
    const [id] = await waitingIds();
    const plateId = await printed([id]);
    await repeatPrint(test.db, helper, id);
    await repeatPrint(test.db, helper, id);
    const copies = async () => {
      const [{ printFileId }] = await test.db.select().from(queueEntries).where(eq(queueEntries.id, id));
      return test.db.select().from(queueEntries).where(eq(queueEntries.printFileId, printFileId));
    };
    const [, second] = (await copies()).toSorted((a, b) => a.copy - b.copy);
    await layPlate(test.db, helper, [second.id]);
    expect((await copies()).map(({ state }) => state).toSorted()).toEqual(['laid', 'printed', 'waiting']);
    const note = 'Make the hole wider.';
    await noteOutcome(test.db, helper, plateId, id, { outcome: 'tight', note, next: 'student' });
    expect((await copies()).map(({ state }) => state)).toEqual(['printed']);
    expect((await openPlates(test.db, helper)).filter(({ state }) => state === 'laid')).toEqual([]);
    await expect(repeatPrint(test.db, helper, id)).rejects.toThrow('went back to its student');

    const [{ handInId, projectId }] = (await plateToSee(test.db, helper, plateId)).parts;
    const stands = async () => (await standings(test.db, [projectId])).get(projectId);
    expect(await stands()).toMatchObject({ state: 'sent_back', comment: note });
    await undoDecision(test.db, await test.person(school.teacher.name), handInId);
    expect(await stands()).toMatchObject({ state: 'printed', comment: undefined });
  });
});
