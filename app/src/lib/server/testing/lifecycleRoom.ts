import { eq, sql } from 'drizzle-orm';
import { expect } from 'vitest';
import { school } from '../demo/school.ts';
import { compute } from '../platform/compute/compute.ts';
import type { Person } from '../platform/auth/access.ts';
import { handInsWithOwner } from '../platform/auth/withOwner.ts';
import {
  auditLog,
  briefs,
  handIns,
  notices,
  printers,
  printFiles,
  projects,
  runs,
  spools,
} from '../platform/db/schema/index.ts';
import { announce, LIVE_CHANNEL } from '../platform/live/topics.ts';
import { newBatch } from '../printing/batches/lifecycle.ts';
import { newRun } from '../printing/runs/lifecycle.ts';
import { demoSchool, type TestDatabase } from './database.ts';

/** What was heard, written down and told while something was done. */
export interface Followed {
  /** The topics of pages that were told to look again, but for those of single persons. */
  readonly topics: readonly string[];
  readonly recorded: readonly { action: string; subjectId: string; classId: string | null }[];
  /** Who was told what, and how often. */
  readonly told: readonly { personId: string; kind: string; times: number }[];
}

/** A demo school in which things are moved through their lifecycles, with ears for all that follows from it. */
export class LifecycleRoom {
  readonly test: TestDatabase;
  readonly people: Readonly<Record<'teacher' | 'helper' | 'student', Person>>;
  /** A hand-in that was approved, and all that it belongs to. */
  readonly handIn: Readonly<
    Record<'id' | 'projectId' | 'studentId' | 'briefId' | 'classId' | 'fileId', string>
  >;
  readonly printerIds: readonly [string, string];
  readonly spoolId: string;
  /** What was announced so far. */
  readonly #heard: string[] = [];

  private constructor(
    test: TestDatabase,
    {
      people,
      handIn,
      printerIds,
      spoolId,
    }: Pick<LifecycleRoom, 'people' | 'handIn' | 'printerIds' | 'spoolId'>,
  ) {
    this.test = test;
    this.people = people;
    this.handIn = handIn;
    this.printerIds = printerIds;
    this.spoolId = spoolId;
  }

  static async open(): Promise<LifecycleRoom> {
    const test = await demoSchool();
    const [handIn] = await handInsWithOwner(test.db, {
      id: handIns.id,
      projectId: projects.id,
      studentId: projects.studentId,
      briefId: briefs.id,
      classId: briefs.classId,
      fileId: printFiles.id,
    })
      .innerJoin(printFiles, eq(printFiles.handInId, handIns.id))
      .limit(1);
    const [one, other] = await test.db.select().from(printers).limit(2);
    const [spool] = await test.db.select().from(spools).limit(1);
    const people = {
      teacher: await test.person(school.teacher.name),
      helper: await test.person(school.helper.name),
      student: await test.person('Asha'),
    };
    const room = new LifecycleRoom(test, {
      people,
      handIn,
      printerIds: [one.id, other.id],
      spoolId: spool.id,
    });
    await test.sql.listen(LIVE_CHANNEL, (news) => room.#heard.push(news.split(' ')[0]));
    return room;
  }

  async close(): Promise<void> {
    await compute().close();
    await this.test.drop();
  }

  /** An empty batch; returns its id. */
  aBatch(): Promise<string> {
    const { helper } = this.people;
    return newBatch(this.test.db, helper, { choice: { set: 'everyday' }, createdBy: helper.id });
  }

  /** A run of an empty batch on the first printer, instead of any that is there; returns its id. */
  async aRun(): Promise<string> {
    const { helper } = this.people;
    const [printerId] = this.printerIds;
    await this.test.db.delete(runs).where(eq(runs.printerId, printerId));
    const { id } = await newRun(this.test.db, helper, {
      printerId,
      batchId: await this.aBatch(),
      fileName: `${Math.random()}.gcode`,
      estimateS: 60,
      startedBy: helper.id,
    });
    return id;
  }

  /** Does something, and tells all that follows from it. */
  async following(what: () => Promise<unknown>): Promise<Followed> {
    const { db } = this.test;
    const started = await this.#settled();
    const [logged, toldBefore] = [await db.$count(auditLog), await this.#toldInAll()];
    await what();
    const ended = await this.#settled();
    const lines = await db.select().from(auditLog).orderBy(auditLog.id).offset(logged);
    const topics = this.#heard.slice(started, ended - 1).filter((topic) => !topic.startsWith('person:'));
    return {
      topics: [...new Set(topics)].toSorted(),
      recorded: lines.map(({ action, subjectId, classId }) => ({ action, subjectId, classId })),
      told: (await this.#toldInAll()).flatMap((now) => {
        const before = toldBefore.find(
          ({ personId, kind }) => personId === now.personId && kind === now.kind,
        );
        const times = now.times - (before?.times ?? 0);
        return times === 0 ? [] : [{ ...now, times }];
      }),
    };
  }

  /** How many times each person was told each thing. */
  #toldInAll() {
    const times = sql<number>`sum(${notices.count})::int`;
    return this.test.db
      .select({ personId: notices.personId, kind: notices.kind, times })
      .from(notices)
      .groupBy(notices.personId, notices.kind);
  }

  /** Waits until all that was announced is heard; returns how much there was. News come in the order of their commits. */
  async #settled(): Promise<number> {
    const sign = `project:sign-${Math.random()}` as const;
    await announce(this.test.db, sign);
    await expect.poll(() => this.#heard.includes(sign), { timeout: 60_000, interval: 5 }).toBe(true);
    return this.#heard.indexOf(sign) + 1;
  }
}
