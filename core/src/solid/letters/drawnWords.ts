import { DRAWING_FONT, spelled, type CutName } from '../../letters/index.ts';
import { extentOf, type Region } from '../../plane/index.ts';
import type { LetterFile } from './letterFile.ts';
import { written, type LetterFiles } from './written.ts';

/** Words of a drawing: their areas, standing on y = 0 from x = 0, and how wide they are. */
export interface DrawnWords {
  readonly region: Region;
  readonly widthMm: number;
}

/** Stands for a letter that no font has, so that its absence is seen. */
const NO_LETTER = '?';

/**
 * Writes the words of drawings with capitals of a height, each only once: figures are met again and again.
 *
 * @throws Error where a file that the words are set from is not at hand
 */
export function drawingScribe(files: LetterFiles): (words: string, capMm: number) => DrawnWords {
  const kept = new Map<string, DrawnWords>();
  const keeping = new Map<CutName, LetterFile>();
  /** The file of a name, each of whose letters is drawn once at each size. */
  const keptFiles: LetterFiles = (name) => {
    const known = keeping.get(name);
    const file = known ?? files(name);
    if (!file || known) return file;
    const outlines = new Map<string, Region>();
    const own: LetterFile = {
      ...file,
      outline(id, scale) {
        const key = `${id}:${scale}`;
        const region = outlines.get(key) ?? file.outline(id, scale);
        outlines.set(key, region);
        return region;
      },
    };
    keeping.set(name, own);
    return own;
  };
  return (words, capMm) => {
    const key = `${capMm}:${words}`;
    let drawn = kept.get(key);
    if (!drawn) {
      const { region } = written(
        { words: writable(words), font: DRAWING_FONT, size: { by: 'height', mm: capMm }, align: 'left' },
        keptFiles,
      );
      drawn = { region, widthMm: region.length > 0 ? extentOf(region).x.high : 0 };
      kept.set(key, drawn);
    }
    return drawn;
  };
}

function writable(words: string): string {
  const { missing } = spelled(words, DRAWING_FONT);
  return missing.reduce((left, letter) => left.replaceAll(letter, NO_LETTER), words.normalize('NFC'));
}
