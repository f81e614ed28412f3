import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import { BaseSequencer, createVitest, type TestSpecification } from 'vitest/node';
import { root } from '../state.ts';

/*
 * A process that runs tests of sources with switches in them, as often as it is asked to. It compiles them once, and each
 * run has a new process for its tests, so that nothing of the last mutant is left.
 */

/** What a runner is started with, as JSON in a file. */
export interface Given {
  /** The sources with switches, by their paths. */
  readonly sources: Readonly<Record<string, string>>;
  /** Folders or files of tests. */
  readonly paths: readonly string[];
}

/** A test, and how long it takes. */
export interface Test {
  readonly id: string;
  readonly file: string;
  readonly tookMs: number;
}

/** What it is asked: to run tests, all if none are named, with a mutant switched on or with notes of those that are met. */
export interface Asked {
  readonly tests?: readonly Test[];
  readonly env: Readonly<Record<string, string>>;
}

/** What it answers: whether all passed, and what was run. */
export interface Answer {
  readonly passed: boolean;
  /** What did not pass, and why, a line each. */
  readonly problems: readonly string[];
  readonly tests: readonly Test[];
}

/** Runs the files in the order that is asked for, which is that of what tells most for least. */
class AsAsked extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    return files;
  }
}

const { sources, paths } = JSON.parse(readFileSync(process.argv[2], 'utf8')) as Given;
/** Whether each file of tests has a process of its own. */
const isolate = process.argv[3] === 'apart';
const vitest = await createVitest(
  'test',
  {
    root,
    config: false,
    watch: false,
    include: ['{cli,core,printer}/**/*.test.ts', 'app/src/**/*.{unit,db}.test.ts', 'ops/**/*.unit.test.ts'],
    setupFiles: ['core/test/seed.ts', 'ops/mutation/inTests.ts'].map((file) => join(root, file)),
    isolate,
    maxWorkers: 1,
    bail: isolate ? 0 : 1,
    // A mutant that hangs is ended from outside, together with its process.
    testTimeout: 600_000,
    hookTimeout: 600_000,
    sequence: { sequencer: AsAsked },
    reporters: [{}],
    silent: true,
  },
  {
    plugins: [
      svelte({ configFile: false }),
      { name: 'switches', enforce: 'pre', load: (id) => sources[id.split('?')[0]] },
    ],
    logLevel: 'silent',
  },
);
await vitest.standalone();
const specifications = await vitest.globTestSpecifications([...paths]);

process.on('message', async ({ tests, env }: Asked) => {
  Object.assign(process.env, { KELBRIN_FAULT: '', KELBRIN_FAULTS_MET: '' }, env);
  const files = new Set(tests?.map(({ file }) => file));
  const chosen = tests
    ? specifications
        .filter(({ moduleId }) => files.has(moduleId))
        .map(({ project, moduleId }) =>
          project.createSpecification(moduleId, {
            testIds: tests.filter(({ file }) => file === moduleId).map(({ id }) => id),
          }),
        )
    : specifications;
  const { testModules, unhandledErrors } = await vitest.runTestSpecifications(chosen);
  // What earlier runs told of other files is there, too.
  const modules = testModules.filter((module) => !tests || files.has(module.moduleId));
  process.send!({
    passed: unhandledErrors.length === 0 && modules.every((module) => module.ok()),
    problems: [
      ...unhandledErrors.map(String),
      ...modules.flatMap((module) => [
        ...module.errors().map(({ message }) => `${module.moduleId}: ${message}`),
        ...[...module.children.allTests('failed')].map(
          (test) => `${test.fullName}: ${test.result().errors?.[0]?.message}`,
        ),
      ]),
    ],
    tests: modules.flatMap((module) =>
      [...module.children.allTests()].map((test) => ({
        id: test.id,
        file: module.moduleId,
        tookMs: test.diagnostic()?.duration ?? 0,
      })),
    ),
  } satisfies Answer);
});
process.send!('ready');
