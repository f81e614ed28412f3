import type * as HarfBuzz from 'harfbuzzjs';
import { cubic, quadratic, type Outline, type Point, type Region } from '../../plane/index.ts';
import { scripts, type Run } from '../../letters/index.ts';
import { unpackedFont } from './woff.ts';

/** The shaper of letters, which the host loads, since the core reads no files. */
export type Shaper = typeof HarfBuzz;

/** A form of a letter as it is set, in units of the file. */
export interface SetGlyph {
  readonly id: number;
  /** The place in the text of the letter that it belongs to; a letter and its marks share one. */
  readonly cluster: number;
  readonly advance: number;
  readonly offset: Point;
}

/** A file that letters are set from. */
export interface LetterFile {
  /** The height of a capital in units of the file. */
  readonly capUnits: number;
  /** The code points that the file has signs for. */
  readonly codePoints: ReadonlySet<number>;
  /** The forms of a run from left to right: joined, kerned and with ligatures as the font says. */
  set(run: Run, options?: { isSpaced?: boolean }): SetGlyph[];
  /** The outlines of a form at a scale (mm a unit), y upwards; areas are where the winding is not zero. */
  outline(id: number, scale: number): Region;
}

/** Reads a file of letters (WOFF 1.0). Its memory is the shaper's, and is held as long as the file is. */
export function readLetters(shaper: Shaper, packed: Uint8Array): LetterFile {
  const face = new shaper.Face(new shaper.Blob(unpackedFont(packed)));
  const font = new shaper.Font(face);
  // One buffer for all words, since what the shaper makes is freed when the collector comes to it.
  const buffer = new shaper.Buffer();
  const unjoined = ['liga', 'clig'].map((tag) => new shaper.Feature(tag, 0));
  const drawn = new Map<number, ReturnType<typeof font.glyphToJson>>();
  return {
    capUnits: font.getMetricPositionWithFallback(shaper.MetricsTag.CAP_HEIGHT),
    codePoints: new Set(face.collectUnicodes()),
    set({ text, script, isRightToLeft }, { isSpaced = false } = {}) {
      buffer.reset();
      buffer.addText(text);
      buffer.setDirection(isRightToLeft ? shaper.Direction.RTL : shaper.Direction.LTR);
      buffer.setScript(script ? scripts[script].tag : 'Zyyy');
      // Letters that are set apart are not drawn as one.
      shaper.shape(font, buffer, isSpaced ? unjoined : []);
      const places = buffer.getGlyphPositions();
      return buffer.getGlyphInfos().map(({ codepoint, cluster }, i) => ({
        id: codepoint,
        cluster,
        advance: places[i].xAdvance,
        offset: [places[i].xOffset, places[i].yOffset],
      }));
    },
    outline(id, scale) {
      let commands = drawn.get(id);
      if (!commands) drawn.set(id, (commands = font.glyphToJson(id)));
      return flattened(commands, scale);
    },
  };
}

/**
 * Turns drawing commands into closed outlines. A path may lack its closing command, so a new start ends the outline
 * before it.
 */
function flattened(
  commands: readonly { readonly type: string; readonly values: readonly number[] }[],
  scale: number,
): Region {
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
  for (const { type, values } of commands) {
    const from = outline.at(-1) ?? [0, 0];
    const point = (i: number): Point => [values[2 * i] * scale, values[2 * i + 1] * scale];
    switch (type) {
      case 'M':
        finish();
        outline.push(point(0));
        break;
      case 'L':
        outline.push(point(0));
        break;
      case 'Q':
        outline.push(...quadratic(from, point(0), point(1)));
        break;
      case 'C':
        outline.push(...cubic(from, point(0), point(1), point(2)));
        break;
      case 'Z':
        finish();
    }
  }
  finish();
  return region;
}
