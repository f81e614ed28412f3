import { join, relative } from 'node:path';
import { root } from '../state.ts';

/** Where it is noted which faults the tests of a file meet. */
export function notesOf(testFile: string, folder: string): string {
  return join(folder, `${relative(root, testFile).replaceAll('/', '+')}.json`);
}
