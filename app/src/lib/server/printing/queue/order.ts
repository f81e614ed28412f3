import { and, asc, eq, isNotNull, sql } from 'drizzle-orm';
import { say } from '@kelbrin/core/words';
import { inFairOrder } from '../../../shared/proposal.ts';
import { record } from '../../platform/audit.ts';
import { demandRole, type Person } from '../../platform/auth/access.ts';
import { namesOnProject } from '../../platform/auth/team.ts';
import { entriesWithOwner } from '../../platform/auth/withOwner.ts';
import { CannotNow } from '../../platform/basics/cannotNow.ts';
import type { Database } from '../../platform/db/database.ts';
import { briefs, queueEntries } from '../../platform/db/schema/index.ts';
import { announce } from '../../platform/live/topics.ts';
import { handOrders } from './handOrders.ts';

/** Any number will do; it is asked for nowhere else. */
const LOCK = 7246;

/** Where parts are put: before all others, or before one of them. */
export type Place = 'first' | 'last' | { readonly before: string };

/**
 * Puts waiting parts at a place in the queue, in the order that they have. What stands before them stays there, and what
 * comes after goes on by the rules, so that a part that is due tomorrow and approved today is not the last.
 */
export async function putAt(
  db: Database,
  person: Person,
  entryIds: readonly string[],
  place: Place,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    // Two who move parts at once do so one after the other.
    await tx.execute(sql`select pg_advisory_xact_lock(${LOCK})`);
    const waiting = await entriesWithOwner(tx, {
      id: queueEntries.id,
      student: namesOnProject,
      dueOn: briefs.dueOn,
      handOrder: queueEntries.handOrder,
    })
      .where(eq(queueEntries.state, 'waiting'))
      .orderBy(asc(queueEntries.position));
    const wanted = new Set(entryIds);
    const order = inFairOrder(waiting);
    const moved = order.filter(({ id }) => wanted.has(id));
    const others = order.filter(({ id }) => !wanted.has(id));
    if (moved.length === 0)
      throw new CannotNow('This part is not waiting any more: load the page again to see where it is.');
    const changed = handOrders(others, moved, indexOf(others, place));
    const list = (values: readonly (string | number)[], type: string) =>
      sql`array[${sql.join(
        values.map((value) => sql`${value}`),
        sql`, `,
      )}]::${sql.raw(type)}[]`;
    await tx.execute(sql`
      update ${queueEntries} set hand_order = put.place
      from unnest(${list([...changed.keys()], 'uuid')}, ${list([...changed.values()], 'float8')}) as put(id, place)
      where ${queueEntries.id} = put.id`);
    await record(
      tx,
      person,
      'move-entry',
      null,
      moved.map(({ id }) => id),
    );
    await announce(tx, 'queue');
  });
}

/** Has the rules alone put the queue in order again. */
export async function orderByRules(db: Database, person: Person): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  await db.transaction(async (tx) => {
    await tx
      .update(queueEntries)
      .set({ handOrder: null })
      .where(and(isNotNull(queueEntries.handOrder), eq(queueEntries.state, 'waiting')));
    await record(tx, person, 'move-entry', null, []);
    await announce(tx, 'queue');
  });
}

function indexOf(others: readonly { readonly id: string }[], place: Place): number {
  if (place === 'first') return 0;
  if (place === 'last') return others.length;
  const index = others.findIndex(({ id }) => id === place.before);
  if (index === -1)
    throw new CannotNow(
      say('The part that it was put before is not waiting any more: put it somewhere else.'),
    );
  return index;
}
