import { extentOf, moved, stretched, turned, type Point, type Region } from '../../../plane/index.ts';
import type { Resolved } from '../../amount.ts';
import { shiftAlong } from '../../placement.ts';
import type { FieldPath } from '../../sentence.ts';
import { failingIn, type OutlineKit } from '../outlineKind.ts';
import { plainRegion } from '../plain.ts';
import type { LaidPiece } from './laidPiece.ts';
import { letterOf, type Middle, type Piece, type Times } from './piece.ts';
import { say } from '../../../words/index.ts';

/**
 * The pieces where they lie. Each is placed from the middle of the outline or on another piece, whichever comes first in
 * the sentence; two that wait for each other end the evaluation.
 */
export function laidOut(pieces: readonly Resolved<Piece>[], kit: OutlineKit): LaidPiece[] {
  const laid = new Map<string, LaidPiece>();
  const waiting = new Set<string>();
  const indexOf = (id: string) => pieces.findIndex((each) => each.id === id);

  const hostOf = (id: string, path: FieldPath): LaidPiece => {
    const index = indexOf(id);
    if (index < 0) return kit.fail(path, say('The piece that it is placed on is gone: choose another one.'));
    if (waiting.has(id)) {
      const message = say(
        '{letter} waits for itself, through the pieces that are placed on it: place it elsewhere.',
        {
          letter: letterOf(index),
        },
      );
      return kit.fail(path, message);
    }
    return lay(index);
  };
  const middleOf = (middle: Resolved<Middle>, path: FieldPath): Point => {
    if (middle.from === 'middle') return [0, 0];
    const { x, y } = extentOf(hostOf(middle.piece, path).copies.flat());
    return [(x.low + x.high) / 2, (y.low + y.high) / 2];
  };
  const lay = (index: number): LaidPiece => {
    const { id, how, outline, turnDeg = 0, place, times } = pieces[index];
    const known = laid.get(id);
    if (known) return known;
    waiting.add(id);
    const at = ['pieces', index];
    const drawn = turned(plainRegion(outline, { ...kit, fail: failingIn(kit, [...at, 'outline']) }), turnDeg);
    let shift: Point;
    if (place.from === 'middle') shift = [place.xMm, place.yMm];
    else {
      const own = extentOf(drawn);
      const host = extentOf(hostOf(place.piece, [...at, 'place']).copies.flat());
      shift = [shiftAlong(place.x, own.x, host.x), shiftAlong(place.y, own.y, host.y)];
    }
    const own = moved(drawn, ...shift);
    const around =
      times && 'around' in times ? middleOf(times.around, [...at, 'times', 'around']) : undefined;
    const made = {
      id,
      how,
      own,
      origin: shift,
      turnDeg,
      copies: times ? copiesOf(own, times, around ?? [0, 0]) : [own],
    };
    waiting.delete(id);
    laid.set(id, made);
    return made;
  };
  return pieces.map((_, index) => lay(index));
}

/** A region as often as it is there. */
function copiesOf(own: Region, times: Resolved<Times>, [x, y]: Point): Region[] {
  if (times.as === 'mirror') {
    const across =
      times.axis === 'x' ? moved(stretched(own, -1, 1), 2 * x, 0) : moved(stretched(own, 1, -1), 0, 2 * y);
    return [own, across];
  }
  return Array.from({ length: times.count }, (_, i) => {
    if (times.as === 'row') return moved(own, i * times.xMm, i * times.yMm);
    return i === 0 ? own : moved(turned(moved(own, -x, -y), (360 * i) / times.count), x, y);
  });
}
