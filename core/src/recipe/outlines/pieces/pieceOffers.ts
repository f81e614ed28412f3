import type { Addition, FieldPath } from '../../sentence.ts';
import { acrossOf, createPlain, type PlainOutline } from '../plain.ts';
import { letterOf, MOST_PIECES, nextPieceId, namedBy, type Middle, type Piece, type Place } from './piece.ts';
import { say } from '../../../words/index.ts';

const middle: Middle = { from: 'middle' };

/** What can be done with one piece; `path` leads from the step to the outline. */
export function pieceOffers(pieces: readonly Piece[], index: number, path: FieldPath): Addition[] {
  const piece = pieces[index];
  const at = [...path, 'pieces', index];
  const letter = letterOf(index);
  const all = (label: string, value: readonly Piece[]): Addition => ({
    label,
    path: [...path, 'pieces'],
    value,
  });
  const { place, times, turnDeg, outline } = piece;
  const apartMm = acrossOf(outline);
  const isInMiddle = place.from === 'middle' && place.xMm === 0 && place.yMm === 0;
  return [
    ...(isInMiddle
      ? [{ label: say('move {letter}', { letter }), path: [...at, 'place', 'xMm'], value: 5 }]
      : []),
    ...(turnDeg === undefined
      ? [{ label: say('turn {letter}', { letter }), path: [...at, 'turnDeg'], value: 45 }]
      : []),
    ...(times
      ? []
      : [
          {
            label: say('repeat {letter} in a row', { letter }),
            path: [...at, 'times'],
            value: { as: 'row', count: 3, xMm: apartMm, yMm: 0 },
          },
          {
            label: say('repeat {letter} all around', { letter }),
            path: [...at, 'times'],
            value: { as: 'ring', count: 6, around: middle },
          },
          {
            label: say('mirror {letter}', { letter }),
            path: [...at, 'times'],
            value: { as: 'mirror', axis: 'x', around: middle },
          },
        ]),
    ...(pieces.length < MOST_PIECES
      ? [all(say('copy {letter}', { letter }), pieces.toSpliced(index + 1, 0, copyOf(pieces, index)))]
      : []),
    ...(index > 0 ? [all(say('take {letter} earlier', { letter }), swapped(pieces, index - 1))] : []),
    ...(index < pieces.length - 1
      ? [all(say('take {letter} later', { letter }), swapped(pieces, index))]
      : []),
    ...(pieces.length > 1 ? [all(say('leave {letter} out', { letter }), without(pieces, index))] : []),
  ];
}

/** The offers of another piece: added where it shows beside the last, left out of its middle, or kept in common. */
export function newPieceOffers(pieces: readonly Piece[], path: FieldPath): Addition[] {
  if (pieces.length >= MOST_PIECES) return [];
  const id = nextPieceId(pieces);
  const ground = pieces.findLast(({ how }, i) => i === 0 || how === 'and')!;
  const acrossMm = acrossOf(ground.outline);
  const offer = (label: string, how: Piece['how'], outline: PlainOutline, place: Place): Addition => ({
    label,
    path: [...path, 'pieces', pieces.length],
    value: { id, how, outline, place },
  });
  return [
    offer(
      say('join another outline'),
      'and',
      createPlain('circle', acrossMm),
      besideRight(ground.id, acrossMm / 4),
    ),
    offer(
      say('join an outline that I draw'),
      'and',
      createPlain('points', acrossMm),
      besideRight(ground.id, acrossMm / 4),
    ),
    offer(
      say('cut another outline away'),
      'without',
      createPlain('circle', acrossMm / 2),
      onMiddle(ground.id),
    ),
    offer(
      say('keep only what lies in another outline'),
      'within',
      createPlain('circle', 0.9 * acrossMm),
      onMiddle(pieces[0].id),
    ),
  ];
}

/** On the middle of another piece. */
export function onMiddle(piece: string): Place {
  return { from: 'piece', piece, x: { relation: 'centred' }, y: { relation: 'centred' } };
}

/** Beside the right of another piece, reaching into it. */
export function besideRight(piece: string, overlapMm: number): Place {
  const rounded = Math.round(10 * overlapMm) / 10;
  return { ...onMiddle(piece), x: { relation: 'beside', edge: 'high', overlapMm: rounded } } as Place;
}

/** A copy of a piece, beside the piece itself so that it shows. */
function copyOf(pieces: readonly Piece[], index: number): Piece {
  const { id, outline } = pieces[index];
  return { ...pieces[index], id: nextPieceId(pieces), place: besideRight(id, acrossOf(outline) / 4) };
}

/** The pieces with one and the next in each other's place. What comes first is the ground for the others. */
function swapped(pieces: readonly Piece[], index: number): Piece[] {
  const [one, next] = [pieces[index], pieces[index + 1]];
  const first: Piece = index === 0 ? { ...next, how: 'and' } : next;
  return pieces.toSpliced(index, 2, first, one);
}

/** The pieces without one. What was placed on it is placed from the middle, and what was repeated around it around that. */
function without(pieces: readonly Piece[], index: number): Piece[] {
  const { id } = pieces[index];
  return pieces.toSpliced(index, 1).map((each, i) => {
    const kept: Piece = i === 0 ? { ...each, how: 'and' } : each;
    if (!namedBy(kept).includes(id)) return kept;
    const { place, times } = kept;
    const isOnIt = place.from === 'piece' && place.piece === id;
    const isAroundIt =
      times && 'around' in times && times.around.from === 'piece' && times.around.piece === id;
    return {
      ...kept,
      place: isOnIt ? { from: 'middle', xMm: offMm(place.x), yMm: offMm(place.y) } : place,
      ...(isAroundIt ? { times: { ...times, around: middle } } : {}),
    };
  });
}

function offMm(rule: Extract<Place, { from: 'piece' }>['x']) {
  return rule.relation === 'centred' ? (rule.mm ?? 0) : 0;
}
