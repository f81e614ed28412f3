import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lastChange } from './changed.ts';
import { failedTests, type FailedTest, type VitestReport } from './failedTests.ts';
import { root, secret } from './state.ts';
import { startTestServer, type TestServer } from './testServer.ts';
import { wordsOf } from './words.ts';

/*
 * Runs every check and test, or the stages that are named: lint types boundaries unit database browser. With
 * `--processes 2` the browser stage has two web and two job processes on each database.
 * With `--changed` only what touches the files that are not committed yet, or those of the last commit, and nothing that
 * needs what was built: a look before a commit, and no substitute for the whole.
 * With `--only PATTERN` only the tests whose names match it, as in `./run test browser --only 'two tabs'`.
 * Databases are made anew on a cluster of the tests' own, or on the server that DATABASE_URL names; there, only
 * databases whose names begin with kelbrin_test are touched.
 */

interface Stage {
  readonly name: string;
  /** Whether it runs what was built, and whether it needs a database server. */
  readonly needs?: 'build' | 'database';
  run(): Promise<boolean>;
}

let server: TestServer | undefined;
let passed = 0;
let failed = 0;
let skipped = 0;
/** What failed is said once more at the very end: where this runs unattended, often the end alone is kept. */
const failures: FailedTest[] = [];

/** What runs now, each in a group of its own, so that it is ended once and whole. */
const running = new Set<ChildProcess>();

async function command(program: string, args: string[], env: Record<string, string> = {}): Promise<boolean> {
  const path = join(root, 'node_modules/.bin', program);
  const child = spawn(path, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env },
    detached: true,
  });
  return (await ended(child)) === 0;
}

async function ended(child: ChildProcess): Promise<number | null> {
  running.add(child);
  const [code] = (await once(child, 'close')) as [number | null];
  running.delete(child);
  return code;
}

/** How long what runs may take to end by itself, ms. */
const GRACE_MS = 15_000;
let isStopping = false;

/** Asks what runs to end, and ends what is left of it after a while. */
async function stopAll(): Promise<void> {
  if (isStopping) return;
  isStopping = true;
  const children = [...running];
  for (const child of children) child.kill('SIGINT');
  const patience = setTimeout(() => children.forEach(endGroup), GRACE_MS);
  await Promise.all(children.map((child) => child.exitCode === null && once(child, 'close')));
  clearTimeout(patience);
  children.forEach(endGroup);
  server?.stop();
  process.exit(130);
}

function endGroup({ pid }: ChildProcess): void {
  try {
    process.kill(-pid!, 'SIGKILL');
  } catch {
    // Nothing of it is left.
  }
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => void stopAll());

/** Runs programs one after the other beside whatever else runs, and says what they said when all are done. */
async function commands(
  ...calls: readonly (readonly [program: string, ...args: string[]])[]
): Promise<boolean> {
  let words = '';
  let ok = true;
  for (const [program, ...args] of calls) {
    const path = program === 'npm' ? program : join(root, 'node_modules/.bin', program);
    const child = spawn(path, args, { cwd: root, detached: true });
    for (const stream of [child.stdout, child.stderr])
      stream.setEncoding('utf8').on('data', (piece: string) => (words += piece));
    if ((await ended(child)) !== 0) ok = false;
  }
  process.stdout.write(words);
  return ok;
}

/** Runs projects of Vitest side by side and adds up what they counted. */
async function vitest(
  projects: readonly string[],
  env: Record<string, string> = {},
  more: readonly string[] = [],
): Promise<boolean> {
  const report = join(tmpdir(), `kelbrin-vitest-${process.pid}.json`);
  const args = [
    'run',
    ...projects.flatMap((project) => ['--project', project]),
    ...more,
    ...(values.only ? ['--testNamePattern', values.only] : []),
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${report}`,
  ];
  const ok = await command('vitest', args, env);
  if (!existsSync(report)) return false;
  const counted = JSON.parse(readFileSync(report, 'utf8')) as VitestReport;
  rmSync(report);
  passed += counted.numPassedTests;
  failed += counted.numFailedTests;
  skipped += counted.numPendingTests;
  failures.push(...failedTests(counted));
  return ok;
}

async function playwright(env: Record<string, string>): Promise<boolean> {
  const report = join(tmpdir(), `kelbrin-browser-${process.pid}.json`);
  const ok = await command(
    'playwright',
    [
      'test',
      '--config=e2e/playwright.config.ts',
      '--reporter=list,json',
      ...(values.only ? [`--grep=${values.only}`] : []),
    ],
    {
      ...env,
      PLAYWRIGHT_JSON_OUTPUT_FILE: report,
    },
  );
  if (!existsSync(report)) return false;
  const { stats } = JSON.parse(readFileSync(report, 'utf8')) as { stats: Record<string, number> };
  rmSync(report);
  passed += stats.expected + stats.flaky;
  failed += stats.unexpected;
  skipped += stats.skipped;
  if (!ok) keepFailedPages();
  return ok;
}

/** How much is said of the page of a failed test, characters. */
const MOST_OF_PAGE = 6_000;

/** Keeps what the pages of failed tests showed, since where this runs unattended nothing but its words is left. */
function keepFailedPages(): void {
  const folder = join(root, 'test-results');
  const pages = readdirSync(folder, { recursive: true, encoding: 'utf8' });
  for (const page of pages.filter((path) => path.endsWith('error-context.md')))
    failures.push({
      place: page,
      words: readFileSync(join(folder, page), 'utf8').slice(0, MOST_OF_PAGE),
    });
}

/** The compiler that is native code; the older one, which linters and Svelte's checks build on, has the same name. */
const TSC = '../@typescript/native/bin/tsc';

const testEnvironment = () => ({
  KELBRIN_TEST_SERVER: server!.url,
  // A folder plays the reader of memory cards.
  KELBRIN_CARDS: mkdtempSync(join(tmpdir(), 'kelbrin-cards-')),
  KELBRIN_SECRET: secret('session-secret'),
  KELBRIN_TEST_PROCESSES: values.processes,
});

/** What reads all sources within seconds, and what alone knows what is particular to components, which is slow. */
function lintOf(components: readonly string[]): (readonly [program: string, ...args: string[]])[] {
  const markup = components.filter((path) => path.endsWith('.svelte'));
  return [
    ['oxlint'],
    ['oxfmt', '--list-different'],
    ...(components.length > 0 ? [['eslint', ...components] as const] : []),
    ...(markup.length > 0 ? [['prettier', '--check', '--log-level=warn', ...markup] as const] : []),
  ];
}

const stages: Stage[] = [
  {
    name: 'lint',
    run: () => commands(...lintOf(['app/src/**/*.svelte', 'app/src/**/*.svelte.ts'])),
  },
  {
    name: 'types',
    run: () =>
      commands(
        // The core by itself, so that nothing of a browser's is known in it; all that runs on Node together.
        [TSC, '-p', 'core'],
        [TSC, '-p', '.'],
        ['npm', 'run', '--silent', 'types', '-w', 'app'],
      ),
  },
  {
    name: 'boundaries',
    run: () => commands(['npm', 'run', '--silent', 'boundaries'], ['tsx', 'ops/houseMap.ts']),
  },
  { name: 'unit', run: () => vitest(['unit']) },
  { name: 'database', needs: 'database', run: () => vitest(['database*'], testEnvironment()) },
  { name: 'browser', needs: 'database', run: () => playwright(testEnvironment()) },
];

/** What touches the files that were changed, as far as it needs nothing that has to be built. */
function stagesOfChange(): Stage[] {
  const { since, files } = lastChange();
  const scripts = files.filter((file) => /\.(ts|mjs|svelte)$/.test(file));
  const isOfApp = scripts.some((file) => file.startsWith('app/') || file.startsWith('core/'));
  const left = files.filter((file) => /\.(db\.test|spec)\.ts$/.test(file));
  if (left.length > 0) console.log(`Not run, since it needs a database: ${left.join(', ')}`);
  return [
    { name: 'lint', run: () => commands(...lintOf(files.filter((file) => /\.svelte(\.ts)?$/.test(file)))) },
    {
      name: 'types',
      run: () =>
        commands(
          [TSC, '-p', 'core'],
          [TSC, '-p', '.'],
          ...(isOfApp ? [['npm', 'run', '--silent', 'types', '-w', 'app'] as const] : []),
        ),
    },
    { name: 'unit', run: () => vitest(['unit'], {}, ['--changed', since, '--passWithNoTests']) },
    // These read sources as files, so that no import tells that they are touched.
    { name: 'documents', run: () => vitest(['unit'], {}, ['ops/']) },
  ];
}

const { values, positionals: wanted } = wordsOf({
  allowPositionals: true,
  options: {
    processes: { type: 'string', default: '1' },
    changed: { type: 'boolean', default: false },
    only: { type: 'string' },
  },
});
const unknown = wanted.filter((name) => !stages.some((stage) => stage.name === name));
if (unknown.length > 0) {
  console.error(`There is no stage “${unknown[0]}”; there are ${stages.map(({ name }) => name).join(', ')}.`);
  process.exit(2);
}
const offered = values.changed ? stagesOfChange() : stages;
const chosen = offered.filter(({ name }) => wanted.length === 0 || wanted.includes(name));
const [unit, database] = ['unit', 'database'].map((name) => chosen.findIndex((stage) => stage.name === name));
// Some tests of databases wait for printers, and those of units fill the gaps.
if (unit >= 0 && database >= 0) {
  chosen.splice(unit, 2, {
    name: 'unit and database',
    needs: 'database',
    run: () => vitest(['unit', 'database*'], testEnvironment()),
  });
}

async function carryOut({ name, run }: Stage): Promise<void> {
  const begun = performance.now();
  console.log(`\n── ${name}`);
  if (!(await run())) broken.push(name);
  console.log(`── ${name} took ${((performance.now() - begun) / 1000).toFixed(1)} s`);
}

const broken: string[] = [];
try {
  // What only reads the sources runs side by side and while things are built, since each of them uses one processor.
  const reading = chosen.filter(({ name }) => ['lint', 'types', 'boundaries'].includes(name));
  const isServerNeeded = chosen.some(({ needs }) => needs === 'database');
  // The build and the look at types both write the types of routes where there are none, and would read each other's halves.
  if (reading.some(({ name }) => name === 'types') && isServerNeeded)
    await commands(['npm', 'run', '--silent', 'sync', '-w', 'app']);
  await Promise.all([
    isServerNeeded && startTestServer((started) => (server = started)),
    ...reading.map(carryOut),
  ]);
  for (const stage of chosen) if (!reading.includes(stage)) await carryOut(stage);
} finally {
  server?.stop();
}

for (const { place, words } of failures) console.error(`\n✗ ${place}\n${words}`);
if (broken.length > 0) console.error(`\nThese stages failed: ${broken.join(', ')}.`);
console.log(`\n${passed} passed, ${failed} failed, ${skipped} skipped`);
process.exitCode = broken.length > 0 ? 1 : 0;
