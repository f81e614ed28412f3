import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { loadFont, loadKernel, type Workshop } from '../src/solid/index.ts';

const require = createRequire(import.meta.url);

/** The kernel and font for tests, read from the installed package and the shipped font. */
export async function workshopForTests(): Promise<Workshop> {
  const wasm = readFileSync(require.resolve('manifold-3d/manifold.wasm'));
  const font = readFileSync(new URL('../assets/fonts/sturdy.woff', import.meta.url));
  return {
    kernel: await loadKernel({ wasm }),
    font: loadFont(font.buffer.slice(font.byteOffset, font.byteOffset + font.byteLength)),
  };
}
