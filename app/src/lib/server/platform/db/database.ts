import { drizzle, type PostgresJsDatabase } from 'drizzle-orm/postgres-js';
import postgres, { type Sql } from 'postgres';
import { serverConfig } from '../basics/config.ts';
import * as schema from './schema/index.ts';

/** The database, or a transaction in it. */
export type Database = PostgresJsDatabase<typeof schema>;

/** A connection pool with the typed database on top of it. */
export interface Connection {
  readonly sql: Sql;
  readonly db: Database;
}

/** Connects to a PostgreSQL server; connections are made when first needed. */
export function connect(url: string): Connection {
  const sql = postgres(url, { max: 10, onnotice: () => {} });
  return { sql, db: drizzle(sql, { schema }) };
}

let shared: Connection | undefined;

/** The process's own connection pool, to the server that its settings name. */
export function connection(): Connection {
  return (shared ??= connect(serverConfig().DATABASE_URL));
}

/** The process's own database. */
export function database(): Database {
  return connection().db;
}
