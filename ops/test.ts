import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildAll } from './build.ts';
import { createDatabase, onDatabase, startCluster, type Cluster } from './postgres.ts';
import { prepareDatabase } from './stack.ts';
import { root, secret } from './state.ts';

/*
 * Runs every check and test, or the stages that are named: lint types boundaries unit database browser.
 * Databases are made anew on a cluster of the tests' own, or on the server that DATABASE_URL names; there, only
 * databases whose names begin with kelbrin_test are touched.
 */

interface Stage {
  readonly name: string;
  /** Whether it runs what was built, and whether it needs a database server. */
  readonly needs?: 'build' | 'database';
  run(): boolean;
}

let passed = 0;
let failed = 0;
let skipped = 0;

function command(program: string, args: string[], env: Record<string, string> = {}): boolean {
  const path = join(root, 'node_modules/.bin', program);
  return spawnSync(path, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0;
}

/** Runs a project of Vitest and adds up what it counted. */
function vitest(project: string, env: Record<string, string> = {}): boolean {
  const report = join(tmpdir(), `kelbrin-${project}-${process.pid}.json`);
  const args = [
    'run',
    '--project',
    project,
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ];
  const ok = command('vitest', args, env);
  const counted = JSON.parse(readFileSync(report, 'utf8')) as Record<string, number>;
  rmSync(report);
  passed += counted.numPassedTests;
  failed += counted.numFailedTests;
  skipped += counted.numPendingTests;
  return ok;
}

function playwright(env: Record<string, string>): boolean {
  const report = join(tmpdir(), `kelbrin-browser-${process.pid}.json`);
  const ok = command('playwright', ['test', '--config', 'e2e/playwright.config.ts', '--reporter=list,json'], {
    ...env,
    PLAYWRIGHT_JSON_OUTPUT_FILE: report,
  });
  const { stats } = JSON.parse(readFileSync(report, 'utf8')) as { stats: Record<string, number> };
  rmSync(report);
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
  skipped += stats.skipped;
  return ok;
}

let server = '';
const testEnvironment = () => ({
  KELBRIN_TEST_SERVER: server,
  KELBRIN_SECRET: secret('session-secret'),
});

const stages: Stage[] = [
  {
    name: 'lint',
    run: () => command('eslint', ['.']) && command('prettier', ['--check', '--log-level=warn', '.']),
  },
  {
    name: 'types',
    run: () =>
      ['core', 'printer', 'cli', 'ops', 'e2e', 'bench'].every((workspace) =>
        command('tsc', ['-p', workspace]),
      ) &&
      spawnSync('npm', ['run', '--silent', 'types', '-w', 'app'], { cwd: root, stdio: 'inherit' }).status ===
        0,
  },
  {
    name: 'boundaries',
    run: () =>
      command('depcruise', [
        '--config',
        '.dependency-cruiser.mjs',
        'core/src',
        'printer/src',
        'cli/src',
        'app/src',
      ]),
  },
  { name: 'unit', run: () => vitest('unit') },
  { name: 'database', needs: 'database', run: () => vitest('database', testEnvironment()) },
  { name: 'browser', needs: 'database', run: () => playwright(testEnvironment()) },
];

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !stages.some((stage) => stage.name === name));
if (unknown.length > 0) {
  console.error(`There is no stage “${unknown[0]}”; there are ${stages.map(({ name }) => name).join(', ')}.`);
  process.exit(2);
}
const chosen = stages.filter(({ name }) => wanted.length === 0 || wanted.includes(name));

let cluster: Cluster | undefined;
const broken: string[] = [];
try {
  if (chosen.some(({ needs }) => needs === 'database')) {
    buildAll();
    if (!process.env.DATABASE_URL) cluster = await startCluster('test', true);
    server = process.env.DATABASE_URL ?? cluster!.url('postgres');
    // Tests copy these two instead of migrating and filling a database each.
    const empty = onDatabase(server, 'kelbrin_test_empty');
    const school = onDatabase(server, 'kelbrin_test_school');
    await createDatabase(empty, { fresh: true });
    prepareDatabase(empty, { demo: false });
    await createDatabase(school, { fresh: true });
    prepareDatabase(school, { demo: true });
  }
  for (const stage of chosen) {
    const begun = performance.now();
    console.log(`\n── ${stage.name}`);
    if (!stage.run()) broken.push(stage.name);
    console.log(`── ${stage.name} took ${((performance.now() - begun) / 1000).toFixed(1)} s`);
  }
} finally {
  cluster?.stop();
}

if (broken.length > 0) console.error(`\nThese stages failed: ${broken.join(', ')}.`);
console.log(`\n${passed} passed, ${failed} failed, ${skipped} skipped`);
process.exitCode = broken.length > 0 ? 1 : 0;
