import { execFile } from 'node:child_process';
import { existsSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import { holdingLock } from './holdLock.ts';
import { root } from './state.ts';

const sources = ['core', 'app', 'cli', 'printer', 'ops', 'package-lock.json'];
const outputs = new Set(['node_modules', 'dist', 'build', '.svelte-kit']);

/** Builds the web app and the bundles, unless nothing has changed since they were last built. */
export async function buildAll(): Promise<void> {
  await holdingLock('build', buildChanged);
}

/** The program that builds the app, or serves its sources; npm may put it beside the app or at the top. */
export function viteProgram(): string {
  const place = createRequire(join(root, 'app/package.json')).resolve('vite/package.json');
  return join(dirname(place), 'bin/vite.js');
}

async function buildChanged(): Promise<void> {
  const stamp = join(root, 'app/build/.built');
  if (existsSync(stamp) && newest(sources.map((each) => join(root, each))) < statSync(stamp).mtimeMs) return;
  console.log('Building');
  // What is half built when this is ended is built anew.
  rmSync(stamp, { force: true });
  const run = async (args: string[], cwd = root) => {
    // Builders chat about other people's packages; their words matter only when they fail.
    await promisify(execFile)(process.execPath, args, { cwd, maxBuffer: 2 ** 26 }).catch(
      ({ stdout, stderr }: { stdout: string; stderr: string }) => {
        throw new Error(`The build failed.\n${stdout}\n${stderr}`);
      },
    );
  };
  await run([viteProgram(), 'build', '--logLevel', 'warn'], join(root, 'app'));
  await run(['--import', 'tsx', 'ops/bundle.ts']);
  writeFileSync(stamp, '');
}

function newest(paths: string[]): number {
  let latest = 0;
  for (const path of paths) {
    const found = statSync(path);
    if (!found.isDirectory()) latest = Math.max(latest, found.mtimeMs);
    else {
      const inside = readdirSync(path).filter((name) => !outputs.has(name));
      latest = Math.max(latest, newest(inside.map((name) => join(path, name))));
    }
  }
  return latest;
}
