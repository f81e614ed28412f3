import { execFileSync } from 'node:child_process';
import { mkdtempSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { countRows, countRowsIn, demandSameCounts, type Counts } from './countRows.ts';
import { createDatabase, onDatabase, postgresProgram } from './postgres.ts';
import { asCalled, schoolDatabase, SECRETS } from './schoolDatabase.ts';
import { kept } from './state.ts';
import { wordsOf } from './words.ts';

/*
 * Writes all that a school has into one file: the database and the secrets. What was written is read back into a database
 * beside it and counted, before the file gets its name.
 */

const { values, positionals } = wordsOf({
  allowPositionals: true,
  options: { of: { type: 'string', default: 'school' } },
});
const [file] = positionals;
if (!file) {
  console.error('Say which file the backup is written to.');
  process.exit(2);
}
const { databaseUrl, close } = await schoolDatabase(values.of);
const folder = mkdtempSync(join(tmpdir(), 'kelbrin-backup-'));
const checkUrl = onDatabase(databaseUrl, 'kelbrin_backup_check');
try {
  const counts = await dumped(databaseUrl, join(folder, 'database'));
  await createDatabase(checkUrl, { fresh: true });
  execFileSync(postgresProgram('pg_restore'), [
    '--no-owner',
    '--exit-on-error',
    '-d',
    checkUrl,
    join(folder, 'database'),
  ]);
  demandSameCounts(counts, await countRows(checkUrl));
  for (const name of SECRETS)
    writeFileSync(
      join(folder, name),
      kept(name, () => ''),
      { mode: 0o600 },
    );
  writeFileSync(
    join(folder, 'backup.json'),
    `${JSON.stringify({ format: 'kelbrin-backup', version: 1, at: new Date().toISOString(), counts }, null, 2)}\n`,
  );
  const half = asCalled(`${file}.part`);
  execFileSync('tar', ['-czf', half, '-C', folder, 'backup.json', 'database', ...SECRETS]);
  renameSync(half, asCalled(file));
  const rows = Object.values(counts).reduce((sum, count) => sum + count, 0);
  console.log(
    `${file} holds ${Object.keys(counts).length} tables with ${rows} rows. It was read back and counted.`,
  );
} finally {
  const server = postgres(onDatabase(databaseUrl, 'postgres'), { max: 1, onnotice: () => {} });
  await server`drop database if exists kelbrin_backup_check with (force)`;
  await server.end();
  rmSync(folder, { recursive: true, force: true });
  close();
}

/** Writes a database as it is at one moment, and returns how many rows its tables have at the same. */
async function dumped(url: string, to: string): Promise<Counts> {
  const sql = postgres(url, { max: 1, onnotice: () => {} });
  try {
    return await sql.begin('isolation level repeatable read', async (tx) => {
      const [{ snapshot }] = await tx<{ snapshot: string }[]>`select pg_export_snapshot() as snapshot`;
      execFileSync(postgresProgram('pg_dump'), ['-Fc', `--snapshot=${snapshot}`, '-f', to, url]);
      return countRowsIn(tx);
    });
  } finally {
    await sql.end();
  }
}
