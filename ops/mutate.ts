import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { mutantsOf, withMutant, type Mutant } from './mutants.ts';
import { root } from './state.ts';
import { wordsOf } from './words.ts';

/*
 * Tells how well the tests of a folder of the core notice faults: puts a seeded sample of small ones into copies of its
 * sources, one at a time, and runs the folder's tests. What no test notices is listed with its place. All mutants of a
 * folder take hours; a sample tells enough.
 */

const { values, positionals } = wordsOf({
  allowPositionals: true,
  options: {
    sample: { type: 'string', default: '150' },
    seed: { type: 'string', default: '1' },
    workers: { type: 'string', default: '2' },
    tests: { type: 'string', multiple: true },
  },
});
const [folder] = positionals;
if (!folder) {
  console.error('Name a folder of the core, such as core/src/plane.');
  process.exit(2);
}

interface Fault {
  /** From the top of the repository. */
  readonly file: string;
  readonly mutant: Mutant;
}

/** A run that takes so many times longer than without a fault goes on for ever. */
const PATIENCE = 4;
const tests = values.tests ?? [folder];

const files = readdirSync(join(root, folder), { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts') && !name.endsWith('.d.ts'))
  .map((name) => join(folder, name))
  .sort();
const faults = files.flatMap((file) =>
  mutantsOf(readFileSync(join(root, file), 'utf8')).map((mutant): Fault => ({ file, mutant })),
);
const sample = drawn(faults, Number(values.sample), Number(values.seed));
console.log(
  `${folder}: ${files.length} files, ${faults.length} mutants, of which ${sample.length} are tried.`,
);

const places = Array.from({ length: Number(values.workers) }, copyOfTheCore);
process.on('exit', () => places.forEach((place) => rmSync(place, { recursive: true, force: true })));
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(130));

const begun = performance.now();
if (!(await passes(places[0], Infinity))) throw new Error('The tests do not pass without a fault.');
const patienceMs = PATIENCE * (performance.now() - begun) + 10_000;

const waiting = [...sample];
const survivors: Fault[] = [];
let done = 0;
await Promise.all(
  places.map(async (place) => {
    for (let fault = waiting.shift(); fault; fault = waiting.shift()) {
      const source = readFileSync(join(root, fault.file), 'utf8');
      writeFileSync(join(place, fault.file), withMutant(source, fault.mutant));
      if (await passes(place, patienceMs)) {
        survivors.push(fault);
        console.log(describe(fault));
      }
      writeFileSync(join(place, fault.file), source);
      if (++done % 25 === 0) console.log(`  ${done} of ${sample.length} tried, ${survivors.length} survived`);
    }
  }),
);
const percent = (100 * (sample.length - survivors.length)) / sample.length;
console.log(`${folder}: ${percent.toFixed(1)}% noticed, ${survivors.length} of ${sample.length} survived.`);
process.exit(0);

/** A copy of the core in which faults do no harm, beside the packages that it uses. */
function copyOfTheCore(): string {
  const place = mkdtempSync(join(tmpdir(), 'kelbrin-mutate-'));
  for (const name of [
    'core',
    'app/src/lib/server',
    'package.json',
    'vitest.config.ts',
    'tsconfig.json',
    'tsconfig.base.json',
  ])
    cpSync(join(root, name), join(place, name), { recursive: true });
  symlinkSync(join(root, 'node_modules'), join(place, 'node_modules'));
  return place;
}

async function passes(place: string, patienceMs: number): Promise<boolean> {
  const vitest = join(root, 'node_modules/.bin/vitest');
  const args = ['run', '--root', place, '--project', 'unit', '--bail', '1', '--reporter', 'dot', ...tests];
  const child = spawn(vitest, args, { cwd: place, stdio: 'ignore', detached: true });
  const timer =
    patienceMs === Infinity ? undefined : setTimeout(() => process.kill(-child.pid!, 'SIGKILL'), patienceMs);
  const [code] = (await once(child, 'close')) as [number | null];
  clearTimeout(timer);
  return code === 0;
}

function describe({ file, mutant }: Fault): string {
  const source = readFileSync(join(root, file), 'utf8');
  const line = source.slice(0, mutant.start).split('\n').length;
  const was = source.slice(mutant.start, mutant.end).replace(/\s+/g, ' ').slice(0, 60);
  return `  survives: ${relative('.', file)}:${line}  ${was} → ${mutant.text.replace(/\s+/g, ' ').slice(0, 60)}`;
}

/** So many of a list, the same for the same seed, in an order that mixes the files. */
function drawn<T>(all: readonly T[], count: number, seed: number): T[] {
  // A linear congruential generator is random enough to pick a sample; its numbers are those of Numerical Recipes.
  let state = seed >>> 0;
  const next = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
  return all
    .map((each) => ({ each, order: next() }))
    .sort((a, b) => a.order - b.order)
    .slice(0, count)
    .map(({ each }) => each);
}
