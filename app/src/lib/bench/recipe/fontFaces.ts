import { everyCutFor, rangesOfCut, fontNames, type CutName, type FontName } from '@kelbrin/core/letters';
import { fontFiles } from '../worker/fontFiles';

let faces: FontFace[] | undefined;

/**
 * Gives the page the fonts that letters are written with, so that each can be offered in itself. A browser fetches a file
 * of one when something of that file is shown.
 */
export function addFontFaces(): void {
  // Where two files have a sign, a browser takes the one that was named later.
  faces ??= (Object.keys(fontNames) as FontName[]).flatMap((name) =>
    everyCutFor(name)
      .toReversed()
      .map(
        (cut) =>
          new FontFace(`Kelbrin ${name}`, `url(${fontFiles[cut]})`, {
            display: 'swap',
            unicodeRange: unicodeRangeOf(cut),
          }),
      ),
  );
  for (const face of faces) document.fonts.add(face);
}

/** The signs of a file as styles name them: `U+20-7E, U+A0`. */
function unicodeRangeOf(cut: CutName): string {
  return rangesOfCut(cut)
    .map(([first, last]) => `U+${first.toString(16)}-${last.toString(16)}`)
    .join(', ');
}
