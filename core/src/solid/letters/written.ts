// The declaration has to come along into every program that uses this file.
// oxlint-disable-next-line typescript/triple-slash-reference
/// <reference path="./opentype.d.ts" />
import { parse, type Font, type Glyph, type PathCommand } from 'opentype.js/dist/opentype.mjs';
import {
  cubic,
  extentOf,
  mirrored,
  moved,
  quadratic,
  scaled,
  turned,
  type Outline,
  type Region,
} from '../plane/index.ts';
import type { FontName, Lettering, Resolved } from '../recipe/index.ts';

/** A font that letters are written with, made once from the bytes of its file. */
export interface LetterFont {
  /**
   * The outlines of what is written, as areas whose winding is not zero, and the height of a capital. Signs that the
   * font lacks are named in `missing`.
   */
  outlines(lettering: Resolved<Lettering>): { region: Region; capMm: number; missing: string[] };
}

/** From one line to the next, in capital heights. */
const LINE_HEIGHT = 1.55;

/** A letter with the place where it begins on its line. */
interface SetGlyph {
  readonly glyph: Glyph;
  readonly x: number;
  readonly advance: number;
}

/** Reads a font (TrueType, OpenType or WOFF). */
export function loadFont(bytes: ArrayBuffer): LetterFont {
  const font = parse(bytes);
  const capHeight = font.tables.os2?.sCapHeight || font.charToGlyph('H').getBoundingBox().y2;
  const emOf = (capMm: number) => (capMm / capHeight) * font.unitsPerEm;
  return {
    outlines(lettering) {
      const { words, size } = lettering;
      const missing = [...new Set(words)].filter((sign) => sign.trim() !== '' && !font.hasChar(sign));
      let region: Region;
      let capMm = size.mm;
      if (size.by === 'height') region = written(font, lettering, capMm, emOf(capMm));
      else {
        // Set once at a size to measure, then at the size that gives the width; spacing does not scale along.
        const trial = written(font, lettering, 10, emOf(10));
        const gaps = (lettering.spacingMm ?? 0) * Math.max(0, longest(words) - 1);
        const { x } = extentOf(trial);
        const factor = Math.max(0.01, (size.mm - gaps) / Math.max(1e-6, x.high - x.low - gaps));
        region = written(font, lettering, 10 * factor, emOf(10 * factor));
        const own = extentOf(region).x;
        const rest = size.mm / Math.max(1e-6, own.high - own.low);
        region = scaled(region, rest);
        capMm = 10 * factor * rest;
      }
      if (lettering.mirrored) region = mirrored(region);
      return { region, capMm, missing };
    },
  };
}

function longest(words: string): number {
  return Math.max(...words.split('\n').map((line) => [...line].length));
}

/** All lines at a size, the first on y = 0 and the others below it. */
function written(font: Font, of: Resolved<Lettering>, capMm: number, size: number): Region {
  const lines = of.words.split('\n').map((line) => setLine(font, line, size, of.spacingMm ?? 0));
  const widest = Math.max(...lines.map(({ width }) => width));
  return lines.flatMap(({ glyphs, width }, i) => {
    const spare = widest - width;
    const indent = of.align === 'left' ? 0 : of.align === 'right' ? spare : spare / 2;
    const down = -i * LINE_HEIGHT * capMm;
    return glyphs.flatMap(({ glyph, x, advance }) => {
      const outline = flatten(glyph.getPath(0, 0, size).commands);
      if (of.arcMm === undefined || of.arcMm === 0) return moved(outline, x + indent, down);
      return alongArc(outline, x + indent - widest / 2, advance, of.arcMm, down);
    });
  });
}

function setLine(
  font: Font,
  line: string,
  size: number,
  spacingMm: number,
): { glyphs: SetGlyph[]; width: number } {
  const scale = size / font.unitsPerEm;
  const glyphs: SetGlyph[] = [];
  let x = 0;
  const signs = font.stringToGlyphs(line);
  signs.forEach((glyph, i) => {
    const advance = glyph.advanceWidth * scale;
    glyphs.push({ glyph, x, advance });
    const next = signs[i + 1];
    x += advance + (next ? font.getKerningValue(glyph, next) * scale + spacingMm : 0);
  });
  return { glyphs, width: x };
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

/**
 * Turns drawing commands into closed outlines. Fonts measure y downwards here, so it is turned over. A path may lack
 * its closing command, so a new start ends the outline before it.
 */
function flatten(commands: readonly PathCommand[]): Region {
  const region: Region = [];
  let outline: Outline = [];
  const finish = () => {
    const [first] = outline;
    const last = outline.at(-1);
    if (first && last && outline.length > 1 && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-6)
      outline.pop();
    if (outline.length > 2) region.push(outline);
    outline = [];
  };
  for (const command of commands) {
    const from = outline.at(-1) ?? [0, 0];
    switch (command.type) {
      case 'M':
        finish();
        outline.push([command.x, -command.y]);
        break;
      case 'L':
        outline.push([command.x, -command.y]);
        break;
      case 'Q':
        outline.push(...quadratic(from, [command.x1, -command.y1], [command.x, -command.y]));
        break;
      case 'C': {
        const { x1, y1, x2, y2, x, y } = command;
        outline.push(...cubic(from, [x1, -y1], [x2, -y2], [x, -y]));
        break;
      }
      case 'Z':
        finish();
    }
  }
  finish();
  return region;
}

/** The fonts that are at hand, by name. */
export type LetterFonts = (name: FontName) => LetterFont | undefined;
