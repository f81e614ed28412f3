import { fork, type ChildProcess } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root, secret } from '../state.ts';
import { startTestServer, type TestServer } from '../testServer.ts';
import { wordsOf } from '../words.ts';
import { harmlessFaults, keyOf, toldFault } from './harmless.ts';
import { mutantsOf, type Mutant } from './mutants.ts';
import { notesOf } from './notes.ts';
import type { Answer, Asked, Given, Test } from './runner.ts';
import { withSwitches, type Fault } from './switches.ts';

/*
 * Tells how well tests notice faults: puts a seeded sample of small ones into sources, switches them on one at a time, and
 * runs the tests that get to them. What no test notices is listed with its place. All mutants of a folder take long; a
 * sample tells enough. A run that was broken off goes on with `--from`; one without the tests that take longer than so many
 * seconds, `--longest`, is quick, and what survives it may still be noticed by those: `--again LOG` tries only what survived
 * a run whose output was kept.
 */

const { values, positionals } = wordsOf({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '150' },
    seed: { type: 'string', default: '1' },
    from: { type: 'string', default: '0' },
    workers: { type: 'string', default: '2' },
    longest: { type: 'string', default: '3600' },
    again: { type: 'string' },
    tests: { type: 'string', multiple: true },
  },
});
if (positionals.length === 0) {
  console.error('Name folders or files of sources, such as core/src/plane.');
  process.exit(2);
}

interface InFile {
  /** From the top of the repository. */
  readonly file: string;
}
type Place = Fault & InFile;

/** A run that takes so many times longer than without a fault, and this much, goes on for ever. */
const PATIENCE = { times: 4, ms: 20_000 };
/** Most faults are noticed by a quick test, so these are asked first: so many for so long, then for so many times longer. */
const ROUNDS = { firstMs: 700, times: 5 };

const paths = values.tests ?? positionals;
const files = positionals.flatMap(sourcesIn).sort();
/** The sources as they were when this began, by their files. */
const sourceOf = new Map(files.map((file) => [file, readFileSync(join(root, file), 'utf8')]));
const all = [...sourceOf].flatMap(([file, source]) =>
  mutantsOf(source).map((mutant) => ({ ...mutant, file })),
);
const before = values.again && readFileSync(values.again, 'utf8');
const sample = drawn(all, Number(values.sample), Number(values.seed))
  .slice(Number(values.from))
  .filter((each) => !before || before.includes(`${toldPlace(each)}  (`))
  .map((each, id): Place => ({ ...each, id }));
console.log(`${files.length} files, ${all.length} mutants, of which ${sample.length} are tried.`);

const rooms = mkdtempSync(join(tmpdir(), 'kelbrin-mutate-'));
const given = join(rooms, 'given.json');
const sources = Object.fromEntries(
  [...sourceOf].map(([file, source]) => [
    join(root, file),
    withSwitches(
      source,
      sample.filter((each) => each.file === file),
    ),
  ]),
);
writeFileSync(given, JSON.stringify({ sources, paths } satisfies Given));
const runners = new Set<ChildProcess>();
let server: TestServer | undefined;
process.on('exit', () => {
  runners.forEach(end);
  server?.stop();
  rmSync(rooms, { recursive: true, force: true });
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(130));
if (paths.some((path) => path.startsWith('app'))) await startTestServer((started) => (server = started));

const meeting = await tried();
const waiting = [...sample];
const harmless = new Set(harmlessFaults().map(keyOf));
const survivors: Place[] = [];
let harmlessSurvivors = 0;
let done = 0;
await Promise.all(Array.from({ length: Number(values.workers) }, work));
const noticed = sample.length - survivors.length - harmlessSurvivors;
const percent = (of: number) => `${((100 * noticed) / of).toFixed(1)}%`;
console.log(
  `${percent(sample.length)} noticed, ${sample.length - noticed} of ${sample.length} survived, of which ${harmlessSurvivors}` +
    ` are kept as harmless: ${percent(sample.length - harmlessSurvivors)} without them.`,
);
process.exit(0);

/** Runs all tests without a fault; tells which tests get to each of them. */
async function tried(): Promise<Test[][]> {
  const runner = await start(true);
  const answer = (await ask(runner, { env: { KELBRIN_FAULTS_MET: rooms } }))!;
  end(runner);
  demandPassed(answer, 'The tests do not pass without a fault.');
  const tests = answer.tests.filter((test) => test.tookMs <= 1000 * Number(values.longest));
  const meeting = sample.map((): Test[] => []);
  for (const file of new Set(tests.map((test) => test.file))) {
    const ofFile = tests.filter((test) => test.file === file);
    const met = new Map(JSON.parse(readFileSync(notesOf(file, rooms), 'utf8')) as [string, number[]][]);
    const outside = new Set(met.get(''));
    const ofAll = new Set([...met.values()].flat());
    for (const { id } of sample) {
      const isMet = (test: Test) => outside.has(id) || met.get(test.id)?.includes(id);
      meeting[id].push(...(isOnDatabase(file) ? (ofAll.has(id) ? ofFile : []) : ofFile.filter(isMet)));
    }
  }
  return meeting;
}

/** Tries one fault after the other, as long as there are some. */
async function work(): Promise<void> {
  let runner: ChildProcess | undefined = await start(false);
  // Without a fault all pass in one process, too; otherwise every fault would seem to be noticed.
  demandPassed(
    await ask(runner, { tests: [...new Set(meeting.flat())], env: {} }),
    'The tests do not pass together.',
  );
  for (let fault = waiting.shift(); fault; fault = waiting.shift()) {
    const tests = meeting[fault.id];
    const env = { KELBRIN_FAULT: String(fault.id) };
    let passes = true;
    for (const some of roundsOf(tests)) {
      if (!passes) break;
      runner ??= await start(false);
      const tookMs = some.reduce((total, test) => total + test.tookMs, 0);
      const answer = await ask(runner, { tests: some, env }, PATIENCE.ms + PATIENCE.times * tookMs);
      passes = answer?.passed ?? false;
      if (!answer) {
        end(runner);
        runner = undefined;
      }
    }
    if (passes)
      survives(fault, tests.length === 0 ? 'no test gets there' : `${tests.length} tests get there`);
    if (++done % 25 === 0) console.log(`  ${done} of ${sample.length} tried, ${survivors.length} survived`);
  }
  if (runner) end(runner);
}

function demandPassed(answer: Answer | undefined, words: string): void {
  if (!answer?.passed) throw new Error([words, ...(answer?.problems ?? [])].join('\n  '));
}

/** Tests in rounds of which each takes longer than the one before. */
function roundsOf(tests: readonly Test[]): Test[][] {
  const rounds: Test[][] = [];
  let [lengthMs, leftMs] = [ROUNDS.firstMs, 0];
  // Those on a database are one story a file, and come last.
  const rank = (test: Test) => (isOnDatabase(test.file) ? Infinity : test.tookMs);
  for (const test of tests.toSorted((a, b) => rank(a) - rank(b))) {
    if (rounds.length === 0 || (leftMs < test.tookMs && !isOnDatabase(test.file))) {
      rounds.push([]);
      leftMs = lengthMs;
      lengthMs *= ROUNDS.times;
    }
    rounds.at(-1)!.push(test);
    leftMs -= test.tookMs;
  }
  return rounds;
}

/** Whether tests go on from what those before them in their file have done. */
function isOnDatabase(file: string): boolean {
  return file.endsWith('.db.test.ts');
}

async function start(isolate: boolean): Promise<ChildProcess> {
  const runner = fork(join(import.meta.dirname, 'runner.ts'), [given, isolate ? 'apart' : 'together'], {
    execArgv: ['--import', 'tsx'],
    detached: true,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      ...(server && { KELBRIN_TEST_SERVER: server.url, KELBRIN_SECRET: secret('session-secret') }),
    },
  });
  runners.add(runner);
  await once(runner, 'message');
  return runner;
}

/** What a runner answers; undefined where it does not in time, or ends. */
async function ask(runner: ChildProcess, asked: Asked, patienceMs?: number): Promise<Answer | undefined> {
  const late = new AbortController();
  const timer = patienceMs && setTimeout(() => late.abort(), patienceMs);
  const gone = () => late.abort();
  runner.once('exit', gone);
  runner.send(asked);
  try {
    const [answer] = (await once(runner, 'message', { signal: late.signal })) as [Answer];
    return answer;
  } catch (error) {
    if (late.signal.aborted) return undefined;
    throw error;
  } finally {
    clearTimeout(timer);
    runner.off('exit', gone);
  }
}

/** Ends a runner with the processes of its tests. */
function end(runner: ChildProcess): void {
  runners.delete(runner);
  try {
    process.kill(-runner.pid!, 'SIGKILL');
  } catch {
    // It has ended by itself.
  }
}

function survives(fault: Place, why: string): void {
  const isHarmless = harmless.has(keyOf(toldFault(fault.file, sourceOf.get(fault.file)!, fault)));
  if (isHarmless) harmlessSurvivors++;
  else {
    survivors.push(fault);
    console.log(`  survives: ${toldPlace(fault)}  (${why})`);
  }
}

/** Where a fault is, and what is exchanged there. */
function toldPlace(fault: Mutant & InFile): string {
  const source = sourceOf.get(fault.file)!;
  const { at, was, to } = toldFault(fault.file, source, fault);
  const line = source.slice(0, fault.start).split('\n').length;
  return `${fault.file}:${line}:${at}  ${was} → ${to}`;
}

/** The sources of a folder, or the one that is named. */
function sourcesIn(path: string): string[] {
  if (!statSync(join(root, path)).isDirectory()) return [path];
  return readdirSync(join(root, path), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !/\.test\.ts$|\.d\.ts$/.test(name))
    .map((name) => join(path, name));
}

/**
 * So many of the faults, the same for the same seed, in an order that mixes the files. Each is drawn by its own line, so that
 * a change to the sources leaves the others in the sample.
 */
function drawn(all: readonly (Mutant & InFile)[], count: number, seed: number): (Mutant & InFile)[] {
  const orderOf = (each: Mutant & InFile) =>
    createHash('sha256')
      .update(`${seed} ${keyOf(toldFault(each.file, sourceOf.get(each.file)!, each))}`)
      .digest('hex');
  return all
    .map((each) => ({ each, order: orderOf(each) }))
    .sort((a, b) => (a.order < b.order ? -1 : 1))
    .slice(0, count)
    .map(({ each }) => each);
}
