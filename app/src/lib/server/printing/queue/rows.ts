import { createHash } from 'node:crypto';
import type { FilamentColour } from '@kelbrin/core/colours';
import { asc, inArray, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import type { QueueNews, QueueRow } from '../../../shared/queue/queueRow.ts';
import { inFairOrder } from '../../../shared/proposal.ts';
import { waiversInQueue } from '../../handIns/waivers.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { namesOnProject } from '../../platform/auth/team.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import type { Database } from '../../platform/db/database.ts';
import {
  briefs,
  classes,
  fieldOf,
  handIns,
  printFiles,
  queueEntries,
} from '../../platform/db/schema/index.ts';

/** Versions of the queue that are remembered, so that who knows one of them is sent only what is new since. */
const VERSIONS_KEPT = 16;

/** A version as the text of each row. */
const versions = new LRUCache<string, ReadonlyMap<string, string>>({ max: VERSIONS_KEPT });

/** The queue as its page has it, in its order; what is laid or printed is in it no more. */
export async function queueRows(db: Database, person: Person): Promise<QueueRow[]> {
  demandRole(person, 'teacher', 'helper');
  const [entries, waived] = await Promise.all([
    entriesWithOwner(db, {
      id: queueEntries.id,
      handInId: handIns.id,
      part: handIns.part,
      student: namesOnProject,
      className: classes.name,
      brief: briefs.title,
      dueOn: briefs.dueOn,
      position: queueEntries.position,
      handOrder: queueEntries.handOrder,
      seconds: fieldOf<string>(printFiles.estimate, 'seconds'),
      grams: fieldOf<string>(printFiles.estimate, 'grams'),
      material: sql<string>`${handIns.limits} ->> 'material'`,
      colours: sql<FilamentColour[]>`jsonb_path_query_array(${printFiles.colours}, '$.value[*].colour')`,
      copy: queueEntries.copy,
      copies: sql<number>`count(*) over (partition by ${printFiles.id})::int`,
      state: queueEntries.state,
      heldAt: queueEntries.heldAt,
      doubt: handIns.doubt,
    })
      .where(inArray(queueEntries.state, ['waiting', 'dropped']))
      .orderBy(asc(queueEntries.position)),
    waiversInQueue(db),
  ]);
  const rows = entries.map(({ seconds, grams, state, heldAt, handInId, ...entry }): QueueRow => ({
    ...entry,
    seconds: Math.round(Number(seconds)),
    grams: Math.round(Number(grams) * 10) / 10,
    state: state === 'dropped' ? 'out' : heldAt ? 'held' : 'waiting',
    waivers: (waived.get(handInId) ?? []).map(({ at, ...waiver }) => ({
      ...waiver,
      at: at.toISOString(),
    })),
  }));
  return inFairOrder(rows);
}

/**
 * What is new since a version of the queue, which is little where one part was moved. A version that this process does
 * not remember is answered with all that there is.
 */
export async function queueNews(db: Database, person: Person, known: string | null): Promise<QueueNews> {
  // Taken first: what is changed while the rows are read may be in them or not, and counts as not.
  const [{ snapshot }] = await db.execute<{ snapshot: string }>(
    sql`select pg_current_snapshot() as snapshot`,
  );
  const rows = await queueRows(db, person);
  const texts = new Map(rows.map((row) => [row.id, JSON.stringify(row)]));
  const hash = createHash('sha256');
  // By id: which version it is does not hang on the order, which is worked out from the rows.
  for (const id of [...texts.keys()].toSorted()) hash.update(texts.get(id)!);
  const version = hash.digest('base64url').slice(0, 16);
  versions.set(version, texts);
  const before = known === null ? undefined : versions.get(known);
  return {
    version,
    snapshot,
    isWhole: before === undefined,
    rows: before ? rows.filter(({ id }) => before.get(id) !== texts.get(id)) : rows,
    gone: before ? [...before.keys()].filter((id) => !texts.has(id)) : [],
  };
}
