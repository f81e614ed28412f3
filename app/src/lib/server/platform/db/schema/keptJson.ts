import { sql, type SQL } from 'drizzle-orm';
import { customType, type AnyPgColumn } from 'drizzle-orm/pg-core';
import * as z from 'zod';

/** How data of one version becomes data of the next. What was stored goes in, so nothing of it is trusted. */
export type Migration = (value: unknown) => unknown;

/** What a column of kept JSON holds: the data, and the version of Kelbrin's own form that it is in. */
const envelope = z.strictObject({ version: z.int().min(1), value: z.unknown() });

/**
 * A column of data that Kelbrin made itself and keeps as JSON. It is brought to the newest version and parsed as it is
 * read, like a recipe is, so that all other code sees the newest form alone.
 *
 * @param what names it where it cannot be read
 * @param schema its newest form
 * @param older the migrations from version 1 on; there is one version more than there are migrations
 */
export function keptJson<Schema extends z.ZodType>(
  what: string,
  schema: Schema,
  older: readonly Migration[] = [],
) {
  const version = older.length + 1;
  return customType<{ data: z.output<Schema>; driverData: unknown }>({
    dataType: () => 'jsonb',
    toDriver: (value) => JSON.stringify({ version, value }),
    fromDriver(stored) {
      const read = envelope.parse(typeof stored === 'string' ? JSON.parse(stored) : stored);
      if (read.version > version)
        throw new Error(`A stored ${what} is of version ${read.version}, which a newer Kelbrin wrote.`);
      const newest = older.slice(read.version - 1).reduce((value, migrate) => migrate(value), read.value);
      const parsed = schema.safeParse(newest);
      if (!parsed.success)
        throw new Error(`A stored ${what} cannot be read: ${z.prettifyError(parsed.error)}`);
      return parsed.data;
    },
  });
}

/** An empty list of the first version, for a column where nothing is noted as a row is made. */
export const NO_ENTRIES = sql`'{"version": 1, "value": []}'::jsonb`;

/** A field of kept JSON as text, for a question that needs no more of it. */
export function fieldOf<T>(column: AnyPgColumn, name: string): SQL<T> {
  return sql<T>`${column} -> 'value' ->> ${sql.raw(`'${name}'`)}`;
}
