import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Plugin } from 'vite';

/**
 * Writes down which packages the app takes anything from, for the list of what ships with Kelbrin and under which licence:
 * what is installed is far more than what is used.
 *
 * @param of what is built: the app itself, or its workers
 */
export function usedPackages(of: 'app' | 'worker'): Plugin {
  return {
    name: 'used-packages',
    generateBundle(_, bundle) {
      const modules = Object.values(bundle).flatMap((each) => (each.type === 'chunk' ? each.moduleIds : []));
      const packages = modules.flatMap((id) => /.*node_modules\/((?:@[^/]+\/)?[^/]+)/.exec(id)?.[1] ?? []);
      const folder = join(import.meta.dirname, '.svelte-kit/used-packages');
      mkdirSync(folder, { recursive: true });
      // Pages, server and each worker are built on their own, and no two of them are of as many modules.
      const name = `${of}-${this.environment?.name ?? 'build'}-${modules.length}.json`;
      writeFileSync(join(folder, name), JSON.stringify([...new Set(packages)]));
    },
  };
}
