import { pointsOf, type Region } from '../../../plane/index.ts';
import type { OutlineKit } from '../outlineKind.ts';
import type { LaidPiece } from './laidPiece.ts';
import { letterOf } from './piece.ts';
import { say } from '../../../words/index.ts';

/** As many points as pieces may have together, their copies counted: what has more takes too long to put together. */
const MOST_POINTS = 100_000;

/** The one region that pieces make in their order. */
export function putTogether(laid: readonly LaidPiece[], kit: OutlineKit): Region {
  const points = laid.reduce(
    (sum, { copies }) => sum + copies.reduce((all, each) => all + pointsOf(each), 0),
    0,
  );
  if (points > MOST_POINTS) {
    kit.fail(
      ['pieces'],
      say(
        'The pieces have {points} points together, and {most} at most can be put together: repeat them less often.',
        {
          points,
          most: MOST_POINTS,
        },
      ),
    );
  }
  return laid.reduce<Region>((sum, { how, copies }, i) => {
    if (i === 0) return kit.joined(copies);
    if (how === 'and') return kit.joined([sum, ...copies]);
    const other = copies.length === 1 ? copies[0] : kit.joined(copies);
    const rest = how === 'without' ? kit.without(sum, other) : kit.common(sum, other);
    if (rest.length > 0) return rest;
    const letter = letterOf(i);
    return kit.fail(
      ['pieces', i, 'how'],
      how === 'without'
        ? say('Without {letter} nothing is left of the outline: make it smaller, or move it.', { letter })
        : say('Nothing of the outline lies within {letter}: make it larger, or move it.', { letter }),
    );
  }, []);
}
