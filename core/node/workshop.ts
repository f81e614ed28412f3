import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { loadFont, loadKernel, type Workshop } from '../src/solid/index.ts';

/**
 * The kernel and the font for hosts that run on Node: the command, the server's workers, benches and tests.
 * It lies beside the core's sources and not among them, since they read no files.
 */
export async function nodeWorkshop(): Promise<Workshop> {
  const { resolve } = createRequire(import.meta.url);
  const font = readFileSync(resolve('@kelbrin/core/fonts/sturdy.woff'));
  return {
    kernel: await loadKernel({ wasm: readFileSync(resolve('manifold-3d/manifold.wasm')) }),
    font: loadFont(font.buffer.slice(font.byteOffset, font.byteOffset + font.byteLength)),
  };
}
