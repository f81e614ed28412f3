import type { Progress } from './printClock.ts';
import type { Toolpath } from './paths/toolpath.ts';

/** How many moves are made when each line of each layer is done, counted through the whole print. */
export interface MoveCount {
  readonly lineEnds: readonly Uint32Array[];
  readonly all: number;
}

/** Counts the moves of a print: the way to each line, and its pieces. */
export function countMoves({ layers }: Toolpath): MoveCount {
  let all = 0;
  const lineEnds = layers.map(({ paths }) =>
    Uint32Array.from(paths, ({ points, closed, way }) => {
      all += 1 + (way?.length ?? 0) + points.length - (closed ? 0 : 1);
      return all;
    }),
  );
  return { lineEnds, all };
}

/**
 * How far a print has come of which a share of the file is carried out, 0 to 1: a file has about as many bytes for each
 * move, long or short, so that this is nearer than the time.
 */
export function progressAtShare({ lineEnds, all }: MoveCount, share: number): Progress {
  const done = Math.min(1, Math.max(0, share)) * all;
  let before = 0;
  for (const [layer, ends] of lineEnds.entries()) {
    if (ends.length === 0) continue;
    const end = ends[ends.length - 1];
    if (done < end) {
      const lines = ends.findIndex((lineEnd) => lineEnd > done);
      const from = lines === 0 ? before : ends[lines - 1];
      return { layer, lines, share: (done - from) / (ends[lines] - from) };
    }
    before = end;
  }
  const last = Math.max(0, lineEnds.length - 1);
  return { layer: last, lines: lineEnds[last]?.length ?? 0, share: 0 };
}
