import { extentOf, mirrored, moved, scaled, turned, type Region } from '../../plane/index.ts';
import {
  capUnitsOfCut,
  scripts,
  spelled,
  type CutName,
  type Run,
  type WrittenFont,
} from '../../letters/index.ts';
import type { Lettering, Resolved } from '../../recipe/index.ts';
import type { LetterFile } from './letterFile.ts';

/** The files of letters that are at hand, by name. */
export type LetterFiles = (name: CutName) => LetterFile | undefined;

/** From one line to the next, in capital heights. */
const LINE_HEIGHT = 1.55;

/** A letter with its marks, and the place where it begins on its line. */
interface SetLetter {
  readonly outline: Region;
  readonly x: number;
  readonly advance: number;
}

interface SetLine {
  readonly letters: readonly SetLetter[];
  readonly width: number;
}

/** Words as they are to be written, in a font of recipes or of drawings. */
export type Words = Omit<Resolved<Lettering>, 'font'> & { readonly font: WrittenFont };

/**
 * The outlines of words, as areas whose winding is not zero, and the height of a capital. The first line stands on
 * y = 0, the others below it.
 * @throws Error where a file that the words are set from is not at hand, which callers look at first
 */
export function written(lettering: Words, files: LetterFiles): { region: Region; capMm: number } {
  const { words, font, size, spacingMm = 0 } = lettering;
  const { lines } = spelled(words, font);
  const at = (capMm: number) => linesAt(lines, lettering, capMm, files);
  let region: Region;
  let capMm = size.mm;
  if (size.by === 'height') region = at(capMm);
  else {
    // Set once at a size to measure, then at the size that gives the width; spacing does not scale along.
    const gaps = spacingMm * Math.max(0, longest(words) - 1);
    const { x } = extentOf(at(10));
    const factor = Math.max(0.01, (size.mm - gaps) / Math.max(1e-6, x.high - x.low - gaps));
    region = at(10 * factor);
    const own = extentOf(region).x;
    const rest = size.mm / Math.max(1e-6, own.high - own.low);
    region = scaled(region, rest);
    capMm = 10 * factor * rest;
  }
  return { region: lettering.mirrored ? mirrored(region) : region, capMm };
}

function longest(words: string): number {
  return Math.max(...words.split('\n').map((line) => [...line].length));
}

function linesAt(
  lines: readonly (readonly Run[])[],
  { align, arcMm = 0, spacingMm = 0 }: Words,
  capMm: number,
  files: LetterFiles,
): Region {
  const set = lines.map((line) => setLine(line, capMm, spacingMm, files));
  const widest = Math.max(...set.map(({ width }) => width));
  return set.flatMap(({ letters, width }, i) => {
    const spare = widest - width;
    const indent = align === 'left' ? 0 : align === 'right' ? spare : spare / 2;
    const down = -i * LINE_HEIGHT * capMm;
    return letters.flatMap(({ outline, x, advance }) =>
      arcMm === 0
        ? moved(outline, x + indent, down)
        : alongArc(outline, x + indent - widest / 2, advance, arcMm, down),
    );
  });
}

function setLine(line: readonly Run[], capMm: number, spacingMm: number, files: LetterFiles): SetLine {
  const letters: SetLetter[] = [];
  let x = 0;
  let gap = 0;
  for (const run of line) {
    const file = files(run.cut);
    if (!file) throw new Error(`The letters of “${run.cut}” are not at hand`);
    const scale = capMm / (capUnitsOfCut[run.cut] ?? file.capUnits);
    const isJoined = run.script !== undefined && 'isJoined' in scripts[run.script];
    let cluster: number | undefined;
    for (const { id, cluster: own, advance, offset } of file.set(run, { isSpaced: spacingMm !== 0 })) {
      const drawn = moved(file.outline(id, scale), offset[0] * scale, offset[1] * scale);
      if (own === cluster) {
        // A mark, or a second form of one letter, goes where its letter goes.
        const { outline, ...letter } = letters.pop()!;
        const along = x - letter.x;
        letters.push({
          outline: [...outline, ...moved(drawn, along, 0)],
          x: letter.x,
          advance: Math.max(letter.advance, along + advance * scale),
        });
      } else {
        // Letters that are joined stay joined.
        x += isJoined && cluster !== undefined ? 0 : gap;
        letters.push({ outline: drawn, x, advance: advance * scale });
      }
      cluster = own;
      gap = spacingMm;
      x += advance * scale;
    }
  }
  return { letters, width: x };
}

/**
 * A letter put on a circle whose highest point (or lowest, for a negative radius) is the origin, turned so that its
 * middle stands square on it.
 */
function alongArc(outline: Region, x: number, advance: number, radiusMm: number, down: number): Region {
  const angle = (x + advance / 2) / radiusMm;
  const upright = moved(outline, -advance / 2, down);
  const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
  return moved(turned(upright, (-angle * 180) / Math.PI), radiusMm * sin, radiusMm * (cos - 1));
}
