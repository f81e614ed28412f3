import { desc, eq, lte, sql } from 'drizzle-orm';
import { careDraft, careKinds, type CareKind } from '../../shared/care.ts';
import { record } from '../platform/audit.ts';
import { demandRole, type Person } from '../platform/auth/access.ts';
import { CannotNow } from '../platform/basics/cannotNow.ts';
import type { Database } from '../platform/db/database.ts';
import { batches, printerCare, printers, runs, users } from '../platform/db/schema/index.ts';
import { announce } from '../platform/live/topics.ts';
import { usedPrinter } from './usedPrinter.ts';

/** How much a printer has worked since something of it was looked after. */
export interface CareState {
  readonly printerId: string;
  readonly kind: CareKind;
  /** When that was; null if it never was. */
  readonly since: Date | null;
  readonly note: string | null;
  readonly by: string | null;
  readonly hours: number;
  readonly grams: number;
}

/** What of each printer was looked after when, and how much it has printed since. */
export async function careOfPrinters(db: Database, person: Person): Promise<CareState[]> {
  demandRole(person, 'teacher', 'helper');
  const rows = await db.execute<{
    printerId: string;
    kind: CareKind;
    since: string | null;
    note: string | null;
    by: string | null;
    seconds: number;
    grams: number;
  }>(sql`
    select p.id as "printerId", k.kind, last.at as since, last.note, u.name as by,
      coalesce(sum(extract(epoch from r.ended_at - r.started_at)), 0)::float8 as seconds,
      coalesce(sum((b.estimate -> 'value' ->> 'grams')::float8 * r.progress), 0)::float8 as grams
    from ${printers} p
    cross join unnest(array[${sql.join(
      careKinds.map((kind) => sql`${kind}`),
      sql`, `,
    )}]::text[]) as k(kind)
    left join lateral (
      select c.at, c.note, c.by from ${printerCare} c
      where c.printer_id = p.id and c.kind = k.kind
      order by c.at desc limit 1
    ) last on true
    left join ${users} u on u.id = last.by
    left join ${runs} r on r.printer_id = p.id and r.ended_at > coalesce(last.at, '-infinity')
    left join ${batches} b on b.id = r.batch_id
    where p.retired_at is null
    group by p.id, k.kind, last.at, last.note, u.name`);
  return [...rows].map(({ seconds, since, ...row }) => ({
    ...row,
    since: since === null ? null : new Date(since),
    hours: seconds / 3600,
  }));
}

/** How many entries of each book of care are shown. */
const SHOWN = 8;

/** The last entries of the printers' books of care, the newest first. */
export async function careBooks(db: Database, person: Person) {
  demandRole(person, 'teacher', 'helper');
  const numbered = db.$with('numbered').as(
    db
      .select({
        id: printerCare.id,
        printerId: printerCare.printerId,
        kind: printerCare.kind,
        note: printerCare.note,
        at: printerCare.at,
        by: printerCare.by,
        number:
          sql<number>`row_number() over (partition by ${printerCare.printerId} order by ${printerCare.at} desc)`.as(
            'number',
          ),
      })
      .from(printerCare),
  );
  return db
    .with(numbered)
    .select({
      id: numbered.id,
      printerId: numbered.printerId,
      kind: numbered.kind,
      note: numbered.note,
      at: numbered.at,
      by: users.name,
    })
    .from(numbered)
    .leftJoin(users, eq(users.id, numbered.by))
    .where(lte(numbered.number, SHOWN))
    .orderBy(desc(numbered.at));
}

/** Writes down that something of a printer was looked after. */
export async function noteCare(
  db: Database,
  person: Person,
  printerId: string,
  data: unknown,
): Promise<void> {
  demandRole(person, 'teacher', 'helper');
  const read = careDraft.safeParse(data);
  if (!read.success) throw new CannotNow(read.error.issues[0].message);
  await db.transaction(async (tx) => {
    const printer = await usedPrinter(tx, printerId);
    await tx.insert(printerCare).values({ printerId: printer.id, by: person.id, ...read.data });
    await record(tx, person, 'care-printer', null, [printer.id]);
    await announce(tx, 'printroom');
  });
}
