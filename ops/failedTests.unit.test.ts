import { join } from 'node:path';
import { expect, test } from 'vitest';
import { failedTests } from './failedTests.ts';
import { root } from './state.ts';

const counted = { numPassedTests: 1, numFailedTests: 1, numPendingTests: 0 };

test('a failed test is named by file and name, with what was said of it, and one that passed is not', () => {
  const testResults = [
    {
      name: join(root, 'core/src/a.test.ts'),
      status: 'failed',
      assertionResults: [
        { fullName: 'a plate is flat', status: 'passed' },
        { fullName: 'a plate is round', status: 'failed', failureMessages: ['expected 1 to be 2', 'at a:1'] },
      ],
    },
  ];
  expect(failedTests({ ...counted, testResults })).toEqual([
    { place: 'core/src/a.test.ts › a plate is round', words: 'expected 1 to be 2\nat a:1' },
  ]);
});

test('a file that could not be run at all is named too', () => {
  const testResults = [
    { name: join(root, 'core/b.test.ts'), status: 'failed', message: 'no such module', assertionResults: [] },
  ];
  expect(failedTests({ ...counted, testResults })).toEqual([
    { place: 'core/b.test.ts', words: 'no such module' },
  ]);
});
