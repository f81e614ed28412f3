import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import * as z from 'zod';
import { countRows, demandSameCounts } from './countRows.ts';
import { createDatabase, onDatabase, postgresProgram } from './postgres.ts';
import { asCalled, schoolDatabase, SECRETS } from './schoolDatabase.ts';
import { kept, stateFolder } from './state.ts';
import { wordsOf } from './words.ts';

/*
 * Brings back what `./run backup` wrote. It is read into a database beside the old one and counted; only when all is there
 * does it take the old one's place. An old one that is not empty is replaced with --replace alone, and kept under another
 * name.
 */

const manifest = z.object({
  format: z.literal('kelbrin-backup'),
  version: z.literal(1),
  at: z.iso.datetime(),
  counts: z.record(z.string(), z.number()),
});

const { values, positionals } = wordsOf({
  allowPositionals: true,
  options: { of: { type: 'string', default: 'school' }, replace: { type: 'boolean', default: false } },
});
const [file] = positionals;
if (!file) {
  console.error('Say which file is brought back.');
  process.exit(2);
}
const folder = mkdtempSync(join(tmpdir(), 'kelbrin-restore-'));
try {
  process.exitCode = await restored();
} finally {
  rmSync(folder, { recursive: true, force: true });
}

/** What a backup says of itself; undefined where it says nothing that is known. */
function manifestIn(folder: string): z.infer<typeof manifest> | undefined {
  try {
    return manifest.parse(JSON.parse(readFileSync(join(folder, 'backup.json'), 'utf8')));
  } catch {
    return undefined;
  }
}

async function restored(): Promise<number> {
  try {
    execFileSync('tar', ['-xzf', asCalled(file), '-C', folder, 'backup.json', 'database', ...SECRETS], {
      stdio: ['ignore', 'ignore', 'ignore'],
    });
  } catch {
    console.error(`${file} is no backup of Kelbrin, or it is not whole.`);
    return 1;
  }
  const about = manifestIn(folder);
  if (!about) {
    console.error(`${file} is no backup that this Kelbrin knows.`);
    return 1;
  }
  const { databaseUrl, close } = await schoolDatabase(values.of);
  const name = new URL(databaseUrl).pathname.slice(1);
  const fresh = `${name}_restored`;
  const server = postgres(onDatabase(databaseUrl, 'postgres'), { max: 1, onnotice: () => {} });
  try {
    await createDatabase(databaseUrl);
    const before = await countRows(databaseUrl);
    const isEmpty = (before['public.users'] ?? 0) === 0;
    if (!isEmpty && !values.replace) {
      console.error(
        `There is a school in the database already. Say --replace to put the backup in its place.`,
      );
      return 1;
    }
    await createDatabase(onDatabase(databaseUrl, fresh), { fresh: true });
    execFileSync(postgresProgram('pg_restore'), [
      '--no-owner',
      '--exit-on-error',
      '-d',
      onDatabase(databaseUrl, fresh),
      join(folder, 'database'),
    ]);
    demandSameCounts(about.counts, await countRows(onDatabase(databaseUrl, fresh)));
    const aside = `${name}_before_${new Date().toISOString().slice(0, 19).replace(/\D/g, '')}`;
    await server`select pg_terminate_backend(pid) from pg_stat_activity where datname in (${name}, ${fresh})`;
    await server`alter database ${server(name)} rename to ${server(aside)}`;
    await server`alter database ${server(fresh)} rename to ${server(name)}`;
    if (isEmpty) await server`drop database ${server(aside)}`;
    for (const secret of SECRETS) {
      kept(secret, () => '');
      copyFileSync(join(folder, secret), join(stateFolder, secret));
    }
    console.log(
      `Brought back what there was on ${about.at}, and counted it.${isEmpty ? '' : ` What was there before is kept as the database ${aside}.`}`,
    );
    return 0;
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    return 1;
  } finally {
    await server.end();
    close();
  }
}
