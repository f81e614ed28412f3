import { eq, inArray, type SQL } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { moveHandIns, newHandIn } from './handIns/lifecycle.ts';
import { newStaff } from './platform/auth/lifecycle.ts';
import {
  batches,
  batchParts,
  briefs,
  classes,
  filamentChanges,
  handIns,
  projects,
  queueEntries,
  runs,
  shares,
  users,
  versions,
} from './platform/db/schema/index.ts';
import { endEmptyBatches } from './printing/batches/lifecycle.ts';
import { moveChange, newChange } from './printing/filament/lifecycle.ts';
import { joinQueue, leaveQueue } from './printing/queue/lifecycle.ts';
import { moveRuns } from './printing/runs/lifecycle.ts';
import { endShares, newShare } from './projects/sharing/lifecycle.ts';
import { LifecycleRoom } from './testing/lifecycleRoom.ts';

/* How things of lifecycles come to be and go, several at once, and what follows from it. */

let room: LifecycleRoom;

beforeAll(async () => {
  room = await LifecycleRoom.open();
});
afterAll(() => room.close());

describe('what comes to be', () => {
  it('is a hand-in, written down and heard of by its project and class', async () => {
    const { id: first, projectId, classId } = room.handIn;
    const [{ id: _, state: __, ...values }] = await room.test.db
      .select()
      .from(handIns)
      .where(eq(handIns.id, first));
    let made = '';
    const { topics, recorded, told } = await room.following(async () => {
      made = await newHandIn(room.test.db, room.people.student, { ...values, number: 900 });
    });
    const [handIn] = await room.test.db.select().from(handIns).where(eq(handIns.id, made));
    expect(handIn).toMatchObject({ projectId, number: 900, state: 'checking' });
    expect(topics).toEqual([`class:${classId}`, `project:${projectId}`]);
    expect(recorded).toEqual([{ action: 'hand-in', subjectId: made, classId }]);
    expect(told).toEqual([]);
    await room.test.db.delete(handIns).where(eq(handIns.id, made));
  });

  it('joins the queue, and the print room hears of it', async () => {
    await room.test.db.delete(queueEntries).where(eq(queueEntries.copy, 901));
    const { topics } = await room.following(() =>
      joinQueue(room.test.db, room.people.teacher, room.handIn.fileId, 901),
    );
    expect(topics).toEqual(['printroom']);
    const [entry] = await room.test.db.select().from(queueEntries).where(eq(queueEntries.copy, 901));
    expect(entry).toMatchObject({ printFileId: room.handIn.fileId, state: 'waiting' });
    // Nothing to take out is nothing to hear of.
    expect((await room.following(() => leaveQueue(room.test.db, room.people.teacher, []))).topics).toEqual(
      [],
    );
  });

  it('is a batch, written down and heard of', async () => {
    let made = '';
    const { topics, recorded } = await room.following(async () => (made = await room.aBatch()));
    expect(topics).toEqual(['printroom']);
    expect(recorded).toEqual([{ action: 'lay-batch', subjectId: made, classId: null }]);
  });

  it('is a run, written down and heard of by whoever keeps the printers, too', async () => {
    let made = '';
    const { topics, recorded } = await room.following(async () => (made = await room.aRun()));
    expect(topics).toEqual(['orders', 'printroom']);
    expect(recorded).toEqual(
      expect.arrayContaining([{ action: 'start-run', subjectId: made, classId: null }]),
    );
  });

  it('is one change of filament a printer', async () => {
    await room.test.db.delete(filamentChanges);
    const [printerId] = room.printerIds;
    const begin = () =>
      newChange(room.test.db, room.people.helper, { printerId, spoolId: room.spoolId, nozzleC: 200 });
    const { topics } = await room.following(async () => expect(await begin()).toBe(true));
    expect(topics).toEqual(['orders', 'printroom']);
    expect((await room.following(async () => expect(await begin()).toBe(false))).topics).toEqual([]);
    // From two steps it is given up; where it was seen at one of them, only from there.
    expect(await moveChange(room.test.db, 'giveUp', room.people.helper, printerId, 'loaded')).toBe(false);
    expect(await moveChange(room.test.db, 'giveUp', room.people.helper, printerId, 'heating')).toBe(true);
  });

  it('is somebody who can sign in', async () => {
    const id = await newStaff(room.test.db, 'server', {
      name: 'Ines',
      email: 'ines@wrenfield.example',
      role: 'helper',
    });
    const [person] = await room.test.db.select().from(users).where(eq(users.id, id));
    expect(person).toMatchObject({ name: 'Ines', role: 'helper', disabledAt: null, emailVerified: true });
  });

  it('is a link to a version, which is ended by whoever it belongs to', async () => {
    const [project] = await room.test.db
      .select()
      .from(projects)
      .where(eq(projects.id, room.handIn.projectId));
    const [version] = await room.test.db
      .insert(versions)
      .values({ projectId: project.id, number: 900, name: 'As it was', design: project.design })
      .returning();
    const link = (token: string) => () =>
      newShare(room.test.db, room.people.student, {
        token,
        versionId: version.id,
        expiresAt: new Date('2099-01-01'),
      });
    const line = (action: string) => ({
      action,
      subjectId: room.handIn.projectId,
      classId: room.handIn.classId,
    });
    expect((await room.following(link('one'))).recorded).toEqual([line('share')]);
    await link('two')();
    await link('three')();
    const which = (...tokens: string[]): SQL => inArray(shares.token, tokens);
    const ended = await room.following(async () =>
      expect(await endShares(room.test.db, 'unshare', room.people.student, which('one', 'none'))).toBe(1),
    );
    expect(ended).toEqual({ topics: [], recorded: [line('unshare')], told: [] });
    const revoked = await room.following(async () =>
      expect(await endShares(room.test.db, 'revoke', room.people.teacher, which('two', 'three'))).toBe(2),
    );
    // Of two links to one project the log has one line, and the pages of its class hear of it.
    expect(revoked).toEqual({
      topics: [`class:${room.handIn.classId}`],
      recorded: [line('revoke-share')],
      told: [],
    });
    expect(await endShares(room.test.db, 'revoke', room.people.teacher, which('none'))).toBe(0);
  });
});

it('a batch is not deleted while something is or was on it', async () => {
  const batchId = await room.aBatch();
  const [entry] = await room.test.db
    .insert(queueEntries)
    .values({ printFileId: room.handIn.fileId, copy: 902 })
    .returning();
  await room.test.db
    .insert(batchParts)
    .values({ batchId, queueEntryId: entry.id, xMm: 0, yMm: 0, turnDeg: 0, isCurrent: false });
  await endEmptyBatches(room.test.db, room.people.helper);
  expect(await room.test.db.$count(batches, eq(batches.id, batchId))).toBe(1);
});

it('of a run that failed, the teacher of each brief on its batch is told once', async () => {
  const runId = await room.aRun();
  const [{ batchId }] = await room.test.db.select().from(runs).where(eq(runs.id, runId));
  for (const copy of [903, 904]) {
    const [entry] = await room.test.db
      .insert(queueEntries)
      .values({ printFileId: room.handIn.fileId, copy })
      .returning();
    await room.test.db
      .insert(batchParts)
      .values({ batchId, queueEntryId: entry.id, xMm: 0, yMm: 0, turnDeg: 0 });
  }
  const { told, topics } = await room.following(() =>
    moveRuns(room.test.db, 'fail', 'keeper', eq(runs.id, runId)),
  );
  expect(told).toEqual([{ personId: room.people.teacher.id, kind: 'run_failed', times: 1 }]);
  expect(topics).toEqual(['printroom']);
});

/** The same hand-in once more, in a class of its own. */
async function ofAnotherClass(): Promise<{ id: string; classId: string }> {
  const copied = async <T extends { id: string }>(rows: Promise<T[]>): Promise<Omit<T, 'id'>> => {
    const [{ id: _, ...rest }] = await rows;
    return rest;
  };
  const { db } = room.test;
  const ofClass = await copied(db.select().from(classes).where(eq(classes.id, room.handIn.classId)));
  const [{ id: classId }] = await db
    .insert(classes)
    .values({ ...ofClass, code: 'OTHER9' })
    .returning();
  const ofBrief = await copied(db.select().from(briefs).where(eq(briefs.id, room.handIn.briefId)));
  const [{ id: briefId }] = await db
    .insert(briefs)
    .values({ ...ofBrief, classId })
    .returning();
  const ofProject = await copied(db.select().from(projects).where(eq(projects.id, room.handIn.projectId)));
  const [{ id: projectId }] = await db
    .insert(projects)
    .values({ ...ofProject, briefId })
    .returning();
  const ofHandIn = await copied(db.select().from(handIns).where(eq(handIns.id, room.handIn.id)));
  const [{ id }] = await db
    .insert(handIns)
    .values({ ...ofHandIn, projectId })
    .returning();
  return { id, classId };
}

it('writes down for each class what was done to its hand-ins', async () => {
  const one = room.handIn;
  const other = await ofAnotherClass();
  await room.test.sql`update hand_ins set state = 'waiting' where id in ${room.test.sql([one.id, other.id])}`;
  const both = inArray(handIns.id, [one.id, other.id]);
  const { recorded } = await room.following(() =>
    moveHandIns(room.test.db, 'sendBack', room.people.teacher, both),
  );
  expect(recorded).toHaveLength(2);
  for (const { id, classId } of [one, other])
    expect(recorded).toContainEqual({ action: 'send-back', subjectId: id, classId });
});
