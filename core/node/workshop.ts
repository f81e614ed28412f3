import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import * as shaper from 'harfbuzzjs';
import type { CutName } from '../src/letters/index.ts';
import { loadKernel, readLetters, type LetterFile, type Workshop } from '../src/solid/index.ts';

/**
 * The kernel and the letters for hosts that run on Node: the command, the server's workers, benches and tests. A file of
 * letters is read when it is first written with. It lies beside the core's sources and not among them, since they read no
 * files.
 */
export async function nodeWorkshop(): Promise<Workshop> {
  const { resolve } = createRequire(import.meta.url);
  const loaded = new Map<CutName, LetterFile>();
  return {
    kernel: await loadKernel({ wasm: readFileSync(resolve('manifold-3d/manifold.wasm')) }),
    fonts(name) {
      let file = loaded.get(name);
      if (!file) {
        file = readLetters(shaper, readFileSync(resolve(`@kelbrin/core/fonts/${name}.woff`)));
        loaded.set(name, file);
      }
      return file;
    },
  };
}
