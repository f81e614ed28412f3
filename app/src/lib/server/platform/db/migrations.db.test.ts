import { randomBytes, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/postgres-js';
import postgres, { type Sql } from 'postgres';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { batches, printFiles, runs } from './schema/index.ts';

/*
 * What older data becomes: the database of an earlier day is made by the migrations up to then, filled, and brought up to
 * date by the others.
 */

const folder = new URL('../../../../../drizzle/', import.meta.url);
const journal = JSON.parse(readFileSync(new URL('meta/_journal.json', folder), 'utf8')) as {
  readonly entries: readonly { readonly tag: string }[];
};
const tags = journal.entries.map(({ tag }) => tag);

let admin: Sql;
let sql: Sql;
const name = `kelbrin_test_${randomBytes(6).toString('hex')}`;
beforeAll(async () => {
  const server = new URL(process.env.KELBRIN_TEST_SERVER!);
  admin = postgres(server.href, { max: 1, onnotice: () => {} });
  await admin`create database ${admin(name)} template template0`;
  server.pathname = `/${name}`;
  sql = postgres(server.href, { max: 1, onnotice: () => {} });
});
afterAll(async () => {
  await sql.end();
  await admin`drop database ${admin(name)} with (force)`;
  await admin.end();
});

/** Carries out the migrations after one, up to another. */
async function migrate(after: string | undefined, upTo: string): Promise<void> {
  const from = after === undefined ? 0 : tags.indexOf(after) + 1;
  for (const tag of tags.slice(from, tags.indexOf(upTo) + 1)) {
    const words = readFileSync(new URL(`${tag}.sql`, folder), 'utf8');
    await sql.begin(async (tx) => {
      for (const statement of words.split('--> statement-breakpoint')) await tx.unsafe(statement);
    });
  }
}

it('of plates, which are batches now, says where each stands, what was chosen and what was ticked by the names of today', async () => {
  await migrate(undefined, '0031_staff-and-devices');
  // Only plates are looked at, so that nothing else is made of what they belong to.
  await sql`set session_replication_role = replica`;
  const plate = async (choice: object, { parts = 0, runs = [] as string[] }) => {
    const [{ id }] = await sql<{ id: string }[]>`
      insert into plates (choice, created_by) values (${sql.json(choice as never)}, 'somebody') returning id`;
    for (let i = 0; i < parts; i++)
      await sql`insert into plate_parts (plate_id, queue_entry_id, x_mm, y_mm, turn_deg)
        values (${id}, gen_random_uuid(), 0, 0, 0)`;
    for (const state of runs)
      await sql`insert into runs (printer_id, plate_id, state, file_name, estimate_s, started_by, start_checks)
        values (gen_random_uuid(), ${id}, ${state}::run_state, gen_random_uuid()::text, 60, 'somebody',
          ${sql.json(state === 'finished' ? ['spool', 'bed', 'plate', 'watch'] : [])})`;
    return id;
  };
  const ids = [
    await plate({ set: 'draft', perimeters: 3 }, { parts: 2 }),
    await plate({ set: 'fine', infillPattern: 'grid' }, { parts: 1, runs: ['failed', 'printing'] }),
    await plate({ set: 'everyday', infillPattern: 'lines', brimMm: 4 }, { runs: ['cancelled', 'finished'] }),
    await plate({ set: 'everyday', infillPattern: 'triangles' }, { runs: ['failed'] }),
  ];
  await migrate('0031_staff-and-devices', '0034_plates_are_batches');
  const rows = await sql<
    { id: string; state: string; choice: object }[]
  >`select id, state, choice from batches`;
  expect(ids.map((id) => rows.find((row) => row.id === id)).map((row) => [row?.state, row?.choice])).toEqual([
    ['laid', { set: 'trial', wallLines: 3 }],
    ['printing', { set: 'detail', infillDirections: 2 }],
    ['printed', { set: 'everyday', infillDirections: 1, brimMm: 4 }],
    ['discarded', { set: 'everyday', infillDirections: 3 }],
  ]);
  const ticked = await sql<{ checks: unknown }[]>`select start_checks as checks from runs order by state`;
  expect(ticked.map(({ checks }) => checks)).toEqual(
    expect.arrayContaining([[], ['spool', 'plate', 'sheet', 'watch']]),
  );
});

it('of what is kept as JSON, is read as it is kept today', async () => {
  const id = randomUUID();
  await sql`insert into print_files (id, hand_in_id, name, hash, three_mf, stl_hash, stl, estimate, footprint)
    values (${id}, ${id}, 'Label', '0', '', '0', '', ${sql.json({ seconds: 60, filamentMm: 900, grams: 2.5, layers: 9 })},
      ${sql.json([[[0, 0], [20, 0], [0, 20]]])})`; // oxfmt-ignore
  await migrate('0034_plates_are_batches', tags.at(-1)!);
  const db = drizzle(sql);
  const [file] = await db.select().from(printFiles).where(eq(printFiles.id, id));
  expect(file.estimate).toEqual({ seconds: 60, filamentMm: 900, grams: 2.5, colourGrams: [2.5], layers: 9 });
  expect(file.colours).toEqual([]);
  expect(file.footprint).toEqual([[[0, 0], [20, 0], [0, 20]]]); // oxfmt-ignore
  const laid = await db.select({ choice: batches.choice }).from(batches).where(eq(batches.state, 'laid'));
  expect(laid).toEqual([{ choice: { set: 'trial', wallLines: 3 } }]);
  const ticked = await db.select({ checks: runs.startChecks }).from(runs);
  expect(ticked).toContainEqual({ checks: ['spool', 'plate', 'sheet', 'watch'] });
});
