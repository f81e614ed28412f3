/** How a recipe of one version becomes one of the next. Data as it was stored goes in, so nothing of it is trusted. */
export interface Migration {
  readonly from: number;
  migrate(data: unknown): unknown;
}

/** All migrations, oldest first. The first format needs none. */
export const migrations: readonly Migration[] = [];
