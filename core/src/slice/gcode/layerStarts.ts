/** A line that is a comment. */
const COMMENT = /^;.*(?:\n|$)/gm;
/** The comment before each layer; a note may begin like it, and goes on. */
const LAYER = /^; layer (\d+) of \d+$/;

/**
 * Where in G-code each layer begins, from below, as a share of its commands, 0 to 1: comments are not sent to printers. What
 * a printer says of how much of a file it has read tells by it at which layer it is.
 */
export function layerStarts(gcode: string): number[] {
  const starts: number[] = [];
  let comments = 0;
  for (const { index, 0: line } of gcode.matchAll(COMMENT)) {
    const number = LAYER.exec(line.trimEnd())?.[1];
    if (Number(number) === starts.length + 1) starts.push(index - comments);
    comments += line.length;
  }
  const length = gcode.length - comments;
  return starts.map((start) => start / length);
}
