import { edgeWords } from '../../placement.ts';
import { alongTokens } from '../../placementSentence.ts';
import {
  choice,
  clause,
  degrees,
  many,
  millimetres,
  oneOf,
  text,
  type FieldPath,
  type Option,
  type SentenceContext,
  type Token,
} from '../../sentence.ts';
import { plainShapeTokens } from '../plain.ts';
import { dependsOn, letterOf, MOST_TIMES, type Middle, type Piece, type Place, type Times } from './piece.ts';
import { pieceOffers } from './pieceOffers.ts';
import { say } from '../../../words/index.ts';

/**
 * "; and B, a circle Ø 12 mm, beside the right and centred front to back on A": what is said of one piece. `path` leads
 * from the step to the outline.
 */
export function pieceTokens(
  pieces: readonly Piece[],
  index: number,
  path: FieldPath,
  context: SentenceContext,
): Token[] {
  const { how, outline, turnDeg, times } = pieces[index];
  const at = [...path, 'pieces', index];
  const letter = letterOf(index);
  const begins: Token[] =
    index === 0
      ? [text('of')]
      : [
          text(';'),
          oneOf([...at, 'how'], 'added, left out or kept', how, {
            and: 'and',
            without: 'without',
            within: 'only within',
          }),
        ];
  return [
    ...begins,
    {
      type: 'menu',
      path: at,
      word: letter,
      label: say('What to do with {letter}', { letter }),
      offers: pieceOffers(pieces, index, path),
    },
    text(','),
    ...plainShapeTokens(outline, [...at, 'outline'], context),
    ...(turnDeg === undefined
      ? []
      : clause(
          [text(', turned'), degrees([...at, 'turnDeg'], turnDeg, 'turned by')],
          [...at, 'turnDeg'],
          'Do not turn it',
        )),
    ...placeTokens(pieces, index, at),
    ...(times
      ? clause(timesTokens(pieces, index, times, [...at, 'times']), [...at, 'times'], 'Have it once')
      : []),
  ];
}

/** Where a piece lies. What lies in the middle and can lie nowhere else is not said to be there. */
function placeTokens(pieces: readonly Piece[], index: number, at: FieldPath): Token[] {
  const { place } = pieces[index];
  const path = [...at, 'place'];
  const places = placesOf(pieces, index);
  const on = choice(path, 'from where it is placed', places, ({ value }) => {
    const offered = value as Place;
    return offered.from === 'middle'
      ? place.from === 'middle'
      : place.from === 'piece' && place.piece === offered.piece;
  });
  if (place.from === 'piece') {
    return [
      text(','),
      ...alongTokens('x', place.x, place, [...path, 'x'], 'piece'),
      text('and'),
      ...alongTokens('y', place.y, place, [...path, 'y'], 'piece'),
      on,
    ];
  }
  if (place.xMm === 0 && place.yMm === 0) return places.length === 1 ? [] : [text(','), on];
  return [
    text(','),
    millimetres([...path, 'xMm'], place.xMm, 'how far to the right', { min: -1000 }),
    text('right and'),
    millimetres([...path, 'yMm'], place.yMm, 'how far to the back', { min: -1000 }),
    text('back'),
    on,
  ];
}

/** What a piece can be placed from: the middle, and the pieces that do not wait for it. */
function placesOf(pieces: readonly Piece[], index: number): Option[] {
  const { id, place } = pieces[index];
  const isAtMiddle = place.from === 'middle' && place.xMm === 0 && place.yMm === 0;
  const offMm = (axis: 'x' | 'y') => {
    if (place.from === 'middle') return place[`${axis}Mm`];
    const rule = place[axis];
    return rule.relation === 'centred' ? (rule.mm ?? 0) : 0;
  };
  const along = (axis: 'x' | 'y') => {
    if (place.from === 'piece') return place[axis];
    const mm = offMm(axis);
    return mm === 0 ? { relation: 'centred' as const } : { relation: 'centred' as const, mm };
  };
  const options: Option[] = [
    {
      label: isAtMiddle ? say('in the middle') : say('from the middle'),
      value: { from: 'middle', xMm: offMm('x'), yMm: offMm('y') },
    },
    ...pieces.flatMap((other, i) =>
      dependsOn(pieces, other.id, id)
        ? []
        : {
            label: say('on {letter}', { letter: letterOf(i) }),
            value: { from: 'piece', piece: other.id, x: along('x'), y: along('y') },
          },
    ),
  ];
  if (
    place.from === 'piece' &&
    !options.some(({ value }) => (value as { piece?: string }).piece === place.piece)
  )
    options.push({ label: say('on a piece that is gone'), value: place });
  return options;
}

function timesTokens(pieces: readonly Piece[], index: number, times: Times, path: FieldPath): Token[] {
  if (times.as === 'mirror') {
    const axes: Record<'x' | 'y', string> = { x: edgeWords.x.both, y: edgeWords.y.both };
    return [
      text(', and its mirror image'),
      oneOf([...path, 'axis'], 'which way it is mirrored', times.axis, axes),
      text('across'),
      aroundToken(pieces, index, times.around, [...path, 'around']),
    ];
  }
  const often = many([...path, 'count'], times.count, 'how often', { min: 2, max: MOST_TIMES });
  if (times.as === 'ring') {
    return [
      text(','),
      often,
      text('times around'),
      aroundToken(pieces, index, times.around, [...path, 'around']),
    ];
  }
  return [
    text(','),
    often,
    text('times, each'),
    millimetres([...path, 'xMm'], times.xMm, 'how far each is to the right of the last', { min: -1000 }),
    text('further right and'),
    millimetres([...path, 'yMm'], times.yMm, 'how far each is behind the last', { min: -1000 }),
    text('further back'),
  ];
}

/** The middle about which a piece is repeated. */
function aroundToken(pieces: readonly Piece[], index: number, around: Middle, path: FieldPath): Token {
  const options: Option[] = [
    { label: say('the middle'), value: { from: 'middle' } },
    ...pieces.flatMap((other, i) =>
      dependsOn(pieces, other.id, pieces[index].id)
        ? []
        : { label: letterOf(i), value: { from: 'piece', piece: other.id } },
    ),
  ];
  const isSame = (value: unknown) => JSON.stringify(value) === JSON.stringify(around);
  if (!options.some(({ value }) => isSame(value)))
    options.push({ label: say('a piece that is gone'), value: around });
  return choice(path, 'around what', options, ({ value }) => isSame(value));
}
