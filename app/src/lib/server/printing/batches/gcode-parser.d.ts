declare module 'gcode-parser' {
  /** A letter with its number; what is no number stays words. */
  type Word = readonly [letter: string, value: number | string];
  export function parseStringSync(gcode: string): { line: string; words: readonly Word[] }[];
}
