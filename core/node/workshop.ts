import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { FontName } from '../src/recipe/index.ts';
import { loadFont, loadKernel, type LetterFont, type Workshop } from '../src/solid/index.ts';

/**
 * The kernel and the fonts for hosts that run on Node: the command, the server's workers, benches and tests. A font is
 * read when it is first written with. It lies beside the core's sources and not among them, since they read no files.
 */
export async function nodeWorkshop(): Promise<Workshop> {
  const { resolve } = createRequire(import.meta.url);
  const loaded = new Map<FontName, LetterFont>();
  return {
    kernel: await loadKernel({ wasm: readFileSync(resolve('manifold-3d/manifold.wasm')) }),
    fonts(name) {
      let font = loaded.get(name);
      if (!font) {
        const bytes = readFileSync(resolve(`@kelbrin/core/fonts/${name}.woff`));
        font = loadFont(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
        loaded.set(name, font);
      }
      return font;
    },
  };
}
