import { extentOf, type Point, type Range, type Region } from '../../plane/index.ts';
import { isFormula } from '../amount.ts';
import { sizeHandle, turnHandle, type Handle } from './planHandles.ts';
import { heldBy, sizing, type FieldChange } from './sizing.ts';
import { movedAlong, rounded } from './movedAlong.ts';
import type { AlongHost } from '../placement.ts';
import type { CombinedOutline } from '../outlines/combined.ts';
import { plainSizes } from '../outlines/plain.ts';
import type { LaidPiece } from '../outlines/pieces/laidPiece.ts';
import { letterOf, type Piece } from '../outlines/pieces/piece.ts';
import { fieldAt, type FieldPath } from '../sentence.ts';
import { say } from '../../words/index.ts';

/**
 * The handles of one piece of an outline, about the middle of that outline. `laid` are its pieces where they lie now, and
 * `path` leads from the step to the outline. Numbers that are worked out are left alone, and so is where a piece lies in
 * copies: its own place is dragged.
 */
export function pieceHandles(
  { pieces }: CombinedOutline,
  index: number,
  laid: readonly LaidPiece[],
  path: FieldPath,
): Handle[] {
  const piece = pieces[index];
  const own = laid.find(({ id }) => id === piece.id)?.own;
  if (!own || own.length === 0) return [];
  const at = [...path, 'pieces', index];
  const box = boxOf(own);
  const middle: Point = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2];
  const move: Handle = {
    kind: 'move',
    label: say('Move {letter}', { letter: letterOf(index) }),
    at: middle,
    to: ([x, y]) => movedPiece(piece, [x - middle[0], y - middle[1]], laid, [...at, 'place']),
  };
  // What is turned does not grow along the axes of the drawing.
  const sizes = piece.turnDeg === undefined ? plainSizes(piece.outline) : [];
  return [
    move,
    ...sizes.flatMap(({ path: to, axis }) => {
      const value = fieldAt(piece.outline, to);
      const rule = piece.place.from === 'piece' ? piece.place[axis] : undefined;
      if (typeof value !== 'number') return [];
      return sizeHandle({ ...sizing([...at, 'outline', ...to], axis, value, box, heldBy(rule)), axis }, box);
    }),
    ...(isFormula(piece.turnDeg) ? [] : [turnHandle([...at, 'turnDeg'], piece.turnDeg ?? 0, box)]),
  ];
}

/** What the sentence says of where a piece lies once it was moved. */
function movedPiece(
  { id, place }: Piece,
  [dx, dy]: Point,
  laid: readonly LaidPiece[],
  path: FieldPath,
): FieldChange[] {
  if (rounded(dx) === 0 && rounded(dy) === 0) return [];
  if (place.from === 'middle') {
    const { xMm, yMm } = place;
    const value = {
      ...place,
      xMm: isFormula(xMm) ? xMm : rounded(xMm + dx),
      yMm: isFormula(yMm) ? yMm : rounded(yMm + dy),
    };
    return [{ path, value }];
  }
  const host = extentOf(laid.find((each) => each.id === place.piece)?.copies.flat() ?? []);
  const own = extentOf(laid.find((each) => each.id === id)?.own ?? []);
  const value = {
    ...place,
    x: draggedAlong(place.x, dx, own.x, host.x),
    y: draggedAlong(place.y, dy, own.y, host.y),
  };
  return [{ path, value }];
}

/** What an along of a piece says once it was dragged. What lies half over its host is not beside it any more. */
function draggedAlong(rule: AlongHost, byMm: number, own: Range, host: Range): AlongHost {
  const dragged = movedAlong(rule, byMm, host.high - host.low);
  if (dragged.relation !== 'beside' || isFormula(dragged.overlapMm)) return dragged;
  if (dragged.overlapMm <= (own.high - own.low) / 2) return dragged;
  const mm = rounded((own.low + own.high) / 2 + byMm - (host.low + host.high) / 2);
  return mm === 0 ? { relation: 'centred' } : { relation: 'centred', mm };
}

function boxOf(region: Region) {
  const { x, y } = extentOf(region);
  return { min: [x.low, y.low], max: [x.high, y.high] };
}
