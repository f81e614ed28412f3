import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { handInLife, moveHandIns } from './handIns/lifecycle.ts';
import { moveStaff, staffLife } from './platform/auth/lifecycle.ts';
import { batches, filamentChanges, handIns, queueEntries, runs, users } from './platform/db/schema/index.ts';
import type { Move, Mover } from './platform/lifecycle.ts';
import { batchLife, endEmptyBatches, moveBatch, takeBatchApart } from './printing/batches/lifecycle.ts';
import {
  changeLife,
  moveChange,
  newChange,
  overChange,
  type ChangeMove,
} from './printing/filament/lifecycle.ts';
import { entryLife, leaveQueue, moveEntries } from './printing/queue/lifecycle.ts';
import { moveRuns, runLife } from './printing/runs/lifecycle.ts';
import { LifecycleRoom } from './testing/lifecycleRoom.ts';

/*
 * Each way on from each state, as the drawings of the lifecycles show them: what stands where a way begins is moved, what
 * does not stays, and whoever is to hear of it does, and nobody else.
 */

let room: LifecycleRoom;

beforeAll(async () => {
  room = await LifecycleRoom.open();
});
afterAll(() => room.close());

const moverOf = ({ by }: Move): Mover => {
  const [who] = by;
  return who === 'server' || who === 'keeper' ? who : room.people[who];
};

/** A thing of a lifecycle, which is put into a state by the test, and moved by the lifecycle's own functions. */
interface Thing {
  readonly life: {
    readonly states: Readonly<Record<string, string>>;
    readonly moves: Readonly<Record<string, Move>>;
  };
  /** Makes it stand in a state, whatever it was before; returns what its notes in the log name. */
  put(state: string): Promise<string>;
  /** The state in which it stands; undefined where it is gone. */
  state(): Promise<string | undefined>;
  /** Moves it; tells whether it did, where the function does. */
  move(name: string, mover: Mover): Promise<boolean | undefined>;
  /** The topics of what it belongs to. */
  readonly belongs: () => { readonly project?: string; readonly class?: string };
}

const stateOf = async (query: Promise<{ state: string }[]>) => (await query)[0]?.state;
let made = '';

const things: Readonly<Record<string, Thing>> = {
  'a hand-in': {
    life: handInLife,
    async put(state) {
      await room.test.sql`update hand_ins set state = ${state} where id = ${room.handIn.id}`;
      return room.handIn.id;
    },
    state: () => stateOf(room.test.db.select().from(handIns).where(eq(handIns.id, room.handIn.id))),
    move: async (name, mover) =>
      (await moveHandIns(room.test.db, name as 'approve', mover, eq(handIns.id, room.handIn.id))).length > 0,
    belongs: () => ({ project: room.handIn.projectId, class: room.handIn.classId }),
  },
  'a part in the queue': {
    life: entryLife,
    async put(state) {
      await room.test.db.delete(queueEntries).where(eq(queueEntries.copy, 900));
      [{ id: made }] = await room.test.db
        .insert(queueEntries)
        .values({ printFileId: room.handIn.fileId, copy: 900, state: state as 'laid' })
        .returning();
      return made;
    },
    state: () => stateOf(room.test.db.select().from(queueEntries).where(eq(queueEntries.id, made))),
    move: async (name, mover) => {
      if (name !== 'leave')
        return (await moveEntries(room.test.db, name as 'lay', mover, eq(queueEntries.id, made))).length > 0;
      await leaveQueue(room.test.db, mover, [made]);
      return undefined;
    },
    belongs: () => ({ project: room.handIn.projectId, class: room.handIn.classId }),
  },
  'a batch': {
    life: batchLife,
    async put(state) {
      await room.test
        .sql`delete from batches where not exists (select from batch_parts p where p.batch_id = batches.id)`;
      made = await room.aBatch();
      await room.test.sql`update batches set state = ${state} where id = ${made}`;
      return made;
    },
    state: () => stateOf(room.test.db.select().from(batches).where(eq(batches.id, made))),
    async move(name, mover) {
      if (name === 'takeApart') await takeBatchApart(room.test.db, mover, made);
      else if (name === 'empty') await endEmptyBatches(room.test.db, mover);
      else return moveBatch(room.test.db, name as 'start', mover, made);
      return undefined;
    },
    belongs: () => ({}),
  },
  'a run': {
    life: runLife,
    async put(state) {
      made = await room.aRun();
      await room.test.sql`update runs set state = ${state} where id = ${made}`;
      return made;
    },
    state: () => stateOf(room.test.db.select().from(runs).where(eq(runs.id, made))),
    move: async (name, mover) => {
      const moved = await moveRuns(room.test.db, name as 'send', mover, eq(runs.id, made));
      for (const { state } of moved) expect(state).toBe(runLife.moves[name as 'send'].to);
      return moved.length > 0;
    },
    belongs: () => ({}),
  },
  'a change of filament': {
    life: changeLife,
    async put(state) {
      await room.test.db.delete(filamentChanges);
      await newChange(room.test.db, room.people.helper, {
        printerId: room.printerIds[0],
        spoolId: room.spoolId,
        nozzleC: 200,
      });
      await room.test.sql`update filament_changes set step = ${state}, stepped_at = '2026-01-01'`;
      return room.printerIds[0];
    },
    state: async () => (await room.test.db.select().from(filamentChanges))[0]?.step,
    async move(name, mover) {
      if (name === 'cooled') {
        await overChange(room.test.db, mover, room.printerIds[0]);
        return undefined;
      }
      // That of another printer is another one.
      expect(await moveChange(room.test.db, name as ChangeMove, mover, room.printerIds[1])).toBe(false);
      const isMoved = await moveChange(room.test.db, name as ChangeMove, mover, room.printerIds[0]);
      const [{ steppedAt }] = await room.test.db.select().from(filamentChanges);
      expect(steppedAt.getTime() > Date.now() - 600_000).toBe(isMoved);
      return isMoved;
    },
    belongs: () => ({}),
  },
  'the account of a helper': {
    life: staffLife,
    async put(state) {
      const { id } = room.people.helper;
      await room.test.db
        .update(users)
        .set({ disabledAt: state === 'shut' ? new Date() : null })
        .where(eq(users.id, id));
      return id;
    },
    async state() {
      const [{ disabledAt }] = await room.test.db
        .select()
        .from(users)
        .where(eq(users.id, room.people.helper.id));
      return disabledAt ? 'shut' : 'open';
    },
    async move(name, mover) {
      await moveStaff(room.test.db, name as 'shut', mover, room.people.helper.id);
      return undefined;
    },
    belongs: () => ({}),
  },
};

describe.each(Object.entries(things))('%s', (_, thing) => {
  const ways = Object.entries(thing.life.moves).filter(([, { from }]) => from.length > 0);

  it.each(ways)('goes by the way “%s” from where it begins, and from nowhere else', async (name, move) => {
    for (const state of Object.keys(thing.life.states)) {
      const subject = await thing.put(state);
      let isMoved: boolean | undefined;
      const { topics, recorded, told } = await room.following(async () => {
        isMoved = await thing.move(name, moverOf(move));
      });
      const begins = move.from.includes(state);
      const expected = begins ? (move.to === 'gone' ? undefined : move.to) : state;
      expect(await thing.state(), `${name} from ${state}`).toBe(expected);
      if (isMoved !== undefined) expect(isMoved).toBe(begins);

      const { project, class: classId } = thing.belongs();
      const named = (kind: string) =>
        kind === 'project' ? `project:${project}` : kind === 'class' ? `class:${classId}` : kind;
      expect(topics).toEqual(begins ? (move.announced ?? []).map(named).toSorted() : []);
      const log = {
        action: move.recorded,
        subjectId: subject,
        classId: thing === things['a hand-in'] ? classId : null,
      };
      expect(recorded).toEqual(begins && move.recorded && typeof moverOf(move) !== 'string' ? [log] : []);
      // What comes in is told to the teacher, and what becomes of it to the student; the run here has no parts.
      const isTold = begins && move.noticed !== undefined && thing !== things['a run'];
      const whom = move.noticed === 'handed_in' ? room.people.teacher.id : room.handIn.studentId;
      expect(told).toEqual(isTold ? [{ personId: whom, kind: move.noticed, times: 1 }] : []);
    }
  });
});
