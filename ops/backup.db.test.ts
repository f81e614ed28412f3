import { execFile, execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { demoSchool, type TestDatabase } from '../app/src/lib/server/testing/database.ts';
import { countRows } from './countRows.ts';
import { createDatabase } from './postgres.ts';
import { root } from './state.ts';

let school: TestDatabase;
let empty: string;
let folder: string;
let file: string;
beforeAll(async () => {
  school = await demoSchool();
  empty = school.url.replace(/\/([^/]+)$/, '/$1_elsewhere');
  await createDatabase(empty, { fresh: true });
  folder = mkdtempSync(join(tmpdir(), 'kelbrin-kept-'));
  file = join(folder, 'school.tgz');
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await school.drop();
});

/** Carries a command out; returns how it ended and what it said. */
async function run(command: 'backup' | 'restore', databaseUrl: string, ...words: string[]) {
  return new Promise<{ code: number; said: string }>((resolve) => {
    execFile(
      process.execPath,
      ['--import', 'tsx', `ops/${command}.ts`, ...words],
      {
        cwd: root,
        env: { ...process.env, DATABASE_URL: databaseUrl, KELBRIN_STATE: join(folder, 'state') },
      },
      (error, stdout, stderr) => resolve({ code: Number(error?.code ?? 0), said: stdout + stderr }),
    );
  });
}

it('holds all rows of a school, which come back elsewhere, and replace nothing unasked', async () => {
  const counts = await countRows(school.url);
  expect(await run('backup', school.url, file)).toMatchObject({
    code: 0,
    said: expect.stringContaining('read back and counted') as string,
  });
  expect(await run('restore', empty, file)).toMatchObject({ code: 0 });
  expect(await countRows(empty)).toEqual(counts);
  const again = await run('restore', empty, file);
  expect([again.code, again.said]).toEqual([1, expect.stringContaining('--replace')]);
  const replaced = await run('restore', empty, file, '--replace');
  expect([replaced.code, replaced.said]).toEqual([0, expect.stringContaining('is kept as the database')]);
  expect(await countRows(empty)).toEqual(counts);
});

it('is refused in a sentence where the file is not whole', async () => {
  await run('backup', school.url, file);
  truncateSync(file, 2000);
  const { code, said } = await run('restore', empty, file, '--replace');
  expect(code).toBe(1);
  expect(said).toMatch(/is no backup of Kelbrin, or it is not whole\.\n$/);
});

it('is refused in a sentence where the file says nothing of itself that is known', async () => {
  await run('backup', school.url, file);
  const unpacked = mkdtempSync(join(tmpdir(), 'kelbrin-backup-test-'));
  execFileSync('tar', ['-xzf', file, '-C', unpacked]);
  writeFileSync(join(unpacked, 'backup.json'), 'not {} at all');
  execFileSync('tar', ['-czf', file, '-C', unpacked, ...readdirSync(unpacked)]);
  rmSync(unpacked, { recursive: true });
  const { code, said } = await run('restore', empty, file, '--replace');
  expect([code, said]).toEqual([1, expect.stringMatching(/is no backup that this Kelbrin knows\.\n$/)]);
});
