import postgres, { type TransactionSql } from 'postgres';

/** How many rows each table of a database has. */
export type Counts = Readonly<Record<string, number>>;

/** Counts the rows of all tables of the database at an address. */
export async function countRows(url: string): Promise<Counts> {
  const sql = postgres(url, { max: 1, onnotice: () => {} });
  try {
    return await sql.begin((tx) => countRowsIn(tx));
  } finally {
    await sql.end();
  }
}

/** Counts the rows of all tables as a transaction sees them. */
export async function countRowsIn(tx: TransactionSql): Promise<Counts> {
  const tables = await tx<{ schema: string; name: string }[]>`
    select table_schema as schema, table_name as name from information_schema.tables
    where table_type = 'BASE TABLE' and table_schema not in ('pg_catalog', 'information_schema')
    order by 1, 2`;
  const counts: Record<string, number> = {};
  for (const { schema, name } of tables) {
    const [{ count }] = await tx<{ count: string }[]>`select count(*) from ${tx(schema)}.${tx(name)}`;
    counts[`${schema}.${name}`] = Number(count);
  }
  return counts;
}

/** Throws unless two databases have as many rows in every table. */
export function demandSameCounts(wanted: Counts, found: Counts): void {
  for (const table of new Set([...Object.keys(wanted), ...Object.keys(found)])) {
    if (wanted[table] !== found[table])
      throw new Error(
        `The table ${table} has ${found[table] ?? 'no'} rows where ${wanted[table] ?? 'none'} were written.`,
      );
  }
}
