/** The part of the font reader that Kelbrin uses; the package ships no types. */
declare module 'opentype.js/dist/opentype.mjs' {
  export type PathCommand =
    | { type: 'M' | 'L'; x: number; y: number }
    | { type: 'Q'; x1: number; y1: number; x: number; y: number }
    | { type: 'C'; x1: number; y1: number; x2: number; y2: number; x: number; y: number }
    | { type: 'Z' };

  export interface Glyph {
    advanceWidth: number;
    getBoundingBox(): { y2: number };
    getPath(x: number, y: number, size: number): { commands: PathCommand[] };
  }

  export interface Font {
    unitsPerEm: number;
    tables: { os2?: { sCapHeight?: number } };
    hasChar(sign: string): boolean;
    charToGlyph(sign: string): Glyph;
    stringToGlyphs(words: string): Glyph[];
    getKerningValue(left: Glyph, right: Glyph): number;
  }

  export function parse(bytes: ArrayBuffer): Font;
}
