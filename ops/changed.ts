import { execFileSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './state.ts';

/** What was changed since a state of the repository. */
export interface Change {
  /** The state that it is compared with. */
  readonly since: string;
  /** The files that were changed and are still there, from the top of the repository. */
  readonly files: readonly string[];
}

/** What is not committed yet, or else what the last commit changed. */
export function lastChange(): Change {
  const open = filesSince('HEAD');
  return open.length > 0 ? { since: 'HEAD', files: open } : { since: 'HEAD~1', files: filesSince('HEAD~1') };
}

function filesSince(since: string): string[] {
  const changed = git('diff', '--name-only', '-z', since);
  const added = git('ls-files', '--others', '--exclude-standard', '-z');
  return [...new Set([...changed, ...added])].filter((file) => existsSync(join(root, file))).sort();
}

function git(...args: string[]): string[] {
  return execFileSync('git', args, { cwd: root, encoding: 'utf8' })
    .split('\0')
    .filter((name) => name !== '');
}
