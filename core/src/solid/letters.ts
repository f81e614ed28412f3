// The declaration has to come along into every program that uses this file.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./opentype.d.ts" />
import { parse, type Font, type PathCommand } from 'opentype.js/dist/opentype.mjs';
import type { Outline, Region } from '../recipe/steps/index.ts';

/** A font that letters are written with, made once from the bytes of its file. */
export interface LetterFont {
  /**
   * The outlines of words on one line, starting at the origin, as areas whose winding is not zero.
   * Signs that the font lacks are named in `missing`.
   */
  outlines(words: string, capHeightMm: number): { region: Region; missing: string[] };
}

/** How far the straight edges of a letter may stray from its curves, in mm. */
const CHORD_ERROR_MM = 0.01;

/** Reads a font (TrueType, OpenType or WOFF). */
export function loadFont(bytes: ArrayBuffer): LetterFont {
  const font = parse(bytes);
  const capHeight = font.tables.os2?.sCapHeight || font.charToGlyph('H').getBoundingBox().y2;
  return {
    outlines(words, capHeightMm) {
      const missing = [...new Set(words)].filter((sign) => sign.trim() !== '' && !font.hasChar(sign));
      const size = (capHeightMm / capHeight) * font.unitsPerEm;
      return { region: flatten(commandsOf(font, words, size)), missing };
    },
  };
}

function commandsOf(font: Font, words: string, size: number): PathCommand[] {
  return font.getPath(words, 0, 0, size, { kerning: true }).commands;
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
    const [x0, y0] = outline.at(-1) ?? [0, 0];
    switch (command.type) {
      case 'M':
        finish();
        outline.push([command.x, -command.y]);
        break;
      case 'L':
        outline.push([command.x, -command.y]);
        break;
      case 'Q': {
        const { x1, x } = command;
        const y1 = -command.y1;
        const y = -command.y;
        // The greatest distance between a quadratic curve and its chord is a quarter of |p0 − 2 p1 + p2|, and halving
        // the steps quarters it.
        const steps = stepsFor(Math.hypot(x0 - 2 * x1 + x, y0 - 2 * y1 + y) / 4);
        for (let i = 1; i <= steps; i++) {
          const t = i / steps;
          const u = 1 - t;
          outline.push([u * u * x0 + 2 * u * t * x1 + t * t * x, u * u * y0 + 2 * u * t * y1 + t * t * y]);
        }
        break;
      }
      case 'C': {
        const { x1, x2, x } = command;
        const y1 = -command.y1;
        const y2 = -command.y2;
        const y = -command.y;
        const bend = Math.max(
          Math.hypot(x0 - 2 * x1 + x2, y0 - 2 * y1 + y2),
          Math.hypot(x1 - 2 * x2 + x, y1 - 2 * y2 + y),
        );
        const steps = stepsFor(bend * 0.75);
        for (let i = 1; i <= steps; i++) {
          const t = i / steps;
          const u = 1 - t;
          outline.push([
            u ** 3 * x0 + 3 * u * u * t * x1 + 3 * u * t * t * x2 + t ** 3 * x,
            u ** 3 * y0 + 3 * u * u * t * y1 + 3 * u * t * t * y2 + t ** 3 * y,
          ]);
        }
        break;
      }
      case 'Z':
        finish();
    }
  }
  finish();
  return region;
}

function stepsFor(errorMm: number): number {
  return Math.max(1, Math.min(40, Math.ceil(Math.sqrt(errorMm / CHORD_ERROR_MM))));
}
