import * as z from 'zod';
import { distance } from '../amount.ts';
import { clause, millimetres, text } from '../sentence.ts';
import type { OutlineKind } from './outlineKind.ts';
import { besideRight, newPieceOffers } from './pieces/pieceOffers.ts';
import { pieceTokens } from './pieces/pieceSentence.ts';
import { laidOut } from './pieces/laidOut.ts';
import { MOST_PIECES, piece } from './pieces/piece.ts';
import { putTogether } from './pieces/putTogether.ts';
import { createPlain, type PlainOutline } from './plain.ts';
import { say } from '../../words/index.ts';
import { aside, inShort } from '../shortSentence.ts';

export const schema = z.strictObject({
  shape: z.literal('combined'),
  /** In the order in which they are put together; the first is the ground for the others. */
  pieces: z.array(piece).min(1).max(MOST_PIECES),
  /** How much larger the whole is than its pieces together. */
  growMm: distance().optional(),
});
export type CombinedOutline = z.infer<typeof schema>;

/** An outline with a smaller circle joined to it. */
export function combinedFrom(first: PlainOutline, acrossMm: number): CombinedOutline {
  const smallMm = Math.max(1, Math.round(acrossMm / 3));
  return {
    shape: 'combined',
    pieces: [
      { id: 'p1', how: 'and', outline: first, place: { from: 'middle', xMm: 0, yMm: 0 } },
      {
        id: 'p2',
        how: 'and',
        outline: createPlain('circle', smallMm),
        place: besideRight('p1', smallMm / 4),
      },
    ],
  };
}

/** Several outlines put together: each is added to those before it, left out of them, or keeps only what lies in it. */
export const combined: OutlineKind<CombinedOutline> = {
  shape: 'combined',
  get label() {
    return say('a combined outline');
  },
  get words() {
    return say('cloud joined together many pieces');
  },
  create: (across) => combinedFrom(createPlain('circle', across), across),
  tokens: ({ pieces, growMm }, path, context) => [
    inShort(say('of {count, plural, one {# piece} other {# pieces}}', { count: pieces.length })),
    ...aside(...pieces.flatMap((_, i) => pieceTokens(pieces, i, path, context))),
    { type: 'drawing', path, label: say('Put the pieces together on the plan'), kind: 'combined' },
    ...(growMm === undefined
      ? []
      : clause(
          [
            text('; all of it grown by'),
            millimetres([...path, 'growMm'], growMm, 'how much larger, negative for smaller', { min: -1000 }),
          ],
          [...path, 'growMm'],
          'Do not grow it',
        )),
  ],
  additions: ({ pieces, growMm }, path) => [
    ...newPieceOffers(pieces, path),
    ...(growMm === undefined ? [{ label: say('grow all of it'), path: [...path, 'growMm'], value: 1 }] : []),
  ],
  region({ pieces, growMm = 0 }, kit) {
    const laid = laidOut(pieces, kit);
    kit.drewPieces({ pieces: laid });
    const together = putTogether(laid, kit);
    const whole = growMm === 0 ? together : kit.grown(together, growMm, 'sharp');
    kit.drewPieces({ pieces: laid, whole });
    if (whole.length > 0) return whole;
    return kit.fail(['growMm'], say('Shrunk by so much, nothing is left of the outline: take less off.'));
  },
};
