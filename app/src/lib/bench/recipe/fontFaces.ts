import type { FontName } from '@kelbrin/core/recipe';
import { fontFiles } from '../worker/fontFiles';

let faces: FontFace[] | undefined;

/**
 * The fonts that letters are written with, for the page itself, so that each can be offered in itself. A browser fetches
 * one when something is shown in it.
 */
export function fontFaces(): readonly FontFace[] {
  faces ??= (Object.keys(fontFiles) as FontName[]).map(
    (name) => new FontFace(`Kelbrin ${name}`, `url(${fontFiles[name]})`, { display: 'swap' }),
  );
  return faces;
}
