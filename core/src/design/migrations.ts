/** How a design of an older form becomes one of the next. Data as it was stored goes in, so nothing of it is trusted. */
interface Migration {
  reads(data: unknown): boolean;
  migrate(data: unknown): unknown;
}

/** A project once was a single recipe. */
const recipeAlone: Migration = {
  reads: (data) => (data as { format?: unknown } | null)?.format === 'kelbrin-recipe',
  migrate: (recipe) => ({
    format: 'kelbrin-design',
    version: 1,
    measures: [],
    parts: [{ id: 'p1', name: 'Part', recipe }],
    chosen: 'p1',
  }),
};

/** All migrations, oldest first. */
export const migrations: readonly Migration[] = [recipeAlone];
