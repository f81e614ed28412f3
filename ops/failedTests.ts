import { relative } from 'node:path';
import { root } from './state.ts';

/** What failed in a run: where it is, and what was said of it. */
export interface FailedTest {
  readonly place: string;
  readonly words: string;
}

/** What is read of the report that Vitest writes as JSON. */
export interface VitestReport {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly numPendingTests: number;
  readonly testResults: readonly {
    readonly name: string;
    readonly status: string;
    readonly message?: string;
    readonly assertionResults: readonly {
      readonly fullName: string;
      readonly status: string;
      readonly failureMessages?: readonly string[];
    }[];
  }[];
}

/** How much is said of one failed test, characters. */
const MOST_OF_WORDS = 3_000;

/** The failed tests of a report, and the files that could not be run at all. */
export function failedTests({ testResults }: VitestReport): FailedTest[] {
  return testResults.flatMap((file) => {
    const path = relative(root, file.name);
    const failed = file.assertionResults.filter(({ status }) => status === 'failed');
    if (failed.length === 0 && file.status === 'failed')
      return [{ place: path, words: (file.message ?? '').slice(0, MOST_OF_WORDS) }];
    return failed.map(({ fullName, failureMessages = [] }) => ({
      place: `${path} › ${fullName}`,
      words: failureMessages.join('\n').slice(0, MOST_OF_WORDS),
    }));
  });
}
